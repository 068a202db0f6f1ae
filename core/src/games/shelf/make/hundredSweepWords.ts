import type { GameWords } from '../../words.ts';

/** Hundred sweep in words. */
export const hundredSweepWords = {
  name: 'Hundred sweep',
  told: {
    aim: 'Mark every number that the dice make.',
    turn: [
      'Roll three dice and look at them for a while. Each player may roll again once in the game.',
      'Then a minute: mark the numbers they make, saying each line. A number marked is gone for everyone.',
      'The partner sweeps what was missed.',
    ],
    ends: 'After three rounds.',
    example: 'Of 2, 3 and 6: 6 + 3 − 2 = 7, 6 × 3 = 18, (6 + 2) × 3 = 24 and more.',
  },
  steps: [
    {
      name: '+ and −, on a strip to 18',
      example: 'Of 2, 3 and 6: 6 + 2 = 8, 6 − 3 + 2 = 5, 6 + 3 − 2 = 7 and more.',
    },
    { name: '× joins, on the hundred square' },
    { name: '÷ joins', example: 'Of 2, 3 and 6: 6 ÷ 3 = 2, 6 × 3 = 18, (6 + 2) × 3 = 24 and more.' },
    { name: 'Ten-sided dice', example: 'Of 8, 9 and 4: 8 ÷ 4 = 2, 9 × 8 = 72, (9 − 4) × 8 = 40 and more.' },
  ],
} as const satisfies GameWords;
