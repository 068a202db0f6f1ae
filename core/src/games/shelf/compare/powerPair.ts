import { numberRecipe } from '../../../materials/pack.ts';
import { fraction } from '../../../numbers/fraction.ts';
import { askLarger, askPower } from '../../askFact.ts';
import { compare, type CompareRules, type CompareState } from '../../bodies/compare.ts';
import type { Game } from '../../game.ts';
import { anyOwnPacks } from '../../ownPacks.ts';
import { numberSetting, oneSetting, packSetting, yesNo } from '../../setting.ts';
import { inWords } from '../../words.ts';
import { powerPairWords } from './powerPairWords.ts';

export interface PowerRules extends CompareRules {
  /** How often a card turned alone is multiplied by itself; of two cards the smaller says it. */
  readonly exponent: 2 | 3;
  /** Powers above it are put under and turned again. */
  readonly cap: number;
}

/** Base and exponent of the cards turned: the larger is the base. */
const powerOf = ({ exponent }: PowerRules, worths: readonly number[]): readonly [number, number] => [
  Math.max(...worths),
  worths.length === 1 ? exponent : Math.min(...worths),
];
const valueOf = (rules: PowerRules, worths: readonly number[]): number => {
  const [base, times] = powerOf(rules, worths);
  return base ** times;
};

const squares: PowerRules = { recipe: numberRecipe(2, 12), cards: 1, smaller: false, exponent: 2, cap: 144 };

export const powerPair: Game<PowerRules, CompareState> = {
  id: 'power-pair',
  version: 1,
  family: 'compare',
  seats: { least: 1, most: 4 },
  minutes: 8,
  ...inWords(powerPairWords, [
    squares,
    { ...squares, recipe: numberRecipe(2, 10), exponent: 3, cap: 1000 },
    { ...squares, recipe: numberRecipe(2, 10), cards: 2, cap: 1000 },
  ]),
  settings: [
    packSetting(2),
    oneSetting('cards', 'Cards turned', [
      [1, 'one'],
      [2, 'two: the smaller is the exponent'],
    ]),
    oneSetting('exponent', 'Exponent of one card', [
      [2, '2: squares'],
      [3, '3: cubes'],
    ]),
    numberSetting('cap', 'Powers up to', 16, 10_000),
    yesNo('smaller', 'The smaller takes'),
  ],
  ownPacks: anyOwnPacks,
  operations: () => ['mul'],
  ...compare<PowerRules>({
    asks: (rules, seat, worths) => askPower(seat, ...powerOf(rules, worths)),
    compares: ({ smaller }, seat, all) => askLarger(seat, all.flat(), smaller),
    value: (rules, worths) => fraction(valueOf(rules, worths)),
    fits: (rules, worths) => valueOf(rules, worths) <= rules.cap,
  }),
};
