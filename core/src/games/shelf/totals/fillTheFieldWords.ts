import type { GameWords } from '../../words.ts';

/** Fill the field in words. */
export const fillTheFieldWords = {
  name: 'Fill the field',
  told: {
    aim: 'Fill the field with arrays, and keep the sum of their areas.',
    turn: [
      'Roll two dice: so many rows of so many.',
      'Lay that array where it fits, either way round, and say its fact.',
      'No room anywhere: the turn passes on.',
    ],
    ends: 'When everyone has passed in a row, or the field is full.',
    example:
      'A 3 and a 5: three rows of five, “three fives are fifteen”. 15 of 96 squares are filled, 81 are left.',
  },
  steps: [
    {
      name: 'One factor stays 2',
      example: 'A 5: two rows of five, “two fives are ten”. 10 of 96 squares are filled, 86 are left.',
    },
    { name: 'Both are rolled' },
    {
      name: 'An array may be split',
      example: 'A 4 and a 6 find no room whole: 4 × 4 and 4 × 2 are laid, “four sixes are twenty-four”.',
    },
    {
      name: 'A field of ten by ten',
      example:
        'A 3 and a 5: three rows of five, “three fives are fifteen”. 15 of 100 squares are filled, 85 are left.',
    },
  ],
} as const satisfies GameWords;
