import type { GameWords } from '../../words.ts';

/** Power pair in words. */
export const powerPairWords = {
  name: 'Power pair',
  told: {
    aim: 'Take the most cards by turning the larger power.',
    turn: [
      'One after the other turns two cards: the larger is the base, the smaller says how often.',
      'Say the whole power. Above the cap, both cards go under the stack, and two more are turned.',
      'The larger power takes all the cards that lie there; alike: three face down, and turn again.',
    ],
    ends: 'When the pack or the time is out.',
    example:
      '4 and 3 against 6 and 2: “four cubed is sixty-four”, “six squared is thirty-six”. Sixty-four takes four cards.',
  },
  steps: [
    {
      name: 'Squares, one card',
      example:
        '7 against 5: “seven squared is forty-nine”, “five squared is twenty-five”. Forty-nine takes both cards.',
    },
    {
      name: 'Cubes, one card',
      example:
        '4 against 3: “four cubed is sixty-four”, “three cubed is twenty-seven”. Sixty-four takes both cards.',
    },
    { name: 'Two cards, up to a thousand' },
  ],
} as const satisfies GameWords;
