import { allChoices, lastOf, sizeOf } from './choice.ts';
import { numberUsed, signs, step, type Expression, type Sign } from './expression.ts';

/** What is asked of the numbers: each used at most once, whole-number steps at or above 0, exact division. */
export interface ReachAsk {
  readonly numbers: readonly number[];
  readonly signs?: readonly Sign[];
  /** Values wanted, both ends included; whole numbers. */
  readonly from: number;
  readonly to: number;
  /** The fewest numbers a line uses; 1 when left out. */
  readonly least?: number;
}

/** Every value that some of the numbers make. */
export interface Reach {
  /** In ascending order. */
  readonly values: readonly number[];
  readonly has: (value: number) => boolean;
  /** A line with as few numbers as any has; undefined when there is none. */
  readonly lineFor: (value: number) => Expression | undefined;
}

/** The most numbers a line may be made of. */
export const mostNumbers = 7;
/** The widest range of values asked at once. */
export const widestRange = 10_000_000;

/** The values made of all the numbers of one choice, and how each was made first. */
interface Table {
  readonly values: number[];
  readonly at: Map<number, number>;
  /** Per value four numbers: the sign, the choice of its left part, the left and the right value. */
  readonly made: number[];
}

/**
 * Works out what the numbers reach, exhaustively. A choice of numbers is worked out from every way to part it in two;
 * choices of few numbers first, so that the first line found for a value uses as few as any.
 * Throws RangeError for numbers that are not whole, below 0, too many, or a range that is none.
 */
export function reach(ask: ReachAsk): Reach {
  const steps = reachSteps(ask);
  for (;;) {
    const next = steps.next();
    if (next.done) return next.value;
  }
}

/** The same in steps, each giving the share done, for a worker that tells progress and can be stopped. */
export function* reachSteps(ask: ReachAsk): Generator<number, Reach> {
  check(ask);
  const { numbers, from, to } = ask;
  const allowed = ask.signs ?? signs;
  const least = ask.least ?? 1;
  const all = (1 << numbers.length) - 1;
  const width = to - from + 1;
  /** For each value of the range, one more than the place in `first` where its line is told; 0: not made. */
  const found = new Int32Array(width);
  const first: number[] = [];
  const tables = new Map<number, Table>();
  const note = (
    value: number,
    sign: number,
    choice: number,
    left: number,
    leftValue: number,
    right: number,
  ) => {
    if (value < from || value > to || found[value - from] !== 0 || sizeOf(choice) < least) return;
    found[value - from] = first.push(sign, choice, left, leftValue, right) - 4;
  };
  const choices = allChoices(numbers.length);
  let done = 0;
  for (const choice of choices) {
    const size = sizeOf(choice);
    // Of all the numbers together only the values of the range are kept.
    const table: Table | undefined =
      choice === all && size > 1 ? undefined : { values: [], at: new Map(), made: [] };
    const add = (value: number, sign: number, left: number, leftValue: number, right: number) => {
      if (table && !table.at.has(value)) {
        table.at.set(value, table.values.push(value) - 1);
        table.made.push(sign, left, leftValue, right);
      }
      note(value, sign, choice, left, leftValue, right);
    };
    if (size === 1) add(numbers[lastOf(choice)] as number, -1, 0, 0, 0);
    else
      for (let left = (choice - 1) & choice; left > 0; left = (left - 1) & choice)
        if (left > (choice ^ left))
          combine(
            allowed,
            tables.get(left) as Table,
            tables.get(choice ^ left) as Table,
            left,
            choice ^ left,
            add,
          );
    if (table) tables.set(choice, table);
    done += 1;
    if (size > 3) yield done / all;
  }
  const build = (choice: number, value: number): Expression => {
    const table = tables.get(choice) as Table;
    const at = 4 * (table.at.get(value) as number);
    return join(
      choice,
      table.made[at] as number,
      table.made[at + 1] as number,
      table.made[at + 2] as number,
      table.made[at + 3] as number,
    );
  };
  const join = (choice: number, sign: number, left: number, leftValue: number, right: number): Expression =>
    sign < 0
      ? numberUsed(numbers[lastOf(choice)] as number)
      : step(signs[sign] as Sign, build(left, leftValue), build(choice ^ left, right));
  const values: number[] = [];
  for (let at = 0; at < width; at += 1) if (found[at] !== 0) values.push(from + at);
  return {
    values,
    has: (value) => Number.isInteger(value) && value >= from && value <= to && found[value - from] !== 0,
    lineFor: (value) => {
      const at = (found[value - from] ?? 0) - 1;
      if (at < 0) return undefined;
      const [sign, choice, left, leftValue, right] = first.slice(at, at + 5) as [
        number,
        number,
        number,
        number,
        number,
      ];
      return join(choice, sign, left, leftValue, right);
    },
  };
}

/** Every step from one value of each of two choices that share no number. */
function combine(
  allowed: readonly Sign[],
  a: Table,
  b: Table,
  aChoice: number,
  bChoice: number,
  add: (value: number, sign: number, left: number, leftValue: number, right: number) => void,
): void {
  const [plus, minus, times, over] = signs.map((sign) => allowed.includes(sign));
  for (const x of a.values)
    for (const y of b.values) {
      if (plus) add(x + y, 0, aChoice, x, y);
      if (minus) {
        if (x >= y) add(x - y, 1, aChoice, x, y);
        else add(y - x, 1, bChoice, y, x);
      }
      if (times) add(x * y, 2, aChoice, x, y);
      if (over) {
        if (y !== 0 && x % y === 0) add(x / y, 3, aChoice, x, y);
        if (x !== 0 && y % x === 0) add(y / x, 3, bChoice, y, x);
      }
    }
}

function check({ numbers, from, to }: ReachAsk): void {
  if (numbers.length === 0 || numbers.length > mostNumbers)
    throw new RangeError(`There should be 1 to ${mostNumbers} numbers.`);
  // Larger ones only where no line of them is beyond what is exact.
  const exact = numbers.reduce((all, one) => all * Math.max(1, one), 1) <= Number.MAX_SAFE_INTEGER;
  for (const one of numbers)
    if (!Number.isInteger(one) || one < 0 || (one > 9999 && !exact))
      throw new RangeError('The numbers should be whole, from 0 to 9999.');
  if (!Number.isInteger(from) || !Number.isInteger(to) || from < 0 || to < from || to - from >= widestRange)
    throw new RangeError(
      `The values asked should be a range of whole numbers from 0 up, no wider than ${widestRange}.`,
    );
}
