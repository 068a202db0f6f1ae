import { allChoices, lastOf, sizeOf, type Choice } from './choice.ts';
import { factorial, numberUsed, step, type Expression, type Sign, type StepSign } from './expression.ts';
import { factorialOf, factorialRoot, powerOf, rootOf } from './powers.ts';
import { mostNumbers } from './reach.ts';

/** Lines to one target, each of other numbers, and how many numbers they spend together. */
export interface Spent {
  readonly lines: readonly Expression[];
  readonly count: number;
}

export interface SpendAsk {
  /** Whole numbers from 0; at most seven. */
  readonly numbers: readonly number[];
  readonly target: number;
  readonly signs: readonly Sign[];
  /** The most numbers of a line; any when left out. */
  readonly most?: number;
  /** The most that a power or a factorial may come to; null or left out: there are none. */
  readonly cap?: number | null;
}

/**
 * The most numbers that several lines to the target spend, each number once: whole-number steps at or above 0, exact division.
 * Exact: every choice of numbers is proved to make the target or not, then the best parting of them is taken.
 * Throws RangeError for more than seven numbers, or one that is not whole from 0.
 */
export function mostSpent({ numbers, target, signs, most = numbers.length, cap = null }: SpendAsk): Spent {
  if (numbers.length > mostNumbers) throw new RangeError(`There should be at most ${mostNumbers} numbers.`);
  for (const one of [...numbers, target])
    if (!Number.isInteger(one) || one < 0) throw new RangeError('The numbers should be whole, from 0.');
  if (cap !== null && (!Number.isInteger(cap) || cap < 0 || cap > mostCap))
    throw new RangeError(`The cap of powers should be whole, from 0 to ${mostCap}.`);
  const maker = openMaker(numbers, signs, cap);
  const choices = allChoices(numbers.length);
  const makes = choices.filter((choice) => sizeOf(choice) <= most && maker.makes(choice, target));
  /** By the numbers at hand: how many can be spent, and with which line first. */
  const best = new Map<Choice, { readonly count: number; readonly first: Choice }>([
    [0, { count: 0, first: 0 }],
  ]);
  for (const at of choices) {
    let found = { count: 0, first: 0 };
    for (const first of makes) {
      if ((first & at) !== first) continue;
      const count = sizeOf(first) + (best.get(at ^ first)?.count ?? 0);
      if (count > found.count) found = { count, first };
    }
    best.set(at, found);
  }
  const lines: Expression[] = [];
  let left = (1 << numbers.length) - 1;
  for (let now = best.get(left); now && now.first > 0; now = best.get(left)) {
    lines.push(maker.line(now.first, target));
    left ^= now.first;
  }
  return { lines, count: best.get((1 << numbers.length) - 1)?.count ?? 0 };
}

/** The largest cap of powers and factorials that is worked with. */
export const mostCap = 10_000;

/** Choices of up to so many numbers are worked out whole; larger ones only as far as a target asks. */
const workedOut = 4;

/** How a value was made of a choice: one number, the factorial of what the same choice makes, or a step of two parts. */
type Made =
  | { readonly sign: StepSign; readonly left: Choice; readonly a: number; readonly b: number }
  | { readonly sign: '!'; readonly a: number }
  | null;

