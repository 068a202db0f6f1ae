import type { GameWords } from '../../words.ts';

/** Doubles watch in words. */
export const doublesWatchWords = {
  name: 'Doubles watch',
  told: {
    aim: 'Be the first to see two alike, cover the pile and say their double.',
    turn: [
      'Two cards at a time are turned onto a pile.',
      'They are alike: whoever covers the pile first says the double and takes it.',
      'Covered when they are not alike: it costs a card.',
    ],
    ends: 'When the pack is out.',
    example: 'A 6 and a 6: “double six is twelve”. Whoever covered the pile first takes it.',
  },
  steps: [
    {
      name: 'Doubles to 5',
      example: 'A 4 and a 4: “double four is eight”. Whoever covered the pile first takes it.',
    },
    { name: 'Doubles to 10' },
    { name: 'Doubles to 12' },
    {
      name: 'Squares to 10',
      example: 'A 6 and a 6: “six times six is thirty-six”. Whoever covered the pile first takes it.',
    },
  ],
} as const satisfies GameWords;
