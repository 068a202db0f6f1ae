import type { GameWords } from '../../words.ts';

/** Close the gaps in words. */
export const closeTheGapsWords = {
  name: 'Close the gaps',
  told: {
    aim: 'Cover what makes ten, until the whole pack is laid.',
    turn: [
      'Cards lie open. Pick up two that make ten and say them: “seven and three is ten”.',
      'Or any four that are worth ten each: “ten, twenty, thirty, forty”.',
      'Each that was picked up is covered with the next card of the pack.',
    ],
    ends: 'When the pack is out, or nothing makes ten any more.',
    example: 'A 7 and a 3: “seven and three is ten”. Two new cards cover them.',
  },
  steps: [{ name: 'Twelve spaces' }, { name: 'Nine spaces' }],
} as const satisfies GameWords;
