import { answerOf, parseFactKey, type Fact, type FactKey } from '../facts/fact.ts';

/** What would produce a wrong answer, most telling first: the first that fits names the slip. */
export const slipKinds = [
  'zeroOneRule',
  'otherOperation',
  'digitsSwapped',
  'teenForTy',
  'nextMultiple',
  'offByOne',
  'tenOrHundredLost',
  'operandRepeated',
  'neighbourFact',
  'unread',
] as const;
export type SlipKind = (typeof slipKinds)[number];

/** The name of each kind, and the aid that answers a pattern of it. */
export const slipTexts: Readonly<Record<SlipKind, { readonly name: string; readonly answer: string }>> = {
  zeroOneRule: {
    name: 'zero or one rule',
    answer: 'Lay it out with counters: groups of nothing, one group.',
  },
  otherOperation: {
    name: 'the other operation',
    answer: 'Say the sign aloud first; lay the look-alike signs side by side.',
  },
  digitsSwapped: { name: 'digits swapped', answer: 'Say the tens first and write it on the place frame.' },
  teenForTy: { name: 'teen for ty', answer: 'Say both and point to them on the hundred square.' },
  nextMultiple: {
    name: 'next or previous multiple',
    answer: 'Say the row of the table with one row alone in sight.',
  },
  offByOne: { name: 'off by one', answer: 'Number line: start on the first number, count the hops.' },
  tenOrHundredLost: {
    name: 'ten or hundred lost',
    answer: 'Bead frame or place frame: keep the ten in sight.',
  },
  operandRepeated: {
    name: 'one number repeated',
    answer: 'Have the whole fact said, both numbers pointed to.',
  },
  neighbourFact: { name: 'a neighbour fact', answer: 'Lay the two facts side by side as arrays.' },
  unread: { name: 'not read', answer: 'Ask how it was found.' },
};

/** Every kind of slip that would produce `given` for this fact; `['unread']` when none fits; empty when it is right. */
export function slipsOf(fact: Fact, given: number): SlipKind[] {
  const answer = answerOf(fact);
  if (given === answer) return [];
  const fits = slipKinds.filter((kind) => kind !== 'unread' && tests[kind](fact, given, answer));
  return fits.length === 0 ? ['unread'] : fits;
}

/** The kind that names a slip; undefined when what was given is unknown, not a number, or right. */
export function slipOf(key: FactKey, given: string | null): SlipKind | undefined {
  if (given === null || !/^\d+$/.test(given)) return undefined;
  return slipsOf(parseFactKey(key), Number(given))[0];
}

const gap = (a: number, b: number) => Math.abs(a - b);
const around = [-1, 0, 1] as const;

const tests: Readonly<
  Record<Exclude<SlipKind, 'unread'>, (fact: Fact, given: number, answer: number) => boolean>
> = {
  zeroOneRule: ({ operation, left, right }, given) => {
    const other = left === 0 || left === 1 ? right : left;
    switch (operation) {
      case 'add':
        return (left === 0 || right === 0) && given === 0;
      case 'sub':
        return (right === 0 && given === 0) || (left === right && given === left);
      case 'mul':
        if (left === 0 || right === 0) return given === Math.max(left, right);
        return (left === 1 || right === 1) && (given === 1 || given === other + 1);
      case 'div':
        return (
          (left === 0 && given === right) ||
          (right === 1 && given === 1) ||
          (left === right && (given === 0 || given === left))
        );
    }
  },
  otherOperation: ({ operation, left, right }, given) => {
    const results: Record<Fact['operation'], number> = {
      add: left + right,
      sub: gap(left, right),
      mul: left * right,
      div: right !== 0 && left % right === 0 ? left / right : Number.NaN,
    };
    return Object.entries(results).some(([name, result]) => name !== operation && result === given);
  },
  digitsSwapped: (_fact, given, answer) =>
    answer >= 10 &&
    answer % 10 !== 0 &&
    given !== answer &&
    given === Number([...String(answer)].reverse().join('')),
  teenForTy: (_fact, given, answer) => {
    const teen = Math.min(given, answer);
    return teen >= 13 && teen <= 19 && Math.max(given, answer) === (teen - 10) * 10;
  },
  nextMultiple: ({ operation, left, right }, given, answer) =>
    operation === 'mul'
      ? (gap(given, answer) === left && left > 1) || (gap(given, answer) === right && right > 1)
      : operation === 'div' && gap(given, answer) === 1,
  offByOne: (_fact, given, answer) => gap(given, answer) === 1,
  tenOrHundredLost: (_fact, given, answer) =>
    answer - given === 10 ||
    answer - given === 100 ||
    (answer >= 10 &&
      given < answer &&
      (given === answer % 10 || given === answer % 100 || given * 10 === answer)),
  operandRepeated: ({ operation, left, right }, given) =>
    given === left ||
    given === right ||
    (operation === 'add' && (given === 2 * left || given === 2 * right)) ||
    (operation === 'mul' && (given === left * left || given === right * right)),
  neighbourFact: ({ operation, left, right }, given) =>
    operation !== 'div' &&
    around.some((a) =>
      around.some((b) => {
        const [l, r] = [left + a, right + b];
        return (
          l >= 0 &&
          r >= 0 &&
          (operation !== 'sub' || l >= r) &&
          answerOf({ operation, left: l, right: r }) === given
        );
      }),
    ),
};

/** A wrong answer as the reader of slips takes it. */
export interface ReadSlip {
  readonly id: string;
  readonly fact: FactKey;
  readonly given: string | null;
  /** The visit it was given in. */
  readonly visit: string;
  readonly kind: SlipKind;
}

/** The number of one kind that makes a pattern, and the slips looked back over. */
export const patternNeeds = 3;
export const patternLooksBack = 10;

/**
 * Patterns among slips, oldest first: three of one kind within the last ten slips, or within the last two visits.
 * Slips not read make no pattern.
 */
export function slipPatterns(
  slips: readonly ReadSlip[],
): { readonly kind: SlipKind; readonly slips: readonly ReadSlip[] }[] {
  const visits = new Set([...new Set(slips.map((one) => one.visit))].slice(-2));
  const lookedAt = slips.filter((one, at) => at >= slips.length - patternLooksBack || visits.has(one.visit));
  return slipKinds
    .filter((kind) => kind !== 'unread')
    .map((kind) => ({ kind, slips: lookedAt.filter((one) => one.kind === kind) }))
    .filter((one) => one.slips.length >= patternNeeds)
    .sort((a, b) => b.slips.length - a.slips.length);
}
