import type { GameWords } from '../../words.ts';

/** Stretch or fold in words. */
export const stretchOrFoldWords = {
  name: 'Stretch or fold',
  told: {
    aim: 'Land on the target exactly.',
    turn: [
      'Roll the die. Double it, or halve it if it is even.',
      'Say what that makes, add it to the total and say the new one.',
      'Never over the target. Who can move must; who cannot waits.',
    ],
    ends: 'When a total lands on the target.',
    example: 'At 20 of 24 a 4 comes up: doubled it makes 28, too far; halved it makes 22.',
  },
  steps: [
    { name: 'To 24' },
    { name: 'To 36', example: 'At 30 of 36 a 4 comes up: doubled it makes 38, too far; halved it makes 32.' },
    { name: 'To 60', example: 'At 54 of 60 a 4 comes up: doubled it makes 62, too far; halved it makes 56.' },
    {
      name: 'To 60 with a ten-sided die',
      example: 'At 50 of 60 an 8 comes up: doubled it makes 66, too far; halved it makes 54.',
    },
  ],
} as const satisfies GameWords;
