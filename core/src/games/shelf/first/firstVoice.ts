import { operationNames } from '../../../facts/operation.ts';
import type { DieSides } from '../../../materials/dice.ts';
import { numberRecipe } from '../../../materials/pack.ts';
import { askCards } from '../../askFact.ts';
import {
  firstToSay,
  rollsPlayed,
  type FirstToSayRules,
  type FirstToSayState,
} from '../../bodies/firstToSay.ts';
import type { Game, Told } from '../../game.ts';
import { numberSetting, oneSetting, packSetting } from '../../setting.ts';

export const cards = (most: number, over: Partial<FirstToSayRules> = {}): FirstToSayRules => ({
  recipe: numberRecipe(1, most),
  dice: [],
  cards: 2,
  operations: ['add'],
  signal: null,
  ...over,
});
const dice = (sides: DieSides): FirstToSayRules => ({ ...cards(10), recipe: null, dice: [sides, sides] });

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

export const firstVoice: Game<FirstToSayRules, FirstToSayState> = {
  id: 'first-voice',
  name: 'First voice',
  family: 'first',
  told: toldOfFirst,
  seats: { least: 1, most: 4 },
  minutes: 8,
  steps: [
    {
      name: 'Dice, sums',
      example: 'A 6 and a 5: “six and five is eleven”. The first to have said it wins the roll.',
      rules: dice(6),
    },
    { name: 'Cards to 10, sums', rules: cards(10) },
    {
      name: 'Ten-sided dice, sums',
      example: 'A 6 and an 8: “six and eight is fourteen”. The first to have said it wins the roll.',
      rules: dice(10),
    },
    {
      name: 'Differences',
      example: 'An 8 and a 6: “eight take away six is two”. The first to have said it takes both cards.',
      rules: cards(10, { operations: ['sub'] }),
    },
    {
      name: 'Products',
      example: 'A 6 and an 8: “six times eight is forty-eight”. The first to have said it takes both cards.',
      rules: cards(10, { operations: ['mul'] }),
    },
    {
      name: 'Three cards, sums',
      example:
        'A 6, an 8 and a 3: “six and eight and three is seventeen”. The first to have said it takes all three.',
      rules: cards(10, { cards: 3 }),
    },
  ],
  settings: [
    packSetting(1),
    numberSetting('cards', 'Cards turned', 2, 3),
    oneSetting(
      'operations',
      'Operation',
      (['add', 'sub', 'mul'] as const).map((one) => [[one], operationNames[one].toLowerCase()]),
    ),
  ],
  ...firstToSay({ asks: askCards }),
};
