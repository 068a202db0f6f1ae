import type { GameWords } from '../../words.ts';

/** Rolls of each player. */
export const rolls = 5;

/** Onto ten, from a hundred in words. */
export const ontoTenWords = {
  name: 'Onto ten, from a hundred',
  told: {
    aim: 'Lay out and say the whole line of every roll.',
    turn: [
      'Roll the die.',
      'Put what it shows onto ten, double it, or take it from a hundred, as the board says.',
      'Say each line whole; one that was said is yours.',
    ],
    ends: `After ${rolls} rolls each.`,
    example:
      'A 4: “ten and four is fourteen”, “four and four is eight”, “a hundred less four is ninety-six”.',
  },
  steps: [
    { name: 'Onto ten', example: 'A 4: “ten and four is fourteen”.' },
    {
      name: 'The double joins',
      example: 'A 4: “ten and four is fourteen”, “four and four is eight”.',
    },
    { name: 'From a hundred joins' },
    {
      name: 'Ten-sided',
      example:
        'A 9: “ten and nine is nineteen”, “nine and nine is eighteen”, “a hundred less nine is ninety-one”.',
    },
  ],
} as const satisfies GameWords;
