import type { GameWords } from '../../words.ts';

/** Back to back in words. */
export const backToBackWords = {
  name: 'Back to back',
  told: {
    aim: 'Work out the card that you cannot see, from the other’s card and what both come to.',
    turn: [
      'Two show a card each, held up so that nobody sees their own.',
      'A third child, or the table, says what the two come to.',
      'From that and the other’s card, say your own. A right one is a point; then two others show.',
    ],
    ends: 'When the pack or the time is out.',
    example: '“Twelve.” I see your 7: “mine is five, seven and five is twelve”. A point.',
  },
  steps: [
    {
      name: 'Sums to 10',
      example: '“Eight.” I see your 5: “mine is three, five and three is eight”. A point.',
    },
    { name: 'Sums to 20' },
    {
      name: 'Products, to 5 times 5',
      example: '“Twenty.” I see your 5: “mine is four, five fours are twenty”. A point.',
    },
    {
      name: 'Products, to 10 times 10',
      example: '“Fifty-six.” I see your 7: “mine is eight, seven eights are fifty-six”. A point.',
    },
    {
      name: 'Products, to 12 times 12',
      example: '“Eighty-four.” I see your 7: “mine is twelve, seven twelves are eighty-four”. A point.',
    },
  ],
} as const satisfies GameWords;
