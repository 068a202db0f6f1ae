import { answerOf, factText, type Fact } from '../facts/fact.ts';

/** One step of a say-now line: what is said, and the sum it states, so that its truth can be checked. */
export interface SayNowStep {
  readonly says: string;
  /** In ASCII with + - * /, as any calculator reads it. */
  readonly expression: string;
  readonly value: number;
}

/**
 * What to say of a fact that was missed: the way to it by strategy, in steps, the last of which gives the answer.
 * Numbers as digits, so that a tutor reads it at a glance. The ways are those of the sets by strategy.
 */
export function sayNowSteps(fact: Fact): SayNowStep[] {
  switch (fact.operation) {
    case 'add':
      return sumSteps(Math.max(fact.left, fact.right), Math.min(fact.left, fact.right));
    case 'sub':
      return differenceSteps(fact.left, fact.right);
    case 'mul':
      return productSteps(...tableAndOther(fact.left, fact.right));
    case 'div':
      return quotientSteps(fact);
  }
}

/** The line: "8 × 7: double 7 is 14, double again 28, double again 56." */
export function sayNowLine(fact: Fact): string {
  return `${factText(fact)}: ${sayNowSteps(fact)
    .map((one) => one.says)
    .join(', ')}.`;
}

const step = (says: string, expression: string, value: number): SayNowStep => ({ says, expression, value });

/** Larger number first. */
function sumSteps(large: number, small: number): SayNowStep[] {
  const sum = large + small;
  const whole = `${large}+${small}`;
  if (small === 0) return [step(`nothing is added, ${large} stays ${large}`, whole, sum)];
  if (small === 1) return [step(`one more than ${large} is ${sum}`, whole, sum)];
  if (small === 2) return [step(`two more than ${large}, ${large + 1}, ${sum}`, whole, sum)];
  if (large === small) return [step(`double ${large} is ${sum}`, `2*${large}`, sum)];
  if (sum === 10) return [step(`${large} and ${small} fill the ten`, whole, sum)];
  if (large === 10 || small === 10) {
    const some = large === 10 ? small : large;
    return [step(`ten and ${some} is ${sum}`, `10+${some}`, sum)];
  }
  if (large > 10) {
    const over = large - 10;
    return [
      step(`ten and ${small} is ${10 + small}`, `10+${small}`, 10 + small),
      step(`and ${over} more is ${sum}`, `${10 + small}+${over}`, sum),
    ];
  }
  if (large - small === 1) {
    return [
      step(`double ${small} is ${2 * small}`, `2*${small}`, 2 * small),
      step(`and one more is ${sum}`, `${2 * small}+1`, sum),
    ];
  }
  if (sum > 10) {
    const gap = 10 - large;
    return [
      step(`${large} and ${gap} fill the ten`, `${large}+${gap}`, 10),
      step(`and ${small - gap} more is ${sum}`, `10+${small - gap}`, sum),
    ];
  }
  if (large - small === 2) {
    const between = small + 1;
    return [
      step(`one from ${large} to ${small} makes two ${between}s`, `${small}+1`, between),
      step(`double ${between} is ${sum}`, `2*${between}`, sum),
    ];
  }
  const counted = Array.from({ length: small }, (_, at) => large + at + 1).join(', ');
  return [step(`start at ${large}, ${small} more, ${counted}`, whole, sum)];
}

