import { factKey, type FactKey } from '../facts/fact.ts';
import { factsInRange } from '../facts/range.ts';
import type { Operation } from '../facts/operation.ts';
import { createRandom } from '../random/random.ts';
import { makeCheckForm } from './checkForm.ts';

/** Days between two probes: every second week. */
export const probeEveryDays = 14;
/** The probe has one form: it never changes, so that its line stays comparable over years. */
const probeSeed = 20_261;

/** Operations of the constant mixed probe by grade (0 the first year of school); without a grade the pupil's own. */
export function probeOperations(grade: number | null, own: Operation): readonly Operation[] {
  if (grade === null) return [own];
  if (grade <= 2) return ['add', 'sub'];
  if (grade === 3) return ['add', 'sub', 'mul'];
  return ['add', 'sub', 'mul', 'div'];
}

/** Largest number of the probe's facts by grade: sums within 10 at first, then one-digit facts, then to 12. */
function probeLargest(grade: number | null): number {
  if (grade === null) return 10;
  return grade <= 1 ? 5 : grade <= 4 ? 10 : 12;
}

/**
 * The form of the constant mixed probe: the facts of the grade, always in the same order, operations turn about.
 * Source of the ranges: common practice by grade, as in gradeRanges.
 */
export function makeProbeForm(grade: number | null, own: Operation, count: number): FactKey[] {
  const lists = probeOperations(grade, own).map((operation, at) =>
    makeCheckForm(
      factsInRange(operation, probeLargest(grade)).map(factKey),
      count,
      createRandom(probeSeed + at),
    ),
  );
  return Array.from({ length: count }, (_, at) => {
    const list = lists[at % lists.length] as FactKey[];
    return list[Math.floor(at / lists.length)] as FactKey;
  });
}

/** A check mixed with earlier sets: every second prompt of this set, the others of those before it, in turn. */
export function makeMixedForm(
  ofSet: readonly FactKey[],
  earlier: readonly FactKey[],
  count: number,
  seed: number,
): FactKey[] {
  if (earlier.length < 2) return makeCheckForm(ofSet, count, createRandom(seed));
  const half = Math.ceil(count / 2);
  const here = makeCheckForm(ofSet, half, createRandom(seed));
  const there = makeCheckForm(earlier, half, createRandom(seed + 1));
  return Array.from({ length: count }, (_, at) => {
    const list = at % 2 === 0 ? here : there;
    return list[Math.floor(at / 2)] as FactKey;
  });
}
