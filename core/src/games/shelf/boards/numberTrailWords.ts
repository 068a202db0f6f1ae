import type { GameWords } from '../../words.ts';

/** Number trail in words. */
export const numberTrailWords = {
  name: 'Number trail',
  told: {
    aim: 'Be the first at the end of the trail.',
    turn: [
      'Roll, and count your counter on.',
      'Say the number that belongs on the square. Right: it is written there, and you stay.',
      'Where another’s counter stands, it goes back to the first square.',
    ],
    ends: 'When somebody is on the last square.',
    example: 'A trail of fives: from 15 with a 3 to “thirty”.',
  },
  steps: [
    { name: 'Ones', example: 'From 12 with a 5: “twelve and five is seventeen”.' },
    { name: 'Odd numbers', example: 'From 7 with a 2: “eleven”.' },
    { name: 'Twos', example: 'From 8 with a 3: “fourteen”.' },
    { name: 'Fives' },
    { name: 'Tens', example: 'From 40 with a 3: “seventy”.' },
    { name: 'Threes', example: 'From 12 with a 3: “twenty-one”.' },
    { name: 'Fours', example: 'From 12 with a 3: “twenty-four”.' },
    { name: 'Sixes', example: 'From 12 with a 3: “thirty”.' },
    { name: 'Sevens', example: 'From 21 with a 3: “forty-two”.' },
    { name: 'Eights', example: 'From 24 with a 3: “forty-eight”.' },
    { name: 'Nines', example: 'From 27 with a 3: “fifty-four”.' },
    { name: 'Sevens, turning back', example: 'From 21 with a 3: “forty-two”.' },
  ],
} as const satisfies GameWords;
