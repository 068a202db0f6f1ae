import type { GameWords } from '../../words.ts';

/** Times that fingers are shown. */
export const showings = 12;

/** Behind the back in words. */
export const behindTheBackWords = {
  name: 'Behind the back',
  told: {
    aim: 'Come to the total together as often as you can, without talking.',
    turn: [
      'Hands behind the back; on three both show 1 to 10 fingers.',
      'Both are set down, and one says what they come to.',
      'When it is the total, whoever said it has a point.',
    ],
    ends: `After ${showings} times; then it is told how often chance alone would have come to it.`,
    example: 'The total is 9. One shows 6, the other 3: “six and three is nine”.',
  },
  steps: [
    { name: 'Total 9' },
    { name: 'Total 12', example: 'The total is 12. One shows 7, the other 5: “seven and five is twelve”.' },
    { name: 'Total 7', example: 'The total is 7. One shows 4, the other 3: “four and three is seven”.' },
    {
      name: 'Product 24',
      example: 'The product is 24. One shows 6, the other 4: “six fours are twenty-four”.',
    },
  ],
} as const satisfies GameWords;
