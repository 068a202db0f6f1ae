import type { Operation } from '../../../facts/operation.ts';
import { resultOf } from '../../../materials/deckOdds.ts';
import { numberRecipe } from '../../../materials/pack.ts';
import { askCards, askLarger } from '../../askFact.ts';
import { compare, type CompareRules, type CompareState } from '../../bodies/compare.ts';
import type { Game } from '../../game.ts';
import { anyOwnPacks } from '../../ownPacks.ts';
import { numberSetting, oneSetting, packSetting, yesNo } from '../../setting.ts';

export interface OutweighRules extends CompareRules {
  /** What is said; null: one card each, and which is larger. */
  readonly operation: Operation | null;
}

const recipe = (most: number) => numberRecipe(1, most);
const first: OutweighRules = { recipe: recipe(10), cards: 1, operation: null, smaller: false };

export const outweigh: Game<OutweighRules, CompareState> = {
  id: 'outweigh',
  name: 'Outweigh',
  family: 'compare',
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
  seats: { least: 1, most: 4 },
  minutes: 10,
  steps: [
    {
      name: 'One card, the larger',
      example: '7 against 4: “seven is larger”, and takes both cards.',
      rules: first,
    },
    {
      name: 'Sums to 5 and 5',
      example:
        '4 and 5 against 3 and 2: “four and five is nine”, “three and two is five”. Nine takes four cards.',
      rules: { ...first, recipe: recipe(5), cards: 2, operation: 'add' },
    },
    { name: 'Sums to 10 and 10', rules: { ...first, cards: 2, operation: 'add' } },
    {
      name: 'Differences',
      example:
        '9 and 3 against 7 and 6: “nine take away three is six”, “seven take away six is one”. Six takes four cards.',
      rules: { ...first, cards: 2, operation: 'sub' },
    },
    {
      name: 'Products',
      example:
        '7 and 6 against 9 and 3: “seven times six is forty-two”, “nine times three is twenty-seven”. Forty-two takes four cards.',
      rules: { ...first, cards: 2, operation: 'mul' },
    },
    {
      name: 'Quotients, larger by smaller',
      example:
        '8 and 2 against 9 and 3: “eight divided by two is four”, “nine divided by three is three”. Four takes four cards.',
      rules: { ...first, cards: 2, operation: 'div' },
    },
    {
      name: 'Products, the smaller takes',
      example:
        '7 and 6 against 9 and 3: “seven times six is forty-two”, “nine times three is twenty-seven”. Twenty-seven takes four cards.',
      rules: { ...first, cards: 2, operation: 'mul', smaller: true },
    },
    {
      name: 'Three cards',
      example:
        '7, 6 and 2 against 9, 3 and 1: “seven and six and two is fifteen”, “nine and three and one is thirteen”. Fifteen takes six cards.',
      rules: { ...first, cards: 3, operation: 'add' },
    },
  ],
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
  ...compare<OutweighRules>({
    asks: ({ operation }, seat, worths) => operation && askCards(seat, operation, worths),
    compares: ({ smaller }, seat, all) => askLarger(seat, all.flat(), smaller),
    value: ({ operation }, worths) => resultOf(worths, operation ?? 'add'),
  }),
};
