import type { GameWords } from '../../words.ts';

/** Bond watch in words. */
export const bondWatchWords = {
  name: 'Bond watch',
  told: {
    aim: 'Be the first to see two that make the total, cover the pile and say what they make.',
    turn: [
      'One card at a time is turned onto a pile.',
      'With the one before it makes the total: whoever covers the pile first says the two and takes it.',
      'Covered when they do not make it: it costs a card.',
    ],
    ends: 'When the pack is out.',
    example: 'The total is 10. On a 7 comes a 3: “seven and three is ten”, and the pile is taken.',
  },
  steps: [
    {
      name: 'Total 5',
      example: 'The total is 5. On a 4 comes an ace: “four and one is five”, and the pile is taken.',
    },
    { name: 'Total 10' },
    {
      name: 'Total 12',
      example: 'The total is 12. On a 7 comes a 5: “seven and five is twelve”, and the pile is taken.',
    },
    {
      name: 'Total 20',
      example: 'The total is 20. On a jack comes a 9: “eleven and nine is twenty”, and the pile is taken.',
    },
  ],
} as const satisfies GameWords;
