import type { GameWords } from '../../words.ts';

/** Spend the hand in words. */
export const spendTheHandWords = {
  name: 'Spend the hand',
  told: {
    aim: 'Spend the most cards of your hand by making what the dice show, more than once if you can.',
    turn: [
      'Roll: the dice together are the target. Five of your cards lie open.',
      'Make it by one line or by several, each of other cards: those are spent. Then fill your hand up.',
      'You see none: say so, and the target passes on. Nobody makes it: each changes a card.',
    ],
    ends: 'When the pack is out and a hand cannot be filled up.',
    example: 'The dice show 9; open lie 2, 7, 9, 4 and 5. 2 + 7, then 4 + 5, then the 9: five cards spent.',
  },
  steps: [
    {
      name: 'Cards that are equal to it',
      example: 'The die shows 5; open lie 2, 5, 3, 5 and 1. Both fives are spent: two cards.',
    },
    {
      name: 'Two cards, + and −',
      example: 'The die shows 6; open lie 2, 4, 6, 1 and 5. 2 + 4, the 6, then 1 + 5: five cards are spent.',
    },
    { name: 'Any cards, two dice' },
    {
      name: 'All four signs',
      example: 'The dice show 8; open lie 2, 4, 10, 5 and 6. 2 × 4, then 10 ÷ 5 + 6: five cards are spent.',
    },
    {
      name: 'Six cards, ten-sided dice',
      example:
        'The dice show 15; open lie 3, 5, 10, 5, 9 and 6. 3 × 5, 10 + 5, then 9 + 6: six cards are spent.',
    },
    {
      name: 'Powers and factorials, to 100',
      example: 'The dice show 9; open lie 3, 2, 3, 3, 7 and 10. 3², then 3! + 10 − 7: five cards are spent.',
    },
  ],
} as const satisfies GameWords;