/** Tells of each choice of numbers whether all of it, each number once, makes a value. */
function openMaker(numbers: readonly number[], signs: readonly Sign[], cap: number | null) {
  const allowed: readonly StepSign[] = cap === null ? signs : [...signs, '^'];
  const tables = new Map<Choice, ReadonlyMap<number, Made>>();
  const asked = new Map<Choice, Map<number, Made | undefined>>();

  /** Everything that a choice of few numbers makes. */
  const tableOf = (choice: Choice): ReadonlyMap<number, Made> => {
    const known = tables.get(choice);
    if (known) return known;
    const table = new Map<number, Made>();
    if (sizeOf(choice) === 1) table.set(numbers[lastOf(choice)] as number, null);
    for (let left = (choice - 1) & choice; left > 0; left = (left - 1) & choice)
      for (const a of tableOf(left).keys())
        for (const b of tableOf(choice ^ left).keys())
          for (const sign of allowed) {
            const value = stepValue(sign, a, b, cap);
            if (value !== undefined && !table.has(value)) table.set(value, { sign, left, a, b });
          }
    // What is added while it is gone through is gone through too: 3! is 6, and 6! is 720.
    if (cap !== null)
      for (const a of table.keys()) {
        const value = a === 0 || (a > 2 && a <= cap && a < 9) ? factorialOf(a) : undefined;
        if (value !== undefined && value <= cap && !table.has(value)) table.set(value, { sign: '!', a });
      }
    tables.set(choice, table);
    return table;
  };

  /** How a choice makes a value; undefined: proved that it does not. */
  const madeOf = (choice: Choice, value: number): Made | undefined => {
    if (sizeOf(choice) <= workedOut || tables.has(choice)) return tableOf(choice).get(value);
    const before = asked.get(choice) ?? new Map<number, Made | undefined>();
    asked.set(choice, before);
    if (before.has(value)) return before.get(value);
    const found = lookFor(choice, value);
    before.set(value, found);
    return found;
  };

  /** The smaller part of each parting is worked out; what the other has to come to follows from it. */
  const lookFor = (choice: Choice, value: number): Made | undefined => {
    const joined = lookForStep(choice, value);
    if (joined !== undefined || cap === null || value > cap) return joined;
    const under = value === 1 ? 0 : factorialRoot(value);
    return under !== undefined && madeOf(choice, under) !== undefined ? { sign: '!', a: under } : undefined;
  };
  const lookForStep = (choice: Choice, value: number): Made | undefined => {
    for (let part = (choice - 1) & choice; part > 0; part = (part - 1) & choice) {
      const other = choice ^ part;
      if (sizeOf(part) > sizeOf(other)) continue;
      for (const b of tableOf(part).keys())
        for (const sign of allowed) {
          if (sign === '^' && value > (cap ?? 0)) continue;
          for (const a of leftsFor(sign, value, b))
            if (madeOf(other, a) !== undefined) return { sign, left: other, a, b };
          for (const c of rightsFor(sign, value, b))
            if (madeOf(other, c) !== undefined) return { sign, left: part, a: b, b: c };
          // Anything above nought to the power of nought, and one to the power of anything, is one; nought to any power is nought.
          if (sign === '^' && value === 1 && b === 0) {
            const any = anyOf(other, true);
            if (any !== undefined) return { sign, left: other, a: any, b: 0 };
          }
          if (sign === '^' && value === b && b < 2) {
            const any = anyOf(other, b === 0);
            if (any !== undefined) return { sign, left: part, a: b, b: any };
          }
          // Nought times anything, and nought shared by anything, is nought.
          if (value === 0 && b === 0 && (sign === '*' || sign === '/')) {
            const any = anyOf(other, sign === '/');
            if (any !== undefined) return { sign, left: part, a: 0, b: any };
          }
        }
    }
    return undefined;
  };

  /** Something that a choice makes, above 0 where it has to be: the sum, where there is one; else looked for in all it makes. */
  const anyOf = (choice: Choice, aboveNought: boolean): number | undefined => {
    const fits = (value: number) => value > 0 || !aboveNought;
    if (sizeOf(choice) <= workedOut || !allowed.includes('+')) return [...tableOf(choice).keys()].find(fits);
    const sum = numbers.reduce((all, one, at) => ((choice >> at) & 1 ? all + one : all), 0);
    return fits(sum) ? sum : undefined;
  };

  const line = (choice: Choice, value: number): Expression => {
    const made = madeOf(choice, value);
    if (!made) return numberUsed(value);
    if (made.sign === '!') return factorial(line(choice, made.a));
    return step(made.sign, line(made.left, made.a), line(choice ^ made.left, made.b));
  };

  return { makes: (choice: Choice, value: number) => madeOf(choice, value) !== undefined, line };
}

/** One step; undefined: it is none at the table. */
function stepValue(sign: StepSign, a: number, b: number, cap: number | null): number | undefined {
  switch (sign) {
    case '+':
      return a + b;
    case '-':
      return a >= b ? a - b : undefined;
    case '*':
      return a * b;
    case '/':
      return b !== 0 && a % b === 0 ? a / b : undefined;
    case '^': {
      if (cap === null || (a === 0 && b === 0)) return undefined;
      // Beyond the cap for certain: not worked out at all.
      if (a > 1 && b > 0 && (a > cap || b > Math.log2(cap + 1))) return undefined;
      const value = a ** b;
      return value <= cap ? value : undefined;
    }
  }
}

/** What has to stand on the left of a sign before `b` to come to a value. */
function leftsFor(sign: StepSign, value: number, b: number): number[] {
  switch (sign) {
    case '+':
      return value >= b ? [value - b] : [];
    case '-':
      return [value + b];
    case '*':
      return b !== 0 && value % b === 0 ? [value / b] : [];
    case '/':
      return b !== 0 ? [value * b] : [];
    case '^': {
      const root = b > 0 ? rootOf(value, b) : undefined;
      return root === undefined ? [] : [root];
    }
  }
}

/** What has to stand on the right of a sign after `b` to come to a value, where that is another thing than on the left. */
function rightsFor(sign: StepSign, value: number, b: number): number[] {
  if (sign === '-') return b >= value ? [b - value] : [];
  if (sign === '/') return value !== 0 && b !== 0 && b % value === 0 ? [b / value] : [];
  if (sign === '^' && b > 1) {
    const power = powerOf(b, value);
    return power === undefined ? [] : [power];
  }
  return [];
}
