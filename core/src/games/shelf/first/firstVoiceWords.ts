import { rollsPlayed } from '../../bodies/firstToSay.ts';
import type { Told } from '../../game.ts';
import type { GameWords } from '../../words.ts';

export const toldOfFirst: Told = {
  aim: 'Be the first to say the whole fact, and take what lies there.',
  turn: [
    'Two cards, or two dice, are turned together, by a player or by someone who does not play.',
    'Whoever says the whole fact first, and rightly, takes them.',
    'Nobody, or no agreement: they lie there for the next winner.',
  ],
  ends: `When the pack is out, or after ${rollsPlayed} rolls.`,
  example: 'A 6 and an 8: “six and eight is fourteen”. The first to have said it takes both cards.',
};

/** First voice in words. */
export const firstVoiceWords = {
  name: 'First voice',
  told: toldOfFirst,
  steps: [
    {
      name: 'Dice, sums',
      example: 'A 6 and a 5: “six and five is eleven”. The first to have said it wins the roll.',
    },
    { name: 'Cards to 10, sums' },
    {
      name: 'Ten-sided dice, sums',
      example: 'A 6 and an 8: “six and eight is fourteen”. The first to have said it wins the roll.',
    },
    {
      name: 'Differences',
      example: 'An 8 and a 6: “eight take away six is two”. The first to have said it takes both cards.',
    },
    {
      name: 'Products',
      example: 'A 6 and an 8: “six times eight is forty-eight”. The first to have said it takes both cards.',
    },
    {
      name: 'Three cards, sums',
      example:
        'A 6, an 8 and a 3: “six and eight and three is seventeen”. The first to have said it takes all three.',
    },
  ],
} as const satisfies GameWords;
