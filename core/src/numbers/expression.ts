import {
  addFractions,
  divideFractions,
  fraction,
  fractionText,
  multiplyFractions,
  subtractFractions,
  type Fraction,
} from './fraction.ts';
import { factorialOf, raise, wholeOf } from './powers.ts';

/** The four signs as typed on any keyboard. */
export const signs = ['+', '-', '*', '/'] as const;
export type Sign = (typeof signs)[number];

/** The signs as they are shown. */
export const shownSigns: Readonly<Record<Sign, string>> = { '+': '+', '-': '−', '*': '×', '/': '÷' };

/** What a step may be made by: the four signs, and the raising to a power where the rules have it. */
export type StepSign = Sign | '^';

/** A number, one step from two expressions, or the factorial of one. */
export type Expression = NumberUsed | Step | Factorial;
export interface NumberUsed {
  readonly kind: 'number';
  readonly value: number;
}
export interface Step {
  readonly kind: 'step';
  readonly sign: StepSign;
  readonly left: Expression;
  readonly right: Expression;
}

export interface Factorial {
  readonly kind: 'factorial';
  readonly of: Expression;
}

export const numberUsed = (value: number): NumberUsed => ({ kind: 'number', value });
export const factorial = (of: Expression): Factorial => ({ kind: 'factorial', of });
export const step = (sign: StepSign, left: Expression, right: Expression): Step => ({
  kind: 'step',
  sign,
  left,
  right,
});

/** One step. Throws RangeError on division by 0, and for powers as `raise` does. */
export function applySign(sign: StepSign, left: Fraction, right: Fraction): Fraction {
  switch (sign) {
    case '+':
      return addFractions(left, right);
    case '-':
      return subtractFractions(left, right);
    case '*':
      return multiplyFractions(left, right);
    case '/':
      return divideFractions(left, right);
    case '^':
      return fraction(raise(wholeOf(left), wholeOf(right)));
  }
}

/** What an expression comes to, exactly. Throws RangeError on division by 0, and as `raise` and `factorialOf` do. */
export function valueOf(expression: Expression): Fraction {
  if (expression.kind === 'number') return fraction(expression.value);
  return expression.kind === 'factorial'
    ? fraction(factorialOf(wholeOf(valueOf(expression.of))))
    : applySign(expression.sign, valueOf(expression.left), valueOf(expression.right));
}

/** The numbers an expression uses, left to right. */
export function numbersIn(expression: Expression): number[] {
  if (expression.kind === 'number') return [expression.value];
  return expression.kind === 'factorial'
    ? numbersIn(expression.of)
    : [...numbersIn(expression.left), ...numbersIn(expression.right)];
}

const isSum = (sign: StepSign) => sign === '+' || sign === '-';

/**
 * An expression as text, with the brackets it needs and no more, multiplication before addition. `shown`: with the
 * proper signs and spaces between; otherwise as typed in ASCII. A number below 0 stands in brackets.
 */
export function expressionText(expression: Expression, shown = true): string {
  if (expression.kind === 'number') {
    const { value } = expression;
    return value < 0 ? `(${shown ? shownSigns['-'] : '-'}${-value})` : String(value);
  }
  if (expression.kind === 'factorial') {
    const text = expressionText(expression.of, shown);
    return expression.of.kind === 'number' ? `${text}!` : `(${text})!`;
  }
  const { sign, left, right } = expression;
  if (sign === '^') return powerText(expression, shown);
  const inner = (part: Expression, atRight: boolean) => {
    const text = expressionText(part, shown);
    if (part.kind !== 'step' || part.sign === '^') return text;
    const looser = isSum(part.sign) && !isSum(sign);
    const turns = atRight && isSum(part.sign) === isSum(sign) && (sign === '-' || sign === '/');
    return looser || turns ? `(${text})` : text;
  };
  const between = shown ? ` ${shownSigns[sign]} ` : sign;
  return `${inner(left, false)}${between}${inner(right, true)}`;
}

