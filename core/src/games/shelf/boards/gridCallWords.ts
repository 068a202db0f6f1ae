import type { GameWords } from '../../words.ts';

/** Grid call in words. */
export const gridCallWords = {
  name: 'Grid call',
  told: {
    aim: 'Have a whole line of your own card: across, down or from corner to corner.',
    turn: [
      'Something is called for you: a fact, or an answer.',
      'Find what fits it on your card and say the fact whole: the square is yours.',
      'Nothing fits: say so. Several may fit; choose the one that helps you.',
    ],
    ends: 'When somebody has a line.',
    example: '7 × 8 is called, and 56 stands on your card: “seven eights are fifty-six”.',
  },
  steps: [
    {
      name: 'Sums, answers on the card',
      example: '7 + 8 is called, and 15 stands on your card: “seven and eight is fifteen”.',
    },
    { name: 'Products, answers on the card' },
    {
      name: 'Products, facts on the card',
      example: '24 is called, and 4 × 6 stands on your card: “four sixes are twenty-four”.',
    },
    {
      name: 'Both on the card',
      example: '24 is called, and 4 × 6 stands on your card: “four sixes are twenty-four”.',
    },
    { name: 'Four by four' },
    {
      name: 'Quotients',
      example: '56 ÷ 8 is called, and 7 stands on your card: “fifty-six by eight is seven”.',
    },
  ],
} as const satisfies GameWords;
