import { answerOf, parseFactKey, type Fact, type FactKey } from '../facts/fact.ts';

/** What would produce a wrong answer, most telling first: the first that fits names the slip. */
export const slipKinds = [
  'zeroOneRule',
  'signOfAnswer',
  'otherOperation',
  'smallerFromLarger',
  'digitsSwapped',
  'teenForTy',
  'nextMultiple',
  'quotientOffByOne',
  'offByOne',
  'tenOff',
  'tenOrHundredLost',
  'operandRepeated',
  'neighbourFact',
  'offByTwo',
  'unread',
] as const;
export type SlipKind = (typeof slipKinds)[number];

/** Every kind of slip that would produce `given` for this fact; `['unread']` when none fits; empty when it is right. */
export function slipsOf(fact: Fact, given: number): SlipKind[] {
  const answer = answerOf(fact);
  if (given === answer) return [];
  const fits = slipKinds.filter((kind) => kind !== 'unread' && tests[kind](fact, given, answer));
  return fits.length === 0 ? ['unread'] : fits;
}

/** The kind that names a slip; undefined when what was given is unknown, not a number, or right. */
export function slipOf(key: FactKey, given: string | null): SlipKind | undefined {
  if (given === null || !/^-?\d+$/.test(given)) return undefined;
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
  signOfAnswer: (_fact, given, answer) => answer !== 0 && given === -answer,
  smallerFromLarger: ({ operation, left, right }, given) =>
    operation === 'sub' &&
    left % 10 < right % 10 &&
    given === 10 * gap(Math.floor(left / 10), Math.floor(right / 10)) + gap(left % 10, right % 10),
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
    operation === 'mul' &&
    ((gap(given, answer) === left && left > 1) || (gap(given, answer) === right && right > 1)),
  quotientOffByOne: ({ operation }, given, answer) => operation === 'div' && gap(given, answer) === 1,
  offByOne: (_fact, given, answer) => gap(given, answer) === 1,
  tenOff: (_fact, given, answer) => gap(given, answer) === 10,
  tenOrHundredLost: (_fact, given, answer) =>
    answer - given === 100 ||
    (answer >= 10 &&
      given < answer &&
      (given === answer % 10 || given === answer % 100 || given * 10 === answer)),
  operandRepeated: ({ operation, left, right }, given) =>
    given === left ||
    given === right ||
    (operation === 'add' && (given === 2 * left || given === 2 * right)) ||
    (operation === 'mul' && (given === left * left || given === right * right)),
  offByTwo: ({ operation }, given, answer) =>
    (operation === 'mul' || operation === 'div') && gap(given, answer) === 2,
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
