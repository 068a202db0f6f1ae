import type { GameWords } from '../../words.ts';

/** Round the circle in words. */
export const roundTheCircleWords = {
  name: 'Round the circle',
  told: {
    aim: 'Count on round the circle, and say the word where a multiple comes.',
    turn: [
      'One after another says the next number.',
      'Where it is a multiple of the number chosen, the word is said instead.',
      'A slip: the next one says it, and the count goes on.',
    ],
    ends: 'When the last number is reached.',
    example: 'Fives are “clap”: “three”, “four”, “clap”, “six”.',
  },
  steps: [
    { name: 'Fives, the number in sight' },
    { name: 'Fives' },
    { name: 'Tens', example: 'Tens are “clap”: “eight”, “nine”, “clap”, “eleven”.' },
    { name: 'Twos', example: 'Twos are “clap”: “one”, “clap”, “three”, “clap”.' },
    { name: 'Threes', example: 'Threes are “clap”: “one”, “two”, “clap”, “four”.' },
    { name: 'Fours', example: 'Fours are “clap”: “two”, “three”, “clap”, “five”.' },
    { name: 'Sixes', example: 'Sixes are “clap”: “four”, “five”, “clap”, “seven”.' },
    { name: 'Sevens', example: 'Sevens are “clap”: “five”, “six”, “clap”, “eight”.' },
    { name: 'Fives, backwards', example: 'Fives are “clap”: “seven”, “six”, “clap”, “four”.' },
  ],
} as const satisfies GameWords;
