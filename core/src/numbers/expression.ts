import {
  addFractions,
  divideFractions,
  fraction,
  fractionText,
  multiplyFractions,
  subtractFractions,
  type Fraction,
} from './fraction.ts';

/** The four signs as typed on any keyboard. */
export const signs = ['+', '-', '*', '/'] as const;
export type Sign = (typeof signs)[number];

/** The signs as they are shown. */
export const shownSigns: Readonly<Record<Sign, string>> = { '+': '+', '-': '−', '*': '×', '/': '÷' };

/** A number, or one step from two expressions. */
export type Expression = NumberUsed | Step;
export interface NumberUsed {
  readonly kind: 'number';
  readonly value: number;
}
export interface Step {
  readonly kind: 'step';
  readonly sign: Sign;
  readonly left: Expression;
  readonly right: Expression;
}

export const numberUsed = (value: number): NumberUsed => ({ kind: 'number', value });
export const step = (sign: Sign, left: Expression, right: Expression): Step => ({
  kind: 'step',
  sign,
  left,
  right,
});

/** One step. Throws RangeError on division by 0. */
export function applySign(sign: Sign, left: Fraction, right: Fraction): Fraction {
  switch (sign) {
    case '+':
      return addFractions(left, right);
    case '-':
      return subtractFractions(left, right);
    case '*':
      return multiplyFractions(left, right);
    case '/':
      return divideFractions(left, right);
  }
}

/** What an expression comes to, exactly. Throws RangeError on division by 0. */
export function valueOf(expression: Expression): Fraction {
  return expression.kind === 'number'
    ? fraction(expression.value)
    : applySign(expression.sign, valueOf(expression.left), valueOf(expression.right));
}

/** The numbers an expression uses, left to right. */
export function numbersIn(expression: Expression): number[] {
  return expression.kind === 'number'
    ? [expression.value]
    : [...numbersIn(expression.left), ...numbersIn(expression.right)];
}

const isSum = (sign: Sign) => sign === '+' || sign === '-';

/**
 * An expression as text, with the brackets it needs and no more, multiplication before addition. `shown`: with the
 * proper signs and spaces between; otherwise as typed in ASCII. A number below 0 stands in brackets.
 */
export function expressionText(expression: Expression, shown = true): string {
  if (expression.kind === 'number') {
    const { value } = expression;
    return value < 0 ? `(${shown ? shownSigns['-'] : '-'}${-value})` : String(value);
  }
  const { sign, left, right } = expression;
  const inner = (part: Expression, atRight: boolean) => {
    const text = expressionText(part, shown);
    if (part.kind === 'number') return text;
    const looser = isSum(part.sign) && !isSum(sign);
    const turns = atRight && isSum(part.sign) === isSum(sign) && (sign === '-' || sign === '/');
    return looser || turns ? `(${text})` : text;
  };
  const between = shown ? ` ${shownSigns[sign]} ` : sign;
  return `${inner(left, false)}${between}${inner(right, true)}`;
}

/**
 * A key that is the same for expressions that differ only by order and brackets: sums and products are laid flat and
 * their parts sorted. `8-(3-2)` and `8+2-3` have one key; `6*1` and `6/1` have two.
 */
export function canonicalKey(expression: Expression): string {
  if (expression.kind === 'number') return String(expression.value);
  const with_: string[] = [];
  const against: string[] = [];
  const [plus, minus] = isSum(expression.sign) ? (['+', '-'] as const) : (['*', '/'] as const);
  const lay = (part: Expression, turned: boolean) => {
    if (part.kind === 'step' && isSum(part.sign) === isSum(expression.sign)) {
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
  return firstStep(expression.left) ?? firstStep(expression.right) ?? expression;
}

/** Every step of an expression in the order it may be done, each as "3 + 4 = 7". Throws RangeError on division by 0. */
export function stepLines(expression: Expression): string[] {
  const lines: string[] = [];
  const done = (part: Expression): Fraction => {
    if (part.kind === 'number') return fraction(part.value);
    const [left, right] = [done(part.left), done(part.right)];
    const value = applySign(part.sign, left, right);
    lines.push(`${numeral(left)} ${shownSigns[part.sign]} ${numeral(right)} = ${numeral(value, false)}`);
    return value;
  };
  done(expression);
  return lines;
}

/** A value inside a line: below 0 in brackets unless it stands alone. */
export function numeral(value: Fraction, inLine = true): string {
  if (value.top >= 0) return fractionText(value);
  const text = `${shownSigns['-']}${fractionText({ ...value, top: -value.top })}`;
  return inLine ? `(${text})` : text;
}
