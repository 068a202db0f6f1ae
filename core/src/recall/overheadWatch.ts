import { leastCorrectedMs } from './answerClass.ts';
import { quantile } from './quantile.ts';

/** Right answers of one way of capture that are watched, the latest; and which share of them is looked at. */
export const overheadWatched = { answers: 30, share: 0.1 } as const;

/**
 * The time that the fastest tenth of the latest answers took beyond the overhead as it was measured, ms, below 0 where they came
 * sooner than that. `beyondMs`: raw time less the measured overhead, newest first. Null with fewer than thirty.
 */
export function quickestTenth(beyondMs: readonly number[]): number | null {
  if (beyondMs.length < overheadWatched.answers) return null;
  return quantile(beyondMs.slice(0, overheadWatched.answers), overheadWatched.share);
}

/**
 * By how much less than measured the overhead is, ms, as the fastest tenth of the latest answers shows; 0: as measured. Nobody
 * answers a fact sooner than `leastCorrectedMs`, nor sooner than their own fastest tenth on facts that need no thought; a fastest
 * tenth more than a spread below that says that the keys are found sooner than they were.
 */
export function overheadShortByMs(
  quickestTenthMs: number | null,
  easyTimesMs: readonly number[],
  spreadMs: number,
): number {
  if (quickestTenthMs === null) return 0;
  const easiest =
    easyTimesMs.length < easyNeeded
      ? leastCorrectedMs
      : Math.max(leastCorrectedMs, quantile(easyTimesMs, overheadWatched.share));
  const short = easiest - quickestTenthMs;
  return short > spreadMs ? short : 0;
}

/** Times on facts that need no thought from which their own fastest tenth is known. */
const easyNeeded = 12;
