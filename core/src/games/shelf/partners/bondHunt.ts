import type { Operation } from '../../../facts/operation.ts';
import { numberRecipe } from '../../../materials/pack.ts';
import { askCards } from '../../askFact.ts';
import { partners, type PartnerRules, type PartnerState } from '../../bodies/partners.ts';
import type { Game } from '../../game.ts';
import { numberSetting, oneSetting, operationSetting, packSetting } from '../../setting.ts';

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
  name: 'Bond hunt',
  family: 'partners',
  told: {
    aim: 'Find the cards that make the total, and keep them.',
    turn: [
      'Turn two cards that lie face down.',
      'Say what they make. Is it the total, keep them and turn again.',
      'If not, everyone looks; they are turned back, and the next player turns.',
    ],
    ends: 'When no cards are left that make the total.',
    example: 'The total is 10. A 4, then a 6: “four and six is ten”. Both are kept.',
  },
  seats: { least: 1, most: 4 },
  minutes: 8,
  steps: [
    {
      name: 'To 5, twelve cards',
      example: 'The total is 5. A 4, then an ace: “four and one is five”. Both are kept.',
      rules: rules(5, 12),
    },
    { name: 'To 10, twelve cards', rules: rules(10, 12) },
    { name: 'To 10, sixteen cards', rules: rules(10, 16) },
    {
      name: 'To 20, sixteen cards',
      example: 'The total is 20. A 9, then a jack: “nine and eleven is twenty”. Both are kept.',
      rules: rules(20, 16, { recipe: numberRecipe(7, 13) }),
    },
    {
      name: 'To 20, twenty cards',
      example: 'The total is 20. A 9, then a jack: “nine and eleven is twenty”. Both are kept.',
      rules: rules(20, 20, { recipe: numberRecipe(7, 13) }),
    },
    {
      name: 'To 10, two or three cards',
      example: 'The total is 10. A 4, an ace, then a 5: “four and one and five is ten”. All three are kept.',
      rules: rules(10, 16, { most: 3 }),
    },
    {
      name: 'Products of 24',
      example: 'The product is 24. A 4, then a 6: “four times six is twenty-four”. Both are kept.',
      rules: rules(24, 12, { operation: 'mul', recipe: numberRecipe(2, 12) }),
    },
  ],
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
