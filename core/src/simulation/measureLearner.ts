import type { FactKey } from '../facts/fact.ts';
import { normal, type RandomSource } from '../random/random.ts';
import { classify, type Classified } from '../recall/answerClass.ts';
import type { Mark } from '../recall/mark.ts';
import { yardstick, type World } from './figures.ts';
import { ask, type Learner, type LearnerAnswer } from './learner.ts';

/** How a simulated answer is measured. */
export interface LearnerMeasuring {
  readonly limitMs: number;
  /** What the tutor marks of an answer, given what it truly rested on. */
  readonly see?: (answer: LearnerAnswer) => readonly Mark[];
  readonly world?: World;
  /** The visit it falls in, from 0: overheads drift. */
  readonly visit?: number;
  /** What is subtracted, ms; as the world has it when left out. */
  readonly overheadMs?: number;
}

/** Half an interquartile range of a normal distribution, in standard deviations. */
const halfQuartiles = 0.6745;

export interface MeasuredAnswer extends LearnerAnswer {
  readonly measured: Classified;
  readonly seen: readonly Mark[];
  /** Prompt to answer as the clock has it, ms. */
  readonly rawMs: number;
}

/**
 * Asks a learner and measures the answer as the table would: the true overhead varies by its spread around what it is on that
 * visit, and what is subtracted may be off; an answer within one spread of the limit is in doubt.
 */
export function measure(
  learner: Learner,
  fact: FactKey,
  day: number,
  random: RandomSource,
  { limitMs, see = () => [], world = yardstick, visit = 0, overheadMs }: LearnerMeasuring,
): MeasuredAnswer {
  const answer = ask(learner, fact, day, random);
  const rawMs = rawTimeMs(answer.latencyMs, world, visit, random);
  const seen = see(answer);
  const measured = classify({
    latencyMs: rawMs,
    voided: false,
    correct: answer.right,
    overheadMs: overheadMs ?? world.trueOverheadMs + world.overheadOffMs,
    spreadMs: world.spreadMs,
    limitMs,
    seen,
    aided: false,
  });
  return { ...answer, measured, seen, rawMs };
}

/** The raw time of what took a learner so long, ms: with the overhead as it is on that visit, which varies by its spread. */
export function rawTimeMs(latencyMs: number, world: World, visit: number, random: RandomSource): number {
  const error = (world.spreadMs / halfQuartiles) * normal(random);
  const trueMs = Math.max(world.trueOverheadMs / 2, world.trueOverheadMs - world.overheadDriftMs * visit);
  return Math.max(0, latencyMs + trueMs + error);
}
