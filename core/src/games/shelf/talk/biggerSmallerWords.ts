import type { GameWords } from '../../words.ts';

/** Cards that are turned, so many times. */
export const turns = 10;

/** Bigger, smaller in words. */
export const biggerSmallerWords = {
  name: 'Bigger, smaller',
  told: {
    aim: 'Point to the larger card, and say how many are on it.',
    turn: [
      'Turn the cards.',
      'Point to the larger one, or the smaller, as it is asked.',
      'Touch and count its pips, and say the number.',
    ],
    ends: `After ${turns} turns.`,
    example: 'A 5 and a 3: a finger on the 5: “one, two, three, four, five”.',
  },
  steps: [
    { name: 'The larger, to 5, counted' },
    { name: 'The larger, to 10, counted', example: 'A 9 and a 7: a finger on the 9, and its pips counted.' },
    { name: 'The smaller, to 10, counted', example: 'A 9 and a 7: a finger on the 7, and its pips counted.' },
    { name: 'The larger of three', example: 'A 4, a 9 and a 7: a finger on the 9: “nine is the largest”.' },
    { name: 'The smaller of three', example: 'A 4, a 9 and a 7: a finger on the 4: “four is the smallest”.' },
  ],
} as const satisfies GameWords;
