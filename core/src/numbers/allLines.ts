import { allChoices, lastOf, sizeOf } from './choice.ts';
import { canonicalKey, numberUsed, signs, step, type Expression, type Sign } from './expression.ts';
import {
  addFractions,
  compareFractions,
  divideFractions,
  fraction,
  multiplyFractions,
  subtractFractions,
  type Fraction,
} from './fraction.ts';

/** What counts as a line. */
export interface LineRules {
  readonly signs: readonly Sign[];
  /** Steps may come out below 0. */
  readonly signed: boolean;
  /** Steps may come out as fractions. */
  readonly fractions: boolean;
  /** The most that a power or a factorial may come to; null or left out: there are none. */
  readonly cap?: number | null;
}

/** The rules of the table: four signs, whole-number steps at or above 0. */
export const tableRules: LineRules = { signs, signed: false, fractions: false };

export interface LinesAsk extends Partial<LineRules> {
  readonly numbers: readonly number[];
  readonly target: number;
  /** The fewest numbers a line uses; 1 when left out. */
  readonly least?: number;
}

/** The most numbers of which all lines are told: of seven there are tens of millions to look at. */
export const mostNumbersForAll = 6;

/** A part of a line: a number, a sum or a product laid flat, so that order and brackets make no second one. */
interface Part {
  readonly value: Fraction;
  readonly expression: Expression;
  readonly flat: 'number' | 'sum' | 'product';
}

/**
 * All lines to a target that differ by more than order and brackets, those with fewest numbers first. A sum laid flat
 * counts when it comes out at or above 0, a product when it comes out whole: then some order of its steps does so too.
 * Throws RangeError for more than six numbers or a number that is not whole.
 */
export function allLines(ask: LinesAsk): Expression[] {
  const steps = allLinesSteps(ask);
  const found: Expression[] = [];
  for (;;) {
    const next = steps.next();
    if (next.done) return found;
    found.push(...next.value.lines);
  }
}

/** The same in steps, each giving the share done and the lines found in it, for a worker that can be stopped. */
export function* allLinesSteps(
  ask: LinesAsk,
): Generator<{ readonly done: number; readonly lines: readonly Expression[] }, void> {
  const { numbers, target } = ask;
  const rules: LineRules = { ...tableRules, ...ask };
  if (numbers.length === 0 || numbers.length > mostNumbersForAll)
    throw new RangeError(`All lines are told of 1 to ${mostNumbersForAll} numbers.`);
  for (const one of [...numbers, target])
    if (!Number.isInteger(one) || Math.abs(one) > 99_999)
      throw new RangeError('The numbers and the target should be whole.');
  const all = (1 << numbers.length) - 1;
  const wanted = fraction(target);
  const parts = new Map<number, readonly Part[]>();
  const told = new Set<string>();
  const choices = allChoices(numbers.length);
  let done = 0;
  for (const choice of choices) {
    const size = sizeOf(choice);
    const lines: Expression[] = [];
    const kept: Part[] = [];
    for (const part of partsOf(choice, size === numbers.length ? wanted : undefined, numbers, parts, rules)) {
      if (size < numbers.length) kept.push(part);
      if (size < (ask.least ?? 1) || compareFractions(part.value, wanted) !== 0) continue;
      const key = canonicalKey(part.expression);
      if (told.has(key)) continue;
      told.add(key);
      lines.push(part.expression);
    }
    parts.set(choice, kept);
    done += 1;
    yield { done: done / all, lines };
  }
}

/** A sum or product under way: what stands with it and against it, and what it comes to. */
interface Tail {
  readonly value: Fraction;
  readonly with: readonly Expression[];
  readonly against: readonly Expression[];
}

function* partsOf(
  choice: number,
  wanted: Fraction | undefined,
  numbers: readonly number[],
  parts: ReadonlyMap<number, readonly Part[]>,
  rules: LineRules,
): Generator<Part> {
  if (sizeOf(choice) === 1) {
    const value = numbers[lastOf(choice)] as number;
    yield { value: fraction(value), expression: numberUsed(value), flat: 'number' };
    return;
  }
  for (const flat of ['sum', 'product'] as const) {
    const [plus, minus] = flat === 'sum' ? (['+', '-'] as const) : (['*', '/'] as const);
    const signsHere = { plus: rules.signs.includes(plus), minus: rules.signs.includes(minus) };
    if (!signsHere.plus && !signsHere.minus) continue;
    for (const tail of tailsOf(choice, flat, signsHere, numbers, parts, new Map())) {
      if (tail.with.length === 0 || tail.with.length + tail.against.length < 2) continue;
      if (tail.with.length > 1 && !signsHere.plus) continue;
      if (!rules.signed && tail.value.top < 0) continue;
      if (!rules.fractions && tail.value.bottom !== 1) continue;
      if (wanted && compareFractions(tail.value, wanted) !== 0) continue;
      const head = tail.with.reduce((left, right) => step(plus, left, right));
      yield {
        value: tail.value,
        expression: tail.against.reduce((left, right) => step(minus, left, right), head),
        flat,
      };
    }
  }
}

/** Every way to lay some numbers flat into one sum or product, each once: the block with the lowest number goes first. */
function tailsOf(
  choice: number,
  flat: 'sum' | 'product',
  may: { readonly plus: boolean; readonly minus: boolean },
  numbers: readonly number[],
  parts: ReadonlyMap<number, readonly Part[]>,
  before: Map<number, readonly Tail[]>,
  whole = choice,
): readonly Tail[] {
  const empty = fraction(flat === 'sum' ? 0 : 1);
  if (choice === 0) return [{ value: empty, with: [], against: [] }];
  const known = before.get(choice);
  if (known) return known;
  const out: Tail[] = [];
  const lowest = choice & -choice;
  const others = choice ^ lowest;
  for (let more = others; ; more = (more - 1) & others) {
    const block = lowest | more;
    // The whole itself is not a part of itself.
    if (block !== whole) {
      const rest = tailsOf(choice ^ block, flat, may, numbers, parts, before, whole);
      for (const part of parts.get(block) ?? []) {
        if (part.flat === flat) continue;
        for (const tail of rest) {
          const { value } = part;
          out.push({
            value: flat === 'sum' ? addFractions(value, tail.value) : multiplyFractions(value, tail.value),
            with: [part.expression, ...tail.with],
            against: tail.against,
          });
          if (!may.minus || (flat === 'product' && value.top === 0)) continue;
          out.push({
            value: flat === 'sum' ? subtractFractions(tail.value, value) : divideFractions(tail.value, value),
            with: tail.with,
            against: [part.expression, ...tail.against],
          });
        }
      }
    }
    if (more === 0) break;
  }
  before.set(choice, out);
  return out;
}
