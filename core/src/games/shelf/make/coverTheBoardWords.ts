import type { GameWords } from '../../words.ts';

export const sparesEach = 3;

/** Cover the board in words. */
export const coverTheBoardWords = {
  name: 'Cover the board',
  told: {
    aim: 'Cover the most numbers.',
    turn: [
      'Roll, choose the sign, say the fact and cover its number.',
      'With three dice every die is used.',
      'Nothing to cover: a spare is gone.',
    ],
    ends: `When a player’s ${sparesEach} spares are gone, or every number is covered.`,
    example: 'A 6 and a 2 cover 8 by adding, 4 by taking away, 12 by multiplying.',
  },
  steps: [
    { name: 'Adding and taking away', example: 'A 6 and a 2 cover 8 by adding, 4 by taking away.' },
    { name: 'Multiplying joins' },
    {
      name: 'Three dice, all signs',
      example: 'A 6, a 2 and a 3 cover 11 by adding all three, 36 by multiplying, 4 as 6 × 2 ÷ 3.',
    },
  ],
} as const satisfies GameWords;
