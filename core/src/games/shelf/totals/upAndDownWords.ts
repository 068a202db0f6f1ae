import type { GameWords } from '../../words.ts';

/** Turns of each player. */
export const rounds = 5;

/** Up and down in words. */
export const upAndDownWords = {
  name: 'Up and down',
  told: {
    aim: 'Have the most when everyone has had their turns.',
    turn: [
      'Turn your cards. Black adds, red takes away.',
      'Say the new total after each of them.',
      'A red card that would go below 0 does not count.',
    ],
    ends: `After ${rounds} turns each, or when the pack has too few for another round.`,
    example: 'You have 30. A black 7 and a red 4: “thirty-seven, thirty-three”.',
  },
  steps: [
    { name: 'Two cards, the total in sight' },
    { name: 'Two cards, in the head' },
    {
      name: 'Three cards, in the head',
      example: 'You have 30. A black 7, a red 4 and a red 9: “thirty-seven, thirty-three, twenty-four”.',
    },
    {
      name: 'Below 0 too',
      example: 'You have 3. A red 7: “three take away seven is minus four”.',
    },
    {
      name: 'Two-digit cards',
      example: 'You have 100. A black 2 and a 7 make 27: “a hundred and twenty-seven”.',
    },
  ],
} as const satisfies GameWords;
