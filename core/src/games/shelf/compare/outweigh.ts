import type { Operation } from '../../../facts/operation.ts';
import { resultOf } from '../../../materials/deckOdds.ts';
import { deckOf, numberRecipe, packOf } from '../../../materials/pack.ts';
import { askCards, askLarger } from '../../askFact.ts';
import { compare, type CompareRules, type CompareState } from '../../bodies/compare.ts';
import type { Game } from '../../game.ts';
import { anyOwnPacks } from '../../ownPacks.ts';
import { numberSetting, oneSetting, packSetting, yesNo } from '../../setting.ts';
import { inWords } from '../../words.ts';
import { outweighWords } from './outweighWords.ts';

export interface OutweighRules extends CompareRules {
  /** What is said; null: one card each, and which is larger. */
  readonly operation: Operation | null;
}

const recipe = (most: number) => numberRecipe(1, most);
const first: OutweighRules = { recipe: recipe(10), cards: 1, operation: null, smaller: false };

export const outweigh: Game<OutweighRules, CompareState> = {
  id: 'outweigh',
  version: 2,
  family: 'compare',
  seats: { least: 1, most: 4 },
  minutes: 10,
  ...inWords(outweighWords, [
    first,
    { ...first, recipe: recipe(5), cards: 2, operation: 'add' },
    { ...first, cards: 2, operation: 'add' },
    { ...first, cards: 2, operation: 'sub' },
    { ...first, cards: 2, operation: 'mul' },
    { ...first, cards: 2, operation: 'div' },
    { ...first, cards: 2, operation: 'mul', smaller: true },
    { ...first, cards: 3, operation: 'add' },
  ]),
  settings: [
    packSetting(1),
    numberSetting('cards', 'Cards turned', 1, 4),
    oneSetting('operation', 'Operation', [
      [null, 'none: cards are only compared'],
      ['add', 'addition'],
      ['sub', 'subtraction'],
      ['mul', 'multiplication'],
      ['div', 'division'],
    ]),
    yesNo('smaller', 'The smaller takes'),
  ],
  ownPacks: anyOwnPacks,
  operations: ({ operation }) => (operation === null ? [] : [operation]),
  draw: ({ recipe: own, operation, cards }) =>
    operation !== null && cards === 2 ? { kind: 'pairs', operation, deck: deckOf(packOf(own)) } : null,
  ...compare<OutweighRules>({
    asks: ({ operation }, seat, worths) => operation && askCards(seat, operation, worths),
    compares: ({ smaller }, seat, all) => askLarger(seat, all.flat(), smaller),
    value: ({ operation }, worths) => resultOf(worths, operation ?? 'add'),
  }),
};
