import type { GameWords } from '../../words.ts';

export const rounds = 5;

/** Tall number in words. */
export const tallNumberWords = {
  name: 'Tall number',
  told: {
    aim: 'Make the largest number of your cards.',
    turn: [
      'Everyone gets cards from 0 to 9 and lays them as one number; it does not begin with 0.',
      'Read your number aloud.',
      'The largest takes the point; equally large, each takes one.',
    ],
    ends: `After ${rounds} rounds.`,
    example: 'There lie 4, 9 and 2: 492 is good, 942 is the largest: “nine hundred and forty-two”.',
  },
  steps: [
    {
      name: 'Tens and ones, with a place frame',
      example: 'There lie 4 and 9: 49 is good, 94 is the largest: “ninety-four”.',
    },
    { name: 'Hundreds, with a place frame' },
    { name: 'Hundreds, in the head' },
    {
      name: 'Thousands',
      example: 'There lie 4, 9, 2 and 0: 9420 is the largest: “nine thousand four hundred and twenty”.',
    },
    {
      name: 'Ten thousands',
      example:
        'There lie 4, 9, 2, 0 and 1: 94 210 is the largest: “ninety-four thousand two hundred and ten”.',
    },
    {
      name: 'The smallest',
      example: 'There lie 4, 9, 2 and 0: 2049 is the smallest: “two thousand and forty-nine”.',
    },
    {
      name: 'Nearest to a called number',
      example: '500 is called and there lie 4, 9 and 2: 492 is nearest: “four hundred and ninety-two”.',
    },
  ],
} as const satisfies GameWords;
