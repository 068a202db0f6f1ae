import { allChoices } from './choice.ts';
import type { Expression, Sign } from './expression.ts';
import { reach } from './reach.ts';

/** A number that lies there, and of how many of the dealt ones it was made. */
export interface RoadNumber {
  readonly worth: number;
  readonly of: number;
}

/** What a number is worth at the end of a road: the nearer to the target, and the more were used, the more. */
export const roadPoints = (target: number, { worth, of }: RoadNumber): number => {
  const near = mostNear - Math.abs(target - worth);
  return near > 0 ? near + of : 0;
};

/** Points for the target itself; one less for each it is off. */
export const mostNear = 10;

export interface Road {
  readonly points: number;
  readonly value: number;
  /** A line to it; one number alone where nothing better can be joined. */
  readonly line: Expression;
}

/**
 * The road worth most points from the numbers that lie there, by the rules of the table; undefined: none is worth any.
 * Exact: every choice of numbers that could be worth more is worked out. Throws RangeError as `reach` does.
 */
export function bestRoad(
  numbers: readonly RoadNumber[],
  target: number,
  signs: readonly Sign[],
): Road | undefined {
  const chosen = allChoices(numbers.length).map((choice) => {
    const some = numbers.filter((_, at) => (choice >> at) & 1);
    return { some, of: some.reduce((sum, one) => sum + one.of, 0) };
  });
  // The most used first, so that what follows soon can be worth no more.
  chosen.sort((a, b) => b.of - a.of || b.some.length - a.some.length);
  let best: Road | undefined;
  for (const { some, of } of chosen) {
    const missing = best ? best.points - of : 0;
    if (missing >= mostNear) break;
    // Nothing further off than this is worth more than what was found.
    const off = mostNear - 1 - Math.max(0, missing);
    const [from, to] = [Math.max(0, target - off), target + off];
    const found = reach({ numbers: some.map(({ worth }) => worth), signs, from, to, least: some.length });
    for (const value of found.values) {
      const points = roadPoints(target, { worth: value, of });
      if (points > (best?.points ?? 0)) best = { points, value, line: found.lineFor(value) as Expression };
    }
  }
  return best;
}
