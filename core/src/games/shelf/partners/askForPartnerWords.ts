import type { GameWords } from '../../words.ts';

/** Cards dealt to each. */
export const handSize = 6;

/** Ask for its partner in words. */
export const askForPartnerWords = {
  name: 'Ask for its partner',
  told: {
    aim: 'Have the most cards by asking for the partner of a card in your hand.',
    turn: [
      `Each has ${handSize} cards. Choose one of yours and say what goes with it to make the total.`,
      'Whoever has that partner gives it: lay the two together, and ask again.',
      'Nobody has it: draw a card. It is the next one’s turn.',
    ],
    ends: 'When the pack is out and no two cards go together any more.',
    example:
      'The total is 10. I hold a 7: “seven and three is ten. Who has a three?” You give it: two cards.',
  },
  steps: [
    { name: 'Total 10, open hands' },
    { name: 'Total 10, hands closed' },
    {
      name: 'Total 20, hands closed',
      example: 'The total is 20. I hold a 12: “twelve and eight is twenty. Who has an eight?” You give it.',
    },
    {
      name: 'Products of 24',
      example: 'The product is 24. I hold a 6: “six fours are twenty-four. Who has a four?” You give it.',
    },
    {
      name: 'Products of 36',
      example: 'The product is 36. I hold a 9: “nine fours are thirty-six. Who has a four?” You give it.',
    },
  ],
} as const satisfies GameWords;
