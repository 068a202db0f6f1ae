import {
  expressionText,
  factorial,
  numbersIn,
  numeral,
  doingText,
  step,
  stepLines,
  valueOf,
  applySign,
  type Expression,
} from './expression.ts';
import { tableRules, type LineRules } from './allLines.ts';
import { compareFractions, fraction, type Fraction } from './fraction.ts';
import type { LineFault, LineSlip } from './lineFault.ts';
import { factorialOf, raise, wholeOf } from './powers.ts';
import { readLine } from './readLine.ts';

/** What a claimed line is held against. */
export interface LineAsk extends Partial<LineRules> {
  readonly numbers: readonly number[];
  /** The number to be made; left out: any. */
  readonly target?: number;
  /** The fewest numbers a line uses; 1 when left out. */
  readonly least?: number;
  /** The most numbers a line uses; any when left out. */
  readonly most?: number;
  /** What it comes to is said once it is laid: a line without "=" says nothing yet. */
  readonly saidAfter?: true;
}

export type CheckedLine =
  | {
      readonly right: true;
      readonly expression: Expression;
      readonly value: Fraction;
      /** The numbers used, left to right. */
      readonly used: readonly number[];
      /** The line as it should be written: one step a line where equals signs ran on. */
      readonly shown: readonly string[];
    }
  | { readonly right: false; readonly slip: LineSlip; readonly fault: LineFault };

/**
 * Checks a typed line: that it can be read, uses only the numbers that lie there and each once, keeps to the rules, says
 * what is true, and makes what it should. Run-on equals (`3 + 4 = 7 × 5 = 35`) are understood as the steps they mean.
 */
export function checkLine(text: string, ask: LineAsk): CheckedLine {
  const read = readLine(text);
  if ('trouble' in read) return slip({ kind: 'unreadable', ...read.trouble });
  const rules: LineRules = { ...tableRules, ...ask };
  const joined = join(read.parts, rules);
  if (!('expression' in joined)) return joined;
  const { expression, shown } = joined;
  const broken = brokenRule(expression, rules);
  if (broken) return broken;
  const used = numbersIn(expression);
  const counted = countUse(used, ask.numbers);
  if (counted) return counted;
  const value = valueOf(expression);
  if (ask.target !== undefined && compareFractions(value, fraction(ask.target)) !== 0)
    return slip({
      kind: 'target',
      line: expressionText(expression),
      makes: numeral(value, false),
      target: ask.target,
    });
  if (used.length < (ask.least ?? 1))
    return slip({ kind: 'tooFew', bound: ask.least ?? 1, used: used.length });
  if (used.length > (ask.most ?? Infinity))
    return slip({ kind: 'tooMany', bound: ask.most ?? Infinity, used: used.length });
  return { right: true, expression, value, used, shown };
}

const slip = (fault: LineFault): CheckedLine & { readonly right: false } => ({
  right: false,
  slip: fault.kind,
  fault,
});

/** Whether a typed line says what it comes to. */
export const saysItself = (text: string): boolean => text.includes('=');

/** Whether a line that is not right says something all the same: it can be read and keeps to the rules, and is not true or not what was asked. */
export const isClaim = (line: CheckedLine): boolean =>
  !line.right && (line.slip === 'target' || line.slip === 'notEqual');

/** One expression from what stands between equals signs, each part carried on where the next one begins with its value. */
function join(
  parts: readonly Expression[],
  rules: LineRules,
):
  | { readonly expression: Expression; readonly shown: readonly string[] }
  | (CheckedLine & { readonly right: false }) {
  let whole = parts[0] as Expression;
  const shown: string[] = [];
  let broken = brokenRule(whole, rules);
  if (broken) return broken;
  let said = whole;
  let carried = false;
  for (const part of parts.slice(1)) {
    const value = valueOf(whole);
    if (part.kind !== 'step' || !startsWith(part, value)) {
      broken = brokenRule(part, rules);
      if (broken) return broken;
      const right = valueOf(part);
      if (compareFractions(value, right) !== 0)
        return slip({
          kind: 'notEqual',
          line: expressionText(said),
          makes: numeral(value, false),
          other: expressionText(part),
          otherMakes: part.kind === 'number' ? null : numeral(right, false),
        });
      shown.push(`${expressionText(said)} = ${expressionText(part)}`);
      // "35 = 7 × 5": the longer side is the line.
      if (whole.kind === 'number' && part.kind !== 'number') whole = part;
      said = part;
      carried = true;
      continue;
    }
    if (!carried) shown.push(`${expressionText(said)} = ${numeral(value, false)}`);
    whole = replaceFirst(part, whole);
    said = part;
    carried = false;
    broken = brokenRule(whole, rules);
    if (broken) return broken;
  }
  if (!carried) shown.push(`${expressionText(said)} = ${numeral(valueOf(whole), false)}`);
  return { expression: whole, shown: shown.filter((line, at) => shown.indexOf(line) === at) };
}

