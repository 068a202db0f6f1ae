import type { GameWords } from '../../words.ts';

export const rounds = 5;

/** Under the line in words. */
export const underTheLineWords = {
  name: 'Under the line',
  told: {
    aim: 'Lay two 2-digit numbers with a sum as near the line as can be, and not over it.',
    turn: [
      'Everyone gets four cards and lays them as two numbers of tens and ones.',
      'Say the sum. The nearest under the line takes the point; equally near, each takes one.',
      'Nothing fits under the line: say so. If that is true, new cards are dealt.',
    ],
    ends: `After ${rounds} rounds.`,
    example: 'The line is 110 and there lie 2, 5, 6 and 4: 56 + 42 = 98 is good, 65 + 42 = 107 is better.',
  },
  steps: [
    { name: 'Under 110, with a place frame' },
    { name: 'Under 110, in the head' },
    {
      name: 'Under 150',
      example: 'The line is 150 and there lie 7, 5, 6 and 4: 76 + 45 = 121 is good, 75 + 64 = 139 is better.',
    },
    {
      name: 'A difference near 30',
      example:
        'The difference is to come near 30 and there lie 2, 5, 6 and 4: 65 − 42 = 23 is good, 54 − 26 = 28 is better.',
    },
  ],
} as const satisfies GameWords;
