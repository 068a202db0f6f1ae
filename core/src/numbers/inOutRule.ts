import type { Operation } from '../facts/operation.ts';

/** A number that goes in, and what comes out. */
export type InOut = readonly [goesIn: number, comesOut: number];

/** What an in-and-out box does: n + 3, n × 4. */
export interface BoxRule {
  readonly operation: Operation;
  readonly by: number;
}

/** A box of which one pair is wrong: the rule, which pair, and what should come out there. */
export interface WrongPair extends BoxRule {
  readonly wrong: number;
  readonly should: number;
}

/** Every rule of a box: n + 1 to 20, n − 1 to 20, n × 2 to 12, n ÷ 2 to 12. */
export const boxRules: readonly BoxRule[] = (
  [
    ['add', 1, 20],
    ['sub', 1, 20],
    ['mul', 2, 12],
    ['div', 2, 12],
  ] as const
).flatMap(([operation, least, most]) =>
  Array.from({ length: most - least + 1 }, (_, at) => ({ operation, by: least + at })),
);

/** What comes out; null: nothing whole at or above 0. */
export function comesOutOf({ operation, by }: BoxRule, goesIn: number): number | null {
  const out =
    operation === 'add'
      ? goesIn + by
      : operation === 'sub'
        ? goesIn - by
        : operation === 'mul'
          ? goesIn * by
          : goesIn / by;
  return Number.isInteger(out) && out >= 0 ? out : null;
}

/** The one rule that fits all pairs but exactly one, by trying all of them; null: none does, or more than one. */
export function wrongPairOf(pairs: readonly InOut[]): WrongPair | null {
  const found = boxRules.flatMap((rule): WrongPair[] => {
    const wrong = pairs.flatMap(([goesIn, out], at) => (comesOutOf(rule, goesIn) === out ? [] : [at]));
    const [at] = wrong;
    if (at === undefined || wrong.length > 1) return [];
    const should = comesOutOf(rule, pairs[at]?.[0] ?? 0);
    return should === null ? [] : [{ ...rule, wrong: at, should }];
  });
  const [only, ...others] = found;
  return only && others.length === 0 ? only : null;
}
