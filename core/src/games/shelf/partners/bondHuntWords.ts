import type { GameWords } from '../../words.ts';

/** Bond hunt in words. */
export const bondHuntWords = {
  name: 'Bond hunt',
  told: {
    aim: 'Find the cards that make the total, and keep them.',
    turn: [
      'Turn two cards that lie face down.',
      'Say what they make. Is it the total, keep them and turn again.',
      'If not, everyone looks; they are turned back, and the next player turns.',
    ],
    ends: 'When no cards are left that make the total.',
    example: 'The total is 10. A 4, then a 6: “four and six is ten”. Both are kept.',
  },
  steps: [
    {
      name: 'To 5, twelve cards',
      example: 'The total is 5. A 4, then an ace: “four and one is five”. Both are kept.',
    },
    { name: 'To 10, twelve cards' },
    { name: 'To 10, sixteen cards' },
    {
      name: 'To 20, sixteen cards',
      example: 'The total is 20. A 9, then a jack: “nine and eleven is twenty”. Both are kept.',
    },
    {
      name: 'To 20, twenty cards',
      example: 'The total is 20. A 9, then a jack: “nine and eleven is twenty”. Both are kept.',
    },
    {
      name: 'To 10, two or three cards',
      example: 'The total is 10. A 4, an ace, then a 5: “four and one and five is ten”. All three are kept.',
    },
    {
      name: 'Products of 24',
      example: 'The product is 24. A 4, then a 6: “four times six is twenty-four”. Both are kept.',
    },
  ],
} as const satisfies GameWords;
