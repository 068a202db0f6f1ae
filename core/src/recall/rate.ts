import { answerOf, parseFactKey } from '../facts/fact.ts';
import { isRight, type Answer } from './answer.ts';
import type { Ceiling } from './ceiling.ts';
import { classifyAnswer } from './answerClass.ts';
import { digitsCorrect } from './digits.ts';
import { quartiles } from './quantile.ts';

/** The right answers a minute that common practice asks before moving on (no published source). */
export const commonAim = 30;
/** The share of a child's ceiling that can fairly be asked. */
export const ceilingShare = 0.9;

/** The aim of a minute, right answers a minute: the smaller of 30 and 0.9 × ceiling. `binds`: the ceiling is what limits it. */
export function aimPerMinute(
  ceiling: Pick<Ceiling, 'perMinute'> | null,
  wanted: number = commonAim,
): { readonly perMinute: number; readonly binds: boolean } {
  const reachable = ceiling === null ? Infinity : ceilingShare * ceiling.perMinute;
  return reachable < wanted ? { perMinute: reachable, binds: true } : { perMinute: wanted, binds: false };
}

/** A minute cut off before this is no check: what came in so little time says nothing of a minute. Common practice. */
export const leastCheckMs = 20_000;

/** Whether so much of a minute was used that it may be scaled to a whole one. A minute planned shorter has to be whole. */
export function isScalable(usedMs: number, lengthMs: number): boolean {
  return usedMs >= Math.min(leastCheckMs, lengthMs);
}

/** So many in `usedMs`, scaled to a minute. Zero time gives 0. */
export function perMinute(count: number, usedMs: number): number {
  return usedMs > 0 ? (count * 60_000) / usedMs : 0;
}

/** What a minute comes to. */
export interface MinuteSummary {
  readonly right: number;
  readonly wrong: number;
  readonly usedMs: number;
  /** Null: too little of the minute was used. The same of the two rates below. */
  readonly rightPerMinute: number | null;
  readonly wrongPerMinute: number | null;
  /** Keypad only; null otherwise. Comparable only roughly with written sheets. */
  readonly digitsPerMinute: number | null;
  /** Corrected times of right answers, ms; null when none was timed. */
  readonly timeMs: { readonly lower: number; readonly median: number; readonly upper: number } | null;
}

/** Sums up the answers of one minute of `lengthMs` over the time it used. */
export function summariseMinute(answers: readonly Answer[], usedMs: number, lengthMs: number): MinuteSummary {
  const rate = (count: number) => (isScalable(usedMs, lengthMs) ? perMinute(count, usedMs) : null);
  const right = answers.filter((one) => isRight(one.judgement)).length;
  const wrong = answers.length - right;
  const times = answers
    .filter((one) => isRight(one.judgement))
    .map((one) => classifyAnswer(one).correctedMs)
    .filter((time): time is number => time !== null);
  const typed = answers.filter((one) => one.way === 'keypad');
  const digits = typed.reduce(
    (sum, one) => sum + digitsCorrect(one.given ?? '', String(answerOf(parseFactKey(one.fact)))).correct,
    0,
  );
  return {
    right,
    wrong,
    usedMs,
    rightPerMinute: rate(right),
    wrongPerMinute: rate(wrong),
    digitsPerMinute: typed.length === answers.length && typed.length > 0 ? rate(digits) : null,
    timeMs: times.length === 0 ? null : quartiles(times),
  };
}
