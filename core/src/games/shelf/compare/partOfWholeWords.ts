import type { GameWords } from '../../words.ts';

/** Part of whole in words. */
export const partOfWholeWords = {
  name: 'Part of whole',
  told: {
    aim: 'Take the most cards by turning the larger part of a whole.',
    turn: [
      'One after the other turns two cards: the first is the top, the second the bottom.',
      'Name the fraction: numerator, denominator, proper or improper. Then say which is larger.',
      'The larger takes all that lies there; alike: three face down, and turn again.',
    ],
    ends: 'When the pack or the time is out.',
    example:
      '3 and 4 against 2 and 3: “three quarters, proper”, “two thirds, proper”. Nine twelfths are more than eight: four cards.',
  },
  steps: [
    {
      name: 'Eighths: the same bottom',
      example: '5 against 11: “five eighths, proper”, “eleven eighths, improper”. Eleven eighths take both.',
    },
    {
      name: 'Three parts: the same top',
      example: '4 against 8: “three quarters”, “three eighths”. Quarters are larger than eighths: two cards.',
    },
    { name: 'Any, two cards' },
    {
      name: 'Any, the smaller takes',
      example:
        '3 and 4 against 2 and 3: “three quarters, proper”, “two thirds, proper”. Eight twelfths take four cards.',
    },
  ],
} as const satisfies GameWords;