/** Whether the first number of a part is the value carried on, and the part goes on from it. */
function startsWith(part: Expression, value: Fraction): boolean {
  if (part.kind === 'factorial') return startsWith(part.of, value);
  return part.kind === 'number'
    ? compareFractions(fraction(part.value), value) === 0
    : startsWith(part.left, value);
}

function replaceFirst(part: Expression, by: Expression): Expression {
  if (part.kind === 'factorial') return factorial(replaceFirst(part.of, by));
  return part.kind === 'number' ? by : step(part.sign, replaceFirst(part.left, by), part.right);
}

/** The first step that breaks a rule, in the order the steps are done. */
function brokenRule(
  expression: Expression,
  rules: LineRules,
): (CheckedLine & { readonly right: false }) | undefined {
  if (expression.kind === 'number') return undefined;
  const cap = rules.cap ?? null;
  if (expression.kind === 'factorial') {
    const inside = brokenRule(expression.of, rules);
    if (inside) return inside;
    const of = valueOf(expression.of);
    if (cap === null) return slip({ kind: 'sign', sign: '!' });
    return raisedFault(`${numeral(of)}!`, () => factorialOf(wholeOf(of)), cap);
  }
  const inner = brokenRule(expression.left, rules) ?? brokenRule(expression.right, rules);
  if (inner) return inner;
  const { sign } = expression;
  const [left, right] = [valueOf(expression.left), valueOf(expression.right)];
  const doing = doingText(sign, left, right);
  if (sign === '^') {
    if (cap === null) return slip({ kind: 'sign', sign });
    return raisedFault(doing, () => raise(wholeOf(left), wholeOf(right)), cap);
  }
  if (!rules.signs.includes(sign)) return slip({ kind: 'sign', sign });
  if (sign === '/' && right.top === 0) return slip({ kind: 'byZero', step: doing });
  const value = applySign(sign, left, right);
  if (!rules.fractions && value.bottom !== 1) return slip({ kind: 'notWhole', step: doing });
  if (!rules.signed && value.top < 0) return slip({ kind: 'belowZero', step: doing });
  return undefined;
}

/** A power or a factorial that is none, or comes to more than the cap. */
function raisedFault(
  doing: string,
  work: () => number,
  cap: number,
): (CheckedLine & { readonly right: false }) | undefined {
  let value: number;
  try {
    value = work();
  } catch {
    return slip({ kind: 'noPower', step: doing, cap });
  }
  return value > cap ? slip({ kind: 'beyondCap', step: doing, cap }) : undefined;
}

/** A number that is not there, or used more often than it lies there. */
function countUse(
  used: readonly number[],
  numbers: readonly number[],
): (CheckedLine & { readonly right: false }) | undefined {
  const left = new Map<number, number>();
  for (const one of numbers) left.set(one, (left.get(one) ?? 0) + 1);
  for (const one of used) {
    const has = left.get(one);
    if (has === undefined) return slip({ kind: 'notThere', number: one, numbers });
    if (has === 0) {
      return slip({ kind: 'usedTwice', number: one, times: numbers.filter((other) => other === one).length });
    }
    left.set(one, has - 1);
  }
  return undefined;
}

/** A line with every step written out, each on its own line. */
export const worked = (expression: Expression): readonly string[] =>
  expression.kind === 'number' ? [expressionText(expression)] : stepLines(expression);
