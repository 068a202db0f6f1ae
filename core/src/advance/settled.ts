import type { Verdict } from './decision.ts';

/** A tutor's word settles what the school says for so long, days. */
export const settledDays = 14;

/** What the tutor last said about a set. */
export interface LastWord {
  readonly at: string;
  readonly verdict: Verdict;
  readonly setId: string;
  readonly toSetId: string;
}

/**
 * Whether the tutor's last word settles what the school says now (`verdict` on `setId`, at `now`, ISO 8601): it was to stay on
 * this set, on the same verdict, less than 14 days ago. New evidence that changes what the school says opens it again.
 */
export function isSettled(
  last: LastWord | null,
  verdict: Verdict,
  setId: string,
  now: string,
): last is LastWord {
  return (
    last !== null &&
    last.setId === setId &&
    last.toSetId === setId &&
    last.verdict === verdict &&
    Date.parse(now) - Date.parse(last.at) < settledDays * 86_400_000
  );
}
