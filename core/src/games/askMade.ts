import type { FactKey } from '../facts/fact.ts';
import { isOnMap, skillItem } from '../facts/item.ts';
import { allLines } from '../numbers/allLines.ts';
import { expressionText, type Expression, type Sign } from '../numbers/expression.ts';
import { reach, type Reach } from '../numbers/reach.ts';
import type { Asked, Claimed } from './need.ts';
import { say } from './tell/sentence.ts';
import { factsOfLine } from './evidence.ts';

/** What a number is to be made of. */
export interface Making {
  readonly numbers: readonly number[];
  readonly signs: readonly Sign[];
  /** The fewest of the numbers that a line uses. */
  readonly least: number;
}

/** Lines looked for before: what lies there is asked after again and again before it changes. */
const found = new Map<string, readonly Expression[]>();
const mostFound = 12_000;

/** Every line that makes a number, those with fewest numbers first; those that differ by order or brackets alone are one. */
export function linesFor({ numbers, signs, least }: Making, target: number): readonly Expression[] {
  // In the order in which they lie: which line comes first hangs on it, and on nothing that was asked before.
  const key = `${numbers.join()} ${signs.join('')} ${least} ${target}`;
  const known = found.get(key);
  if (known) return known;
  if (found.size >= mostFound) found.clear();
  const lines = allLines({ numbers, signs, target, least });
  found.set(key, lines);
  return lines;
}

/** What was reached before: a roll is asked after many times before the next. */
const reached = new Map<string, Reach>();
const mostReached = 1500;

/** Every number up to a largest that can be made, each with a line. */
export function madeUpTo({ numbers, signs, least }: Making, most: number): Reach {
  const key = `${numbers.join()} ${signs.join('')} ${least} ${most}`;
  const known = reached.get(key);
  if (known) return known;
  if (reached.size > mostReached) reached.clear();
  const made = reach({ numbers, signs, from: 1, to: most, least });
  reached.set(key, made);
  return made;
}

const shownFrom = (numbers: readonly number[], target: number) => say('madeFrom', { target, numbers });

/**
 * What is said of a number that is to be made, where it can be; undefined: no line makes it. Where one fact alone makes it that
 * fact is asked; else the child says a line of its own, and only what is in every one of them is shown for certain.
 */
export function askMade(seat: number, making: Making, target: number): Asked | undefined {
  const lines = linesFor(making, target);
  const known = asks.get(lines);
  if (known) return { ...known, seat };
  const asked = askOfLines(seat, making, target, lines);
  if (asked) asks.set(lines, asked);
  return asked;
}

/** What was asked of some lines before; they are those of the numbers as they lay there. */
const asks = new WeakMap<readonly Expression[], Asked>();

function askOfLines(
  seat: number,
  making: Making,
  target: number,
  lines: readonly Expression[],
): Asked | undefined {
  const [first, ...others] = lines;
  if (!first) return undefined;
  const whole = first.kind === 'number' ? String(target) : `${expressionText(first)} = ${target}`;
  const [fact, ...more] = factsOfLine(first);
  // The dice lay open before it was chosen.
  const told = { seat, whole, untimed: true } as const;
  if (others.length === 0 && fact !== undefined && more.length === 0 && isOneStep(first))
    return {
      ...told,
      item: { kind: 'fact', key: fact },
      shown: expressionText(first),
      answer: String(target),
    };
  return {
    ...told,
    item: skillItem('make'),
    shown: shownFrom(making.numbers, target),
    answer: whole,
    steps: inAll(lines),
  };
}

const isOneStep = (line: Expression) =>
  line.kind === 'step' && line.left.kind === 'number' && line.right.kind === 'number';

/** The facts that every line rests on, whichever was said; a turnaround is another fact. */
function inAll(lines: readonly Expression[]): FactKey[] {
  const [first = [], ...others] = lines.map((line) => factsOfLine(line).filter(isOnMap));
  return [...new Set(first)].filter((key) => others.every((one) => one.includes(key)));
}

/** A number claimed that no line makes: it goes on record as missed. */
export const notMade = ({ numbers }: Making, target: number): Claimed => ({
  item: skillItem('make'),
  shown: shownFrom(numbers, target),
  answer: '',
  given: String(target),
});