/** "2³" as it is shown, or with a bracket "2^(1 + 2)"; a base that is more than a number stands in brackets. */
function powerText({ left, right }: Step, shown: boolean): string {
  const [low, high] = [left, right].map((part) => expressionText(part, shown)) as [string, string];
  const base = left.kind === 'number' ? low : `(${low})`;
  if (right.kind !== 'number') return `${base}^(${high})`;
  return shown ? base + [...high].map((digit) => superscripts[Number(digit)]).join('') : `${base}^${high}`;
}

/** Digits as they stand at a power. */
export const superscripts = ['⁰', '¹', '²', '³', '⁴', '⁵', '⁶', '⁷', '⁸', '⁹'] as const;

/**
 * A key that is the same for expressions that differ only by order and brackets: sums and products are laid flat and
 * their parts sorted. `8-(3-2)` and `8+2-3` have one key; `6*1` and `6/1` have two.
 */
export function canonicalKey(expression: Expression): string {
  if (expression.kind === 'number') return String(expression.value);
  if (expression.kind === 'factorial') return `!(${canonicalKey(expression.of)})`;
  if (expression.sign === '^') return `^(${canonicalKey(expression.left)},${canonicalKey(expression.right)})`;
  const with_: string[] = [];
  const against: string[] = [];
  const [plus, minus] = isSum(expression.sign) ? (['+', '-'] as const) : (['*', '/'] as const);
  const lay = (part: Expression, turned: boolean) => {
    const flat = part.kind === 'step' && part.sign !== '^' && isSum(part.sign) === isSum(expression.sign);
    if (flat) {
      lay(part.left, turned);
      lay(part.right, part.sign === minus ? !turned : turned);
    } else (turned ? against : with_).push(canonicalKey(part));
  };
  lay(expression, false);
  const parts = [...with_.sort().map((one) => plus + one), ...against.sort().map((one) => minus + one)];
  return `(${parts.join('')})`;
}

/** The step that is worked out first; undefined: it is a number alone. */
export function firstStep(expression: Expression): Step | undefined {
  if (expression.kind === 'number') return undefined;
  if (expression.kind === 'factorial') return firstStep(expression.of);
  return firstStep(expression.left) ?? firstStep(expression.right) ?? expression;
}

/** Every step of an expression in the order it may be done, each as "3 + 4 = 7". Throws RangeError on division by 0. */
export function stepLines(expression: Expression): string[] {
  const lines: string[] = [];
  const done = (part: Expression): Fraction => {
    if (part.kind === 'number') return fraction(part.value);
    if (part.kind === 'factorial') {
      const of = done(part.of);
      const value = fraction(factorialOf(wholeOf(of)));
      lines.push(`${numeral(of)}! = ${numeral(value, false)}`);
      return value;
    }
    const [left, right] = [done(part.left), done(part.right)];
    const value = applySign(part.sign, left, right);
    lines.push(`${doingText(part.sign, left, right)} = ${numeral(value, false)}`);
    return value;
  };
  done(expression);
  return lines;
}

/** One step of two values, before it is done: "3 + 4", "2³". */
export function doingText(sign: StepSign, left: Fraction, right: Fraction): string {
  if (sign !== '^') return `${numeral(left)} ${shownSigns[sign]} ${numeral(right)}`;
  const [base, power] = [numeral(left), numeral(right)];
  return /^\d+$/.test(power)
    ? `${base.includes('/') ? `(${base})` : base}${[...power].map((digit) => superscripts[Number(digit)]).join('')}`
    : `${base}^(${power})`;
}

/** A value inside a line: below 0 in brackets unless it stands alone. */
export function numeral(value: Fraction, inLine = true): string {
  if (value.top >= 0) return fractionText(value);
  const text = `${shownSigns['-']}${fractionText({ ...value, top: -value.top })}`;
  return inLine ? `(${text})` : text;
}
