import type { GameWords } from '../../words.ts';

/** Odd line in words. */
export const oddLineWords = {
  name: 'Odd line',
  told: {
    aim: 'Lay a whole line of numbers of your own kind.',
    turn: [
      'One lays odd numbers and one even ones, or multiples of two tables.',
      'Choose a free square; a fact of your kind is asked for it.',
      'Said right, its number lies there. Not right: the other may say it, and it lies there for nobody.',
    ],
    ends: 'When a line of one kind lies, or no square is free.',
    example: 'You lay odd numbers, and 5 + 8 is asked: “thirteen”, and 13 lies there.',
  },
  steps: [
    {
      name: 'Odd and even, to 10',
      example: 'You lay odd numbers, and 3 + 4 is asked: “seven”, and 7 lies there.',
    },
    { name: 'Odd and even, to 20' },
    {
      name: 'Twos and fives',
      example: 'You lay fives, and 4 × 5 is asked: “twenty”, and 20 lies there.',
    },
    {
      name: 'Threes and fours',
      example: 'You lay fours, and 7 × 4 is asked: “twenty-eight”, and 28 lies there.',
    },
    {
      name: 'Sixes and sevens',
      example: 'You lay sevens, and 6 × 7 is asked: “forty-two”, and 42 lies there.',
    },
    {
      name: 'Eights and nines',
      example: 'You lay nines, and 4 × 9 is asked: “thirty-six”, and 36 lies there.',
    },
  ],
} as const satisfies GameWords;
