import type { GameWords } from '../../words.ts';

/** Into the middle in words. */
export const intoTheMiddleWords = {
  name: 'Into the middle',
  told: {
    aim: 'Make the card in the middle from the cards around it, and win those you use.',
    turn: [
      'Look at the cards around the middle. Two or more of them make its number.',
      'Say or write the line. Each card once, no step below 0, no fractions.',
      'The cards used are yours and are replaced. Who sees none may pass.',
    ],
    ends: 'When the pack is out.',
    example: 'In the middle lies 9; around it 2, 4, 7, 8 and 3. 8 + 4 − 3 makes it and wins three cards.',
  },
  steps: [
    {
      name: 'Two cards, + and −',
      example: 'In the middle lies 9; around it 2, 4, 7, 8 and 3. 7 + 2 makes it and wins two cards.',
    },
    { name: 'More cards, + and −' },
    {
      name: 'All four signs',
      example: 'In the middle lies 9; around it 2, 4, 7, 8 and 3. 8 ÷ 4 + 7 makes it and wins three cards.',
    },
    {
      name: 'Six cards around',
      example:
        'In the middle lies 9; around it 2, 4, 7, 8, 3 and 5. 8 ÷ 4 + 7 makes it and wins three cards.',
    },
  ],
} as const satisfies GameWords;
