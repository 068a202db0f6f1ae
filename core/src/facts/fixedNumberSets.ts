import type { SetPlan } from './factSet.ts';
import type { Operation } from './operation.ts';

const oneTo = (from: number, to: number): number[] =>
  Array.from({ length: to - from + 1 }, (_, at) => from + at);

/** The pathway by fixed number: +0 ... +12 and the like, one set a number. */
export const fixedNumberSets: Readonly<Record<Operation, readonly SetPlan[]>> = {
  add: oneTo(0, 12).map((n) => ({
    slug: `plus-${n}`,
    name: `+${n}`,
    hint: n === 0 ? 'Nothing is added.' : `Start from the larger number and add ${n}.`,
    aids: ['numberLine', 'tenFrame'],
    leansOn: n === 0 ? [] : [`plus-${n - 1}`],
    rule: { kind: 'part', values: [n] },
    everyFact: n === 1 || n === 2,
  })),
  sub: oneTo(0, 12).map((n) => ({
    slug: `minus-${n}`,
    name: `\u2212${n}`,
    hint: n === 0 ? 'Nothing is taken.' : `What and ${n} make the first number?`,
    aids: ['numberLine', 'tenFrame'],
    leansOn: n === 0 ? [] : [`minus-${n - 1}`],
    rule: { kind: 'taken', values: [n] },
    everyFact: n === 1 || n === 2,
  })),
  mul: oneTo(0, 12).map((n) => ({
    slug: `times-${n}`,
    name: `\u00d7${n}`,
    hint: n === 0 ? 'No groups, or groups of nothing.' : `Groups of ${n}.`,
    aids: ['tableRow', 'array'],
    leansOn: n === 0 ? [] : [`times-${n - 1}`],
    rule: { kind: 'part', values: [n] },
  })),
  div: oneTo(1, 12).map((n) => ({
    slug: `by-${n}`,
    name: `\u00f7${n}`,
    hint: `How many ${n}s make it?`,
    aids: ['tableRow', 'array'],
    leansOn: n === 1 ? [] : [`by-${n - 1}`],
    rule: { kind: 'taken', values: [n] },
  })),
};
