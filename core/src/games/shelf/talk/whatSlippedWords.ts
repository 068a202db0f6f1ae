import type { GameWords } from '../../words.ts';

export const items = 6;

/** What slipped? in words. */
export const whatSlippedWords = {
  name: 'What slipped?',
  told: {
    aim: 'Find every way to mend what is not true.',
    turn: [
      'Look alone: something in the line slipped.',
      'Talk with a partner: which one thing could be changed to make it true?',
      'Explain a mend, then look for another. There is often more than one.',
    ],
    ends: `After ${items} of them.`,
    example: '7 × 8 = 54 is mended as 7 × 8 = 56; as 6 × 9 it would take two changes, and does not count.',
  },
  steps: [
    {
      name: 'Sums and differences',
      example: '7 + 8 = 16 is mended as 7 + 8 = 15; as 9 + 6 it would take two changes, and does not count.',
    },
    { name: 'Products' },
    {
      name: 'Stories',
      example:
        'There are 9 apples on the table and 4 are eaten. 6 are left: 5 would be true, or 10 on the table.',
    },
    {
      name: 'In and out',
      example: '2 gives 6, 3 gives 9, 5 gives 14: each is three times, so the last is mended as 15.',
    },
    {
      name: 'Tens and ones',
      example:
        '4 tens and 7 ones are 74: 47 would be true; 7 tens and 4 ones take two changes, and do not count.',
    },
    { name: 'Anything' },
  ],
} as const satisfies GameWords;
