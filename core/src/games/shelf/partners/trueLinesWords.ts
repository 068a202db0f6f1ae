import type { GameWords } from '../../words.ts';

/** True lines in words. */
export const trueLinesWords = {
  name: 'True lines',
  told: {
    aim: 'Be the first to have laid all your cards in true lines.',
    turn: [
      'Put down cards that make a true line, such as 3 + 4 = 7, and say it; one may be on the board already.',
      'Or ask another player for the third card: if they have it, lay the line; if not, draw a card.',
      'A line that is not true, or not said rightly, goes back to the hand.',
    ],
    ends: 'When a hand is empty, or nobody can go on.',
    example: 'On the board lies a 9. You lay 2 and 7: 2 + 7 = 9. A joker is any number the line needs.',
  },
  steps: [
    { name: 'To 10, open hands', example: 'On the board lies a 9. You lay 2 and 7: 2 + 7 = 9.' },
    { name: 'A wild card joins' },
    { name: 'Hands closed' },
    {
      name: 'To 13',
      example: 'On the board lies a king. You lay 4 and 9: 4 + 9 = 13. A joker is any number the line needs.',
    },
    {
      name: 'Black adds, red takes away',
      example:
        'On the board lies a black 5. You lay a black 7 and a red 2: seven with two taken away is five.',
    },
    {
      name: 'Lines that take away',
      example:
        'On the board lies a 9. You lay a queen and a 3: 12 − 3 = 9. A joker is any number the line needs.',
    },
    {
      name: 'Products',
      example: 'On the board lies a 6. You lay 2 and 3: 2 × 3 = 6. A joker is any number the line needs.',
    },
  ],
} as const satisfies GameWords;
