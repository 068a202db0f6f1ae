import { factKey } from '../../../facts/fact.ts';
import { isOnMap, skillItem } from '../../../facts/item.ts';
import { askedFact, askSum } from '../../askFact.ts';
import type { Asked } from '../../need.ts';
import { say } from '../../tell/sentence.ts';

export interface TrailRules {
  /** What stands on the first square, and by how much it goes on. */
  readonly first: number;
  readonly step: number;
  /** Whole rows of ten. */
  readonly squares: number;
  /** Every other row goes back the way the one before came. */
  readonly turning: boolean;
}

/** Squares of a row. */
export const across = 10;

/** What belongs on a square of a trail, counted from 1. */
export const numberAt = ({ first, step }: TrailRules, square: number): number => first + (square - 1) * step;

/** Squares in the order in which they lie, row by row from the left. */
export const laidOut = ({ squares, turning }: TrailRules): number[] =>
  Array.from({ length: squares }, (_, at) => {
    const [row, col] = [Math.floor(at / across), at % across];
    return row * across + (turning && row % 2 === 1 ? across - 1 - col : col) + 1;
  });

/**
 * What is to be said of a square that a counter comes to: of a table its fact, of ones the sum; else counting on. `written`: it
 * stands there already.
 */
export function askSquare(
  rules: TrailRules,
  seat: number,
  { from, to, written }: { readonly from: number; readonly to: number; readonly written: boolean },
): Asked {
  const { first, step } = rules;
  const begins = numberAt(rules, from);
  if (step === 1) return askSum(seat, begins, to - from);
  const fact = factKey({ operation: 'mul', left: to, right: step });
  const answer = String(numberAt(rules, to));
  // How many of them it is can be seen by the place of its square.
  if (first === step && isOnMap(fact)) return askedFact(seat, fact, `${to} \u00d7 ${step}`, answer, written);
  const shown = say('stepsOn', { from: begins, steps: to - from, by: step });
  return {
    seat,
    item: skillItem(`count:${step}`),
    shown,
    answer,
    whole: say('isEqual', { shown, answer }),
    untimed: true,
  };
}
