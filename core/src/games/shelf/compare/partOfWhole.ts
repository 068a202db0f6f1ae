import { numberRecipe } from '../../../materials/pack.ts';
import { fraction } from '../../../numbers/fraction.ts';
import { askLargerPart, askPartName } from '../../askPart.ts';
import { compare, type CompareRules, type CompareState } from '../../bodies/compare.ts';
import type { Game } from '../../game.ts';
import type { Part } from '../../../numbers/part.ts';
import { anyOwnPacks } from '../../ownPacks.ts';
import { numberSetting, oneSetting, packSetting, yesNo } from '../../setting.ts';
import { inWords } from '../../words.ts';
import { partOfWholeWords } from './partOfWholeWords.ts';

export interface PartRules extends CompareRules {
  /** What every fraction has alike where one card is turned; of two cards the first is the top, the second the bottom. */
  readonly alike: 'bottom' | 'top';
  /** The number alike. */
  readonly number: number;
}

const partOf = ({ alike, number }: PartRules, [first = 1, second]: readonly number[]): Part => {
  if (second !== undefined) return { top: first, bottom: second };
  return alike === 'bottom' ? { top: first, bottom: number } : { top: number, bottom: first };
};

const eighths: PartRules = {
  recipe: numberRecipe(1, 12),
  cards: 1,
  smaller: false,
  alike: 'bottom',
  number: 8,
};

export const partOfWhole: Game<PartRules, CompareState> = {
  id: 'part-of-whole',
  version: 1,
  family: 'compare',
  seats: { least: 1, most: 4 },
  minutes: 10,
  ...inWords(partOfWholeWords, [
    eighths,
    { ...eighths, alike: 'top', number: 3 },
    { ...eighths, recipe: numberRecipe(1, 10), cards: 2 },
    { ...eighths, recipe: numberRecipe(1, 10), cards: 2, smaller: true },
  ]),
  settings: [
    packSetting(1),
    oneSetting('cards', 'Cards turned', [
      [1, 'one: the other number is alike in all'],
      [2, 'two: the first on top'],
    ]),
    oneSetting('alike', 'Alike, where one card is turned', [
      ['bottom', 'the bottom'],
      ['top', 'the top'],
    ]),
    numberSetting('number', 'The number alike', 1, 12),
    yesNo('smaller', 'The smaller takes'),
  ],
  ownPacks: anyOwnPacks,
  operations: () => ['div'],
  ...compare<PartRules>({
    asks: (rules, seat, worths) => askPartName(seat, partOf(rules, worths)),
    compares: (rules, seat, all) =>
      askLargerPart(
        seat,
        all.map((worths) => partOf(rules, worths)),
        rules.smaller,
      ),
    value: (rules, worths) => {
      const { top, bottom } = partOf(rules, worths);
      return fraction(top, bottom);
    },
    asParts: partOf,
  }),
};
