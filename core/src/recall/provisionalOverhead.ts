import { needsNoThought, parseFactKey } from '../facts/fact.ts';
import type { Answer } from './answer.ts';
import { defaultSpreadMs, largestSpreadShare, type Overhead } from './calibration.ts';
import { median, quantile } from './quantile.ts';

/**
 * What even a fact that needs no thought takes beyond copying a number, ms: its sign and second number are read. Some 0.1 to 0.3 s
 * in published times of adults and older children, from memory; the smaller the allowance, the more is taken off.
 */
export const easyThoughtMs = 200;
/** Answers on facts that need no thought that a provisional overhead rests on: the first of a visit. */
export const easyAnswersNeeded = 6;
/** No key is found sooner, and no child looks longer for one, ms. */
const leastOverheadMs = 100;
const mostOverheadMs = 2500;

/**
 * The overhead of a keypad nobody measured, from the raw times of a visit's first answers on facts that need no thought, ms, in the
 * order given: their median less `easyThoughtMs`. It is flagged as not calibrated. Null with fewer than six, and where they are so slow
 * or so uneven that the child seems to think about them after all.
 */
export function provisionalOverhead(rawMs: readonly number[]): Overhead | null {
  if (rawMs.length < easyAnswersNeeded) return null;
  const first = rawMs.slice(0, easyAnswersNeeded);
  const overheadMs = Math.max(leastOverheadMs, median(first) - easyThoughtMs);
  const spreadMs = (quantile(first, 0.75) - quantile(first, 0.25)) / 2;
  if (overheadMs > mostOverheadMs || spreadMs > largestSpreadShare * median(first)) return null;
  return {
    overheadMs,
    spreadMs: Math.max(defaultSpreadMs, spreadMs),
    calibrated: false,
    samples: first.length,
    because: `Provisional, from ${first.length} answers that needed no thought.`,
  };
}

/** Whether an answer tells how long the keypad itself takes. */
export function isEasyAnswer(answer: Answer): answer is Answer & { readonly latencyMs: number } {
  return (
    answer.way === 'keypad' &&
    answer.judgement === 'right' &&
    answer.latencyMs !== null &&
    !answer.voided &&
    !answer.aided &&
    (answer.hidden ?? 'result') === 'result' &&
    needsNoThought(parseFactKey(answer.fact))
  );
}

/** The raw times of those that tell how long the keypad itself takes, in the order given, ms. */
export function easyRawMs(answers: readonly Answer[]): number[] {
  return answers.filter(isEasyAnswer).map((one) => one.latencyMs);
}
