import type { GameWords } from '../../words.ts';

/** Boxes of a game. */
export const boxes = 6;

/** Rule box in words. */
export const ruleBoxWords = {
  name: 'Rule box',
  told: {
    aim: 'Find what the box does to a number, and the one pair in which it slipped.',
    turn: [
      'Numbers go in and come out, always by the same rule; one pair is wrong.',
      'Say the rule, and show the pair that does not fit.',
      'Then say what should have come out there.',
    ],
    ends: `After ${boxes} boxes.`,
    example: '2 gives 8, 5 gives 20, 3 gives 13: the box makes four times as much, so 3 should give 12.',
  },
  steps: [
    {
      name: 'It adds up to 5',
      example: '2 gives 6, 5 gives 9, 3 gives 8: the box adds four, so 3 should give 7.',
    },
    {
      name: 'It adds up to 12',
      example: '2 gives 11, 5 gives 14, 3 gives 13: the box adds nine, so 3 should give 12.',
    },
    {
      name: 'It takes away',
      example: '9 gives 5, 6 gives 2, 8 gives 3: the box takes four away, so 8 should give 4.',
    },
    { name: 'It makes so many times as much, up to 5' },
    {
      name: 'It makes so many times as much',
      example: '2 gives 14, 5 gives 35, 3 gives 20: the box makes seven times as much, so 3 should give 21.',
    },
    {
      name: 'It shares',
      example: '12 gives 3, 20 gives 5, 8 gives 3: the box shares by four, so 8 should give 2.',
    },
    {
      name: 'Any of them',
      example: '9 gives 3, 21 gives 7, 12 gives 6: the box shares by three, so 12 should give 4.',
    },
  ],
} as const satisfies GameWords;
