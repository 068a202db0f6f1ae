import type { GameWords } from '../../words.ts';

/** Targets of a game. */
export const rounds = 3;

/** Long road in words. */
export const longRoadWords = {
  name: 'Long road',
  told: {
    aim: 'Come as near to the target as you can, with as many of your numbers as you can.',
    turn: [
      'Digit cards make the target. Each player has numbers of their own; all lie open.',
      'Join two of yours and say what it comes to. That is a number of yours now; the two are used.',
      'Stop when you like: 10 points for the target, one less for each it is off, one for each number used.',
    ],
    ends: 'After three targets; most points.',
    example: 'The target is 34; you have 6, 5, 3 and 1. 6 × 5 = 30, 30 + 3 = 33, 33 + 1 = 34: 14 points.',
  },
  steps: [
    { name: 'Target to 50, four numbers' },
    {
      name: 'Target to 100, five numbers',
      example:
        'The target is 87; you have 9, 9, 7, 2 and 1. 9 × 9 = 81, 7 − 1 = 6, 81 + 6 = 87: 10 points and 4.',
    },
    {
      name: 'Target to 999, six numbers',
      example:
        'The target is 365; you have 12, 10, 3, 4, 1 and 2. 12 × 10 = 120, 120 × 3 = 360, 360 + 4 = 364, then + 1.',
    },
  ],
} as const satisfies GameWords;
