import type { GameWords } from '../../words.ts';

/** Looks of each player. */
export const looks = 6;

/** Pips at a glance in words. */
export const pipsAtGlanceWords = {
  name: 'Pips at a glance',
  told: {
    aim: 'See how many there are before they are gone, without counting.',
    turn: [
      'Look: the pips lie there for a moment, and are gone.',
      'Say how many there were, and how you saw them. Not sure: the next one looks.',
      'What was shown lies there again to be counted.',
    ],
    ends: 'After six looks of each.',
    example: 'Two threes side by side, three and three are seen: six.',
  },
  steps: [
    { name: 'Like on dice, two seconds' },
    { name: 'In a ten frame, two seconds', example: 'A full row and two more: seven.' },
    { name: 'In a ten frame, half a second', example: 'All but one of the frame: nine.' },
    { name: 'Scattered, to six', example: 'Three here and two there: five.' },
    { name: 'Two domino halves, how many together', example: 'Five and three: eight.' },
    { name: 'What is missing to ten', example: 'Seven lie in the frame: three are missing.' },
    { name: 'Its double', example: 'A four is seen: eight.' },
    { name: 'As groups', example: 'Three groups of four: twelve.' },
  ],
} as const satisfies GameWords;