function differenceSteps(from: number, taken: number): SayNowStep[] {
  const left = from - taken;
  const whole = `${from}-${taken}`;
  if (taken === 0) return [step(`take nothing, ${from} stays ${from}`, whole, left)];
  if (left === 0) return [step(`take all ${from}, none are left`, whole, left)];
  if (taken === 1) return [step(`one less than ${from} is ${left}`, whole, left)];
  if (taken === 2) return [step(`two back from ${from}, ${from - 1}, ${left}`, whole, left)];
  if (taken === left) return [step(`half of ${from} is ${left}`, `${from}/2`, left)];
  if (from === 10) {
    return [
      step(`${taken} and ${left} fill the ten`, `${taken}+${left}`, 10),
      step(`so ${left} are left`, whole, left),
    ];
  }
  if (taken === 10) return [step(`take the ten, ${left} are left`, whole, left)];
  if (left <= 2) {
    const counted = Array.from({ length: left }, (_, at) => taken + at + 1).join(', ');
    return [step(`from ${taken} up to ${from}, ${counted}, that is ${left}`, whole, left)];
  }
  if (taken > 10) {
    return [
      step(`${from} less ten is ${from - 10}`, `${from}-10`, from - 10),
      step(`less ${taken - 10} more is ${left}`, `${from - 10}-${taken - 10}`, left),
    ];
  }
  const ones = from - 10;
  if (from > 10 && from < 20 && taken > ones) {
    return [
      step(`back to ten, ${from} less ${ones} is 10`, `${from}-${ones}`, 10),
      step(`less ${taken - ones} more is ${left}`, `10-${taken - ones}`, left),
    ];
  }
  return [
    step(`${taken} and ${left} make ${from}`, `${taken}+${left}`, from),
    step(`so ${left} are left`, whole, left),
  ];
}

/** The tables in the order in which they help most; the number named here leads, the other is what is grouped. */
const leadingTables = [0, 1, 2, 10, 5, 4, 8, 3, 6, 9, 11, 12, 7];

function tableAndOther(left: number, right: number): [table: number, other: number] {
  const table = leadingTables.find((one) => one === left || one === right) ?? Math.min(left, right);
  return table === left ? [left, right] : [right, left];
}

function productSteps(table: number, n: number): SayNowStep[] {
  const many = (count: string, value: number, factor: number) =>
    step(`${count} ${n}s are ${value}`, `${factor}*${n}`, value);
  const again = (says: string, from: number) => step(`${says} ${2 * from}`, `2*${from}`, 2 * from);
  const double = step(`double ${n} is ${2 * n}`, `2*${n}`, 2 * n);
  switch (table) {
    case 0:
      return [step('no groups, or groups of nothing, are nothing: 0', `0*${n}`, 0)];
    case 1:
      return [step(`one group of ${n} is ${n}`, `1*${n}`, n)];
    case 2:
      return [double];
    case 3:
      return [double, step(`one more ${n} is ${3 * n}`, `${2 * n}+${n}`, 3 * n)];
    case 4:
      return [double, again('double again', 2 * n)];
    case 5:
      return [many('ten', 10 * n, 10), step(`half of that is ${5 * n}`, `${10 * n}/2`, 5 * n)];
    case 6:
      return [many('three', 3 * n, 3), again('double that is', 3 * n)];
    case 8:
      return [double, again('double again', 2 * n), again('double again', 4 * n)];
    case 9:
      return [many('ten', 10 * n, 10), step(`less one ${n} is ${9 * n}`, `${10 * n}-${n}`, 9 * n)];
    case 10:
      return [step(`${n} tens are ${10 * n}`, `10*${n}`, 10 * n)];
    case 11:
      return [many('ten', 10 * n, 10), step(`one more ${n} is ${11 * n}`, `${10 * n}+${n}`, 11 * n)];
    case 12:
      return [
        many('ten', 10 * n, 10),
        many('two', 2 * n, 2),
        step(`together ${12 * n}`, `${10 * n}+${2 * n}`, 12 * n),
      ];
    default: {
      const rest = table - 5;
      return [
        many('five', 5 * n, 5),
        step(`${rest} more ${n}s are ${rest * n}`, `${rest}*${n}`, rest * n),
        step(`together ${table * n}`, `${5 * n}+${rest * n}`, table * n),
      ];
    }
  }
}

/** Back from the product: how the table gets there, and what that says of the division. */
function quotientSteps(fact: Fact): SayNowStep[] {
  const { left: total, right: group } = fact;
  const answer = answerOf(fact);
  const last = step(
    answer === 1 ? `so one group of ${group}` : `so ${answer} groups of ${group}`,
    `${total}/${group}`,
    answer,
  );
  if (total === 0) return [step('nothing to share, so 0', `0/${group}`, 0)];
  if (group === 1) return [step(`in ones there are ${total} groups`, `${total}/1`, answer)];
  return [...productSteps(...tableAndOther(answer, group)), last];
}
