import type { GameWords } from '../../words.ts';

/** Fact line in words. */
export const factLineWords = {
  name: 'Fact line',
  told: {
    aim: 'Mark a whole line of squares: across, down or from corner to corner.',
    turn: [
      'Choose a square and say your plan.',
      'Solve its fact to mark it.',
      'Not right: the partner may solve it and take the square.',
    ],
    ends: 'When a line is marked, or the board is full.',
    example: 'On a square stands 7 × 8: “seven eights are fifty-six”, and the square is yours.',
  },
  steps: [
    {
      name: 'Plain, without solving',
      example: 'You take the square in the middle: it is yours. Nothing is solved yet.',
    },
    {
      name: 'Sums and differences',
      example: 'On a square stands 7 + 8: “seven and eight is fifteen”, and the square is yours.',
    },
    { name: 'Products' },
    { name: 'Four by four' },
    { name: 'The child writes the facts' },
  ],
} as const satisfies GameWords;
