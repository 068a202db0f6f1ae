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
  /** How often the card is multiplied by itself; null: two cards are turned, and the smaller says it. */
  readonly exponent: 2 | 3 | null;
  /** Powers above it are put under and turned again. */
  readonly cap: number;
}

/** Base and exponent of the cards turned: the larger is the base. */
export function powerOf(
  exponent: PowerRules['exponent'],
  worths: readonly number[],
): readonly [number, number] {
  return [Math.max(...worths), exponent ?? Math.min(...worths)];
}
const valueOf = ({ exponent }: PowerRules, worths: readonly number[]): number => {
  const [base, times] = powerOf(exponent, worths);
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
    { ...squares, recipe: numberRecipe(2, 10), cards: 2, exponent: null, cap: 1000 },
  ]),
  settings: [
    packSetting(2),
    oneSetting('exponent', 'Exponent', [
      [2, '2: squares'],
      [3, '3: cubes'],
      [null, 'the smaller of two cards'],
    ]),
    numberSetting('cards', 'Cards turned', 1, 2),
    numberSetting('cap', 'Powers up to', 16, 10_000),
    yesNo('smaller', 'The smaller takes'),
  ],
  ownPacks: anyOwnPacks,
  operations: () => ['mul'],
  ...compare<PowerRules>({
    asks: ({ exponent }, seat, worths) => askPower(seat, ...powerOf(exponent, worths)),
    compares: ({ smaller }, seat, all) => askLarger(seat, all.flat(), smaller),
    value: (rules, worths) => fraction(valueOf(rules, worths)),
    fits: (rules, worths) => valueOf(rules, worths) <= rules.cap,
  }),
};
