import type { GameWords } from '../../words.ts';

/** Lamps in words. */
export const lampsWords = {
  name: 'Lamps',
  told: {
    aim: 'Land on tens: light their lamps, then carry them off.',
    turn: [
      'Choose one of three open cards, add it to the total that all share and say the new one.',
      'Land on a ten: its lamp is lit. Land on a lit ten again: carry the lamp off.',
      'Up to 100 in the first round; in the second take away, down from 100.',
    ],
    ends: 'When the total is down at 0 and a lamp has been carried off; else up once more.',
    example: 'The total is 34. A 6 makes 40: the lamp of 40 is lit.',
  },
  steps: [
    { name: 'On the bead frame' },
    {
      name: 'Rest joins',
      example: 'The total is 34. A 6 makes 40: the lamp of 40 is lit. After rest the next player sits out.',
    },
    { name: 'Ten off joins', example: 'The total is 50. Ten off makes 40: the lamp of 40 is lit.' },
    { name: 'Up to ten joins', example: 'The total is 34. Up to ten makes 40: the lamp of 40 is lit.' },
    { name: 'Twice joins', example: 'A 3 made 37. Twice adds it again and makes 40: the lamp of 40 is lit.' },
    {
      name: 'What is missing joins',
      example: 'The total is 60. What is missing to 100 is 40: the lamp of 40 is lit.',
    },
    { name: 'The total is written by the child' },
    { name: 'In the head' },
  ],
} as const satisfies GameWords;
