import type { GameWords } from '../../words.ts';

/** Facts of a game, and after how many a child sets one. */
export const facts = 10;
export const setAfter = 4;

/** Point, say, write in words. */
export const pointSayWriteWords = {
  name: 'Point, say, write',
  told: {
    aim: 'Find both numbers and the answer on the track, and say the whole fact.',
    turn: [
      'A fact is asked. Point to both numbers with a flat hand, then to the answer.',
      'Say the whole fact, and write it.',
      `After ${setAfter} facts a child sets one for the other.`,
    ],
    ends: `After ${facts} facts.`,
    example: '3 + 2: a hand on the 3, on the 2, on the 5: “three and two is five”.',
  },
  steps: [
    { name: 'To 6, with pips' },
    { name: 'To 6, numerals only' },
    {
      name: 'To 8, numerals only',
      example: '3 + 4: a hand on the 3, on the 4, on the 7: “three and four is seven”.',
    },
    {
      name: 'To 10, numerals only',
      example: '3 + 6: a hand on the 3, on the 6, on the 9: “three and six is nine”.',
    },
    {
      name: 'Totals to 20',
      example: '8 + 6: a hand on the 8, on the 6, on the 14: “eight and six is fourteen”.',
    },
  ],
} as const satisfies GameWords;
