import type { Operation } from '../../../facts/operation.ts';
import { numberRecipe } from '../../../materials/pack.ts';
import { askCards } from '../../askFact.ts';
import { partners, type PartnerRules, type PartnerState } from '../../bodies/partners.ts';
import type { Game } from '../../game.ts';
import { numberSetting, oneSetting, operationSetting, packSetting } from '../../setting.ts';
import { inWords } from '../../words.ts';
import { bondHuntWords } from './bondHuntWords.ts';

export interface BondRules extends PartnerRules {
  readonly total: number;
  readonly operation: Operation & ('add' | 'mul');
  readonly most: 2 | 3;
}

const across = 4;
const made = ({ operation }: BondRules, worths: readonly number[]) =>
  worths.reduce((a, b) => (operation === 'mul' ? a * b : a + b));
const rules = (total: number, cards: number, over: Partial<BondRules> = {}): BondRules => ({
  recipe: numberRecipe(1, Math.min(10, total - 1)),
  total,
  operation: 'add',
  cards,
  most: 2,
  ...over,
});

export const bondHunt: Game<BondRules, PartnerState> = {
  id: 'bond-hunt',
  version: 2,
  family: 'partners',
  seats: { least: 1, most: 4 },
  minutes: 8,
  ...inWords(bondHuntWords, [
    rules(5, 12),
    rules(10, 12),
    rules(10, 16),
    rules(20, 16, { recipe: numberRecipe(7, 13) }),
    rules(20, 20, { recipe: numberRecipe(7, 13) }),
    rules(10, 16, { most: 3 }),
    rules(24, 12, { operation: 'mul', recipe: numberRecipe(2, 12) }),
  ]),
  settings: [
    packSetting(1),
    numberSetting('total', 'Total', 3, 144),
    operationSetting('operation', ['add', 'mul']),
    oneSetting('cards', 'Cards', [
      [8, '8'],
      [12, '12'],
      [16, '16'],
      [20, '20'],
    ]),
    oneSetting('most', 'Cards that make it', [
      [2, 'two'],
      [3, 'two or three'],
    ]),
  ],
  operations: ({ operation }) => [operation],
  materials: ({ recipe, total, cards }) => ({
    pack: recipe,
    dice: [],
    others: [`${cards} cards that make ${total} in pairs, face down in rows of ${across}`],
  }),
  ...partners<BondRules>({
    fit: (rules_, worths) => made(rules_, worths) === rules_.total,
    mayFit: (rules_, worths) => made(rules_, worths) < rules_.total,
    asks: ({ operation }, seat, worths) => askCards(seat, operation, worths),
    total: ({ total }) => total,
  }),
};
