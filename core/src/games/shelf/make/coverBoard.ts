import { allRolls, type DieSides } from '../../../materials/dice.ts';
import type { Sign } from '../../../numbers/expression.ts';
import { keptBy } from '../../../random/keptBy.ts';
import { reach, type Reach } from '../../../numbers/reach.ts';
import { askMade, madeUpTo, type Making } from '../../askMade.ts';
import type { ChoosingState } from '../../bodies/choosing.ts';
import type { Play } from '../../game.ts';

export interface CoverRules {
  readonly dice: readonly DieSides[];
  readonly signs: readonly Sign[];
  /** Squares of the board: the smallest numbers that the dice make. */
  readonly squares: number;
}

/** The numbers of a board, and how many rolls make each. */
interface Board {
  readonly numbers: readonly number[];
  readonly ways: ReadonlyMap<number, number>;
}
const boards = new Map<string, Board>();

/** Every number the dice make above 0, the smallest so many, each by every die; and how many rolls make each. */
export const boardOf = keptBy(boardLaid);

function boardLaid(one: CoverRules): Board {
  const key = JSON.stringify(one);
  const known = boards.get(key);
  if (known) return known;
  const ways = new Map<number, number>();
  for (const roll of allRolls(one.dice))
    for (const value of reach({ numbers: roll, signs: one.signs, from: 1, to: 999, least: roll.length })
      .values)
      ways.set(value, (ways.get(value) ?? 0) + 1);
  const numbers = [...ways.keys()].sort((a, b) => a - b).slice(0, one.squares);
  const made = { numbers, ways };
  boards.set(key, made);
  return made;
}

/** The numbers of the board, ascending. */
export const boardNumbers = (one: CoverRules): readonly number[] => boardOf(one).numbers;

export interface CoverLies {
  /** By square: the seat that covered it, or null. */
  readonly covered: readonly (number | null)[];
  readonly spares: readonly number[];
  readonly roll: readonly number[] | null;
}

export const makingOf = ({ rules: { dice, signs } }: Play<CoverRules>, roll: CoverLies['roll']): Making => ({
  numbers: roll ?? [],
  signs,
  // Every die is used.
  least: dice.length,
});

/** The numbers of the board that a roll makes; none where nothing is rolled. */
export const reachOf = (play: Play<CoverRules>, roll: CoverLies['roll']): Pick<Reach, 'has'> =>
  roll === null ? { has: () => false } : madeUpTo(makingOf(play, roll), largestOf(play.rules));
const largestOf = (one: CoverRules) => boardNumbers(one).at(-1) ?? 1;

/** The number that the fewest rolls make, of those that can be covered. */
export function bestOf(play: Play<CoverRules>, state: ChoosingState & CoverLies) {
  const { numbers, ways } = boardOf(play.rules);
  const waysOf = (at: number) => ways.get(numbers[at] as number) ?? 0;
  const made = reachOf(play, state.roll);
  const [best] = [...numbers.keys()]
    .filter((at) => state.covered[at] === null && made.has(numbers[at] as number))
    .sort((a, b) => waysOf(a) - waysOf(b));
  if (best === undefined) return undefined;
  const number = numbers[best] as number;
  const asked = askMade(state.turn, makingOf(play, state.roll), number);
  return asked && { key: `${best} ${number}`, whole: asked.whole };
}
