import type { GameWords } from '../../words.ts';

/** Rounds of a game. */
export const rounds = 5;

/** Two heads in words. */
export const twoHeadsWords = {
  name: 'Two heads',
  told: {
    aim: 'Work it out alone, and have the same.',
    turn: [
      'Each lays a number of the cards dealt.',
      'All work out the same line alone, on paper, and then say what they have.',
      'All right: a point each. Not the same: find together where it slipped.',
    ],
    ends: `After ${rounds} rounds.`,
    example: '58 and 27 lie there. Both say “eighty-five”: a point each.',
  },
  steps: [
    {
      name: 'Adding, no ten is passed',
      example: '42 and 31 lie there. Both say “seventy-three”: a point each.',
    },
    { name: 'Adding' },
    { name: 'Taking away', example: '58 and 27 lie there. Both say “thirty-one”: a point each.' },
    {
      name: 'Three digits',
      example: '458 and 127 lie there. Both say “five hundred and eighty-five”: a point each.',
    },
    {
      name: 'Three numbers',
      example: '58, 27 and 14 lie there. Both say “ninety-nine”: a point each.',
    },
  ],
} as const satisfies GameWords;
