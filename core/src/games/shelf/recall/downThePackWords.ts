import type { GameWords } from '../../words.ts';

/** Down the pack in words. */
export const downThePackWords = {
  name: 'Down the pack',
  told: {
    aim: 'Say every pair on the way down the pack.',
    turn: ['Turn two cards off the pack.', 'Say what they make. A pair that was said is yours.'],
    ends: 'When the pack is out.',
    example: 'A 6 and a 5: “eleven”.',
  },
  steps: [
    { name: 'To 6' },
    { name: 'To 8', example: 'An 8 and a 5: “thirteen”.' },
    { name: 'To 10', example: 'A 9 and a 6: “fifteen”.' },
    {
      name: 'Faces ten, the ace eleven',
      example: 'A queen and a 7: “seventeen”. An ace and a 4: “fifteen”.',
    },
    { name: 'Both colours', example: 'A queen and a 7: “seventeen”. An ace and a 4: “fifteen”.' },
    { name: 'Times, to 10', example: 'A 9 and a 6: “fifty-four”.' },
  ],
} as const satisfies GameWords;
