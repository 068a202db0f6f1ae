import type { GameWords } from '../../words.ts';

/** Rolls of each player. */
export const rounds = 3;

/** Handful in words. */
export const handfulWords = {
  name: 'Handful',
  told: {
    aim: 'Take out of a handful of dice what makes ten, and leave as few as you can.',
    turn: [
      'Roll all the dice at once.',
      'Pick up dice that make ten, say them and take them out; then look for more.',
      'Nothing more makes ten: say so, and the next player rolls.',
    ],
    ends: `After ${rounds} rolls each.`,
    example: 'A 6 and a 4: “six and four is ten”. Both are taken out.',
  },
  steps: [
    { name: 'Pairs' },
    {
      name: 'Any groups',
      example: 'A 5, a 3 and a 2: “five and three and two is ten”. All three are taken out.',
    },
    {
      name: 'Ten-sided dice',
      example: 'An 8, a 2 and a 0: “eight and two and nought is ten”. All three are taken out.',
    },
  ],
} as const satisfies GameWords;
