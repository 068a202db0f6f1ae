import type { GameWords } from '../../words.ts';

/** Outweigh in words. */
export const outweighWords = {
  name: 'Outweigh',
  told: {
    aim: 'Take the most cards by turning the larger result.',
    turn: [
      'One after the other turns their cards and says the whole fact at once. Alone, say the pack’s too.',
      'The larger result takes all the cards that lie there.',
      'Alike: each lays three face down and turns again; the larger takes everything.',
    ],
    ends: 'When the pack or the time is out. Cards left in a tie with too few to lay are shared.',
    example:
      '7 and 6 against 9 and 3: “seven and six is thirteen”, “nine and three is twelve”. Thirteen takes four cards.',
  },
  steps: [
    { name: 'One card, the larger', example: '7 against 4: “seven is larger”, and takes both cards.' },
    {
      name: 'Sums to 5 and 5',
      example:
        '4 and 5 against 3 and 2: “four and five is nine”, “three and two is five”. Nine takes four cards.',
    },
    { name: 'Sums to 10 and 10' },
    {
      name: 'Differences',
      example:
        '9 and 3 against 7 and 6: “nine take away three is six”, “seven take away six is one”. Six takes four cards.',
    },
    {
      name: 'Products',
      example:
        '7 and 6 against 9 and 3: “seven times six is forty-two”, “nine times three is twenty-seven”. Forty-two takes four cards.',
    },
    {
      name: 'Quotients, larger by smaller',
      example:
        '8 and 2 against 9 and 3: “eight divided by two is four”, “nine divided by three is three”. Four takes four cards.',
    },
    {
      name: 'Products, the smaller takes',
      example:
        '7 and 6 against 9 and 3: “seven times six is forty-two”, “nine times three is twenty-seven”. Twenty-seven takes four cards.',
    },
    {
      name: 'Three cards',
      example:
        '7, 6 and 2 against 9, 3 and 1: “seven and six and two is fifteen”, “nine and three and one is thirteen”. Fifteen takes six cards.',
    },
  ],
} as const satisfies GameWords;
