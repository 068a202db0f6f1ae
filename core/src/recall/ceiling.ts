import { median } from './quantile.ts';

/** What a ceiling rests on: the child's own answers on facts that need no thought any more, or naming numbers. */
export const ceilingSources = ['ownAnswers', 'naming'] as const;
export type CeilingSource = (typeof ceilingSources)[number];

/** The most a child can give in a minute, whatever is known. */
export interface Ceiling {
  readonly perMinute: number;
  readonly from: CeilingSource;
  /** How many intervals it rests on. */
  readonly answers: number;
  /** One's own answers were slower still, and it was held to what naming allows. */
  readonly held?: boolean;
}

/**
 * Answers on facts recalled or kept that a ceiling of one's own needs, days looked back over, the latest answers taken; and how many
 * times as long as naming a number recalling may take: one who needs longer still is probably deriving what passes for recall.
 */
export const ownCeiling = { needs: 12, days: 90, latest: 60, mostSlower: 1.4 } as const;
/** Numbers named that a ceiling of naming needs. */
export const namingCeilingNeeds = 6;

/**
 * A ceiling from the child's own answers: 60 s over the median interval from prompt to prompt, ms, on facts recalled or kept,
 * right and without an aid, in minutes and drills of the same way of capture (in a drill the time to the answer's end): the
 * latest 60 of 90 days. Null with fewer than 12.
 */
export function ownCeilingOf(intervalsMs: readonly number[]): Ceiling | null {
  const usable = intervalsMs.filter((ms) => ms > 0);
  return usable.length < ownCeiling.needs ? null : from('ownAnswers', usable);
}

/** A ceiling from numbers only read and given; null with fewer than six. */
export function namingCeilingOf(intervalsMs: readonly number[]): Ceiling | null {
  return intervalsMs.length < namingCeilingNeeds ? null : from('naming', intervalsMs);
}

/**
 * The ceiling in force. Naming serves only until the child's own answers are enough: for many children naming is quicker than
 * recalling, and would ask of them what they can never give.
 */
export function ceilingInForce(own: Ceiling | null, naming: Ceiling | null): Ceiling | null {
  if (!own || !naming) return own ?? naming;
  const least = naming.perMinute / ownCeiling.mostSlower;
  return own.perMinute < least ? { ...own, perMinute: least, held: true } : own;
}

const from = (source: CeilingSource, intervalsMs: readonly number[]): Ceiling => ({
  perMinute: 60_000 / median(intervalsMs),
  from: source,
  answers: intervalsMs.length,
});
