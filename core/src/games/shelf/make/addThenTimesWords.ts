import type { GameWords } from '../../words.ts';

/** Add then times in words. */
export const addThenTimesWords = {
  name: 'Add then times',
  told: {
    aim: 'Be the first to reach 400.',
    turn: [
      'Roll three dice. Add two of them and take that times the third.',
      'Which two is your choice: say the line and what it makes.',
      'Add it to your total.',
    ],
    ends: 'When a total reaches the target.',
    example: 'A 2, a 5 and a 6: (2 + 5) × 6 = 42 beats (5 + 6) × 2 = 22.',
  },
  steps: [
    { name: 'Two dice, times', example: 'A 5 and a 6: 5 × 6 = 30 goes to your total.' },
    { name: 'Add two, times the third' },
    {
      name: 'The difference of two, times the third',
      example: 'A 2, a 5 and a 6: (6 − 2) × 5 = 20 beats (5 − 2) × 6 = 18.',
    },
  ],
} as const satisfies GameWords;
