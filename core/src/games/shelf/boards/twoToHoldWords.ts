import type { GameWords } from '../../words.ts';

export const countersEach = 10;

/** Two to hold in words. */
export const twoToHoldWords = {
  name: 'Two to hold',
  told: {
    aim: 'Hold the most squares with two counters of your own.',
    turn: [
      'Roll, say the fact, place a counter on its total; where it is there twice you choose.',
      'A lone counter of another goes back to its owner.',
      'Two of your own hold the square for good. A total that is held everywhere passes the turn.',
    ],
    ends: `When one player’s ${countersEach} counters are out.`,
    example: 'A 4 and a 5: “four and five is nine”. Your counter joins your other one on 9: you hold it.',
  },
  steps: [
    { name: 'Sums of two dice' },
    {
      name: 'Differences',
      example:
        'A 6 and a 2: “six take away two is four”. Your counter joins your other one on 4: you hold it.',
    },
    {
      name: 'Products',
      example:
        'A 4 and a 5: “four times five is twenty”. Your counter joins your other one on 20: you hold it.',
    },
    {
      name: 'Sums of three dice',
      example:
        'A 4, a 5 and a 2: “four and five and two is eleven”. Your counter joins your other one on 11: you hold it.',
    },
  ],
} as const satisfies GameWords;
