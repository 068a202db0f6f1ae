import { operationNames } from '../../../facts/operation.ts';
import type { DieSides } from '../../../materials/dice.ts';
import { numberRecipe } from '../../../materials/pack.ts';
import { askCards } from '../../askFact.ts';
import { firstToSay, type FirstToSayRules, type FirstToSayState } from '../../bodies/firstToSay.ts';
import type { Game } from '../../game.ts';
import { numberSetting, oneSetting, packSetting } from '../../setting.ts';
import { inWords } from '../../words.ts';
import { firstVoiceWords } from './firstVoiceWords.ts';

export const cards = (most: number, over: Partial<FirstToSayRules> = {}): FirstToSayRules => ({
  recipe: numberRecipe(1, most),
  dice: [],
  cards: 2,
  operations: ['add'],
  signal: null,
  ...over,
});
const dice = (sides: DieSides): FirstToSayRules => ({ ...cards(10), recipe: null, dice: [sides, sides] });

export const firstVoice: Game<FirstToSayRules, FirstToSayState> = {
  id: 'first-voice',
  version: 2,
  family: 'first',
  seats: { least: 1, most: 4 },
  minutes: 8,
  ...inWords(firstVoiceWords, [
    dice(6),
    cards(10),
    dice(10),
    cards(10, { operations: ['sub'] }),
    cards(10, { operations: ['mul'] }),
    cards(10, { cards: 3 }),
  ]),
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
