import { displaySigns, hasTurnaround, keySigns, operations, type Operation } from './operation.ts';

/** An operation and its two operands, as shown: `7+6` and `6+7` are two facts. */
export interface Fact {
  readonly operation: Operation;
  readonly left: number;
  readonly right: number;
}

/** A fact's stored name in ASCII: `7+6`, `13-6`, `7x6`, `42:6`. Stored, exported, imported; never changes. */
export type FactKey = string;

const keyPattern = /^(\d{1,3})([+\-x:])(\d{1,3})$/;

export function factKey(fact: Fact): FactKey {
  return `${fact.left}${keySigns[fact.operation]}${fact.right}`;
}

/** Keys read before: a table asks for the same few hundred again and again. */
const readBefore = new Map<FactKey, Fact | undefined>();
const mostRemembered = 4000;

/** Reads a key; undefined when it is not one (wrong form, division by zero, an answer that is not whole or is below 0). */
export function tryParseFactKey(key: string): Fact | undefined {
  const known = readBefore.get(key);
  if (known !== undefined || readBefore.has(key)) return known;
  if (readBefore.size >= mostRemembered) readBefore.clear();
  const fact = readKey(key);
  readBefore.set(key, fact);
  return fact;
}

function readKey(key: string): Fact | undefined {
  const match = keyPattern.exec(key);
  if (!match) return undefined;
  const operation = operations.find((one) => keySigns[one] === match[2]) as Operation;
  const fact = { operation, left: Number(match[1]), right: Number(match[3]) };
  if (operation === 'div' && (fact.right === 0 || fact.left % fact.right !== 0)) return undefined;
  if (operation === 'sub' && fact.left < fact.right) return undefined;
  return factKey(fact) === key ? fact : undefined;
}

/** Reads a key. Throws RangeError when it is not a fact key. */
export function parseFactKey(key: string): Fact {
  const fact = tryParseFactKey(key);
  if (!fact) throw new RangeError(`"${key}" is not a fact key such as 7+6, 13-6, 7x6 or 42:6.`);
  return fact;
}

/** The answer to a fact. */
export function answerOf(fact: Fact): number {
  switch (fact.operation) {
    case 'add':
      return fact.left + fact.right;
    case 'sub':
      return fact.left - fact.right;
    case 'mul':
      return fact.left * fact.right;
    case 'div':
      return fact.left / fact.right;
  }
}

/** The number a prompt asks for when one place of the fact is hidden. */
export function hiddenNumber(fact: Fact, hidden: 'result' | 'left' | 'right'): number {
  return hidden === 'result' ? answerOf(fact) : fact[hidden];
}

/** The same fact with its operands exchanged, for sums and products; undefined for the others. */
export function turnaroundOf(fact: Fact): Fact | undefined {
  return hasTurnaround(fact.operation)
    ? { operation: fact.operation, left: fact.right, right: fact.left }
    : undefined;
}

/** One key for a fact and its turnaround: the larger operand first ("larger number first in adding"). */
export function unorderedKey(fact: Fact): FactKey {
  return hasTurnaround(fact.operation) && fact.left < fact.right
    ? factKey({ operation: fact.operation, left: fact.right, right: fact.left })
    : factKey(fact);
}

/** `7 × 6` with proper signs and thin spacing left to the typeface. */
export function factText(fact: Fact): string {
  return `${fact.left} ${displaySigns[fact.operation]} ${fact.right}`;
}

/** `7 × 6` from its key. Throws RangeError as parseFactKey does. */
export function factKeyText(key: FactKey): string {
  return factText(parseFactKey(key));
}

/** Facts where counting is as quick as knowing: +1, +2, −1, −2 (design of recall, common practice). */
export function isCountedAsQuickly(fact: Fact): boolean {
  const small = (n: number) => n === 1 || n === 2;
  if (fact.operation === 'add') return small(fact.left) || small(fact.right);
  return fact.operation === 'sub' && small(fact.right);
}

/** Facts whose answer is one of their numbers, by a rule that needs no thought: + 0, − 0, × 1, ÷ 1. */
export function needsNoThought({ operation, left, right }: Fact): boolean {
  switch (operation) {
    case 'add':
      return left === 0 || right === 0;
    case 'sub':
      return right === 0;
    case 'mul':
      return left === 1 || right === 1;
    case 'div':
      return right === 1;
  }
}
