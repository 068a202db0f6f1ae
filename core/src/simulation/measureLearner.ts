import { normal, type RandomSource } from '../random/random.ts';
import type { FactKey } from '../facts/fact.ts';
import { classify, type Classified } from '../recall/answerClass.ts';
import { defaultSpreadMs } from '../recall/calibration.ts';
import type { Mark } from '../recall/mark.ts';
import { ask, type Learner, type LearnerAnswer } from './learner.ts';

/** How a simulated answer is measured. */
export interface LearnerMeasuring {
  readonly limitMs: number;
  /** Half the interquartile range of the overhead, ms. */
  readonly spreadMs?: number;
  /** What the tutor marks of an answer, given what it truly rested on. */
  readonly see?: (answer: LearnerAnswer) => readonly Mark[];
}

/** Half an interquartile range of a normal distribution, in standard deviations. */
const halfQuartiles = 0.6745;

/**
 * Asks a learner and measures the answer as the table would: the overhead varies by its spread around what is subtracted,
 * and an answer within one spread of the limit is in doubt.
 */
export function measure(
  learner: Learner,
  fact: FactKey,
  day: number,
  random: RandomSource,
  { limitMs, spreadMs = defaultSpreadMs, see = () => [] }: LearnerMeasuring,
): LearnerAnswer & { readonly measured: Classified; readonly seen: readonly Mark[] } {
  const answer = ask(learner, fact, day, random);
  const error = (spreadMs / halfQuartiles) * normal(random);
  const seen = see(answer);
  const measured = classify({
    latencyMs: Math.max(0, answer.latencyMs + error),
    voided: false,
    correct: answer.right,
    overheadMs: 0,
    spreadMs,
    limitMs,
    seen,
    aided: false,
  });
  return { ...answer, measured, seen };
}
