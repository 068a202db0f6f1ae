/** Nothing happening for longer than this is no practice, ms. */
export const longestGapMs = 60_000;

/** What is known of a play for its practice time; instants and lengths in ms. */
export interface PlayUnderWay {
  readonly startedMs: number;
  readonly endedMs: number;
  /** When anything was answered, counted or moved. */
  readonly happenedMs: readonly number[];
  /** What the play's own clock says. */
  readonly usedMs: number;
  readonly calm: boolean;
}

/** Practice time of a play, ms: no more than its gaps come to, and no more than its own clock says while that ran; none where nothing happened. */
export function playPracticeMs({ startedMs, endedMs, happenedMs, usedMs, calm }: PlayUnderWay): number {
  if (happenedMs.length === 0) return 0;
  const between = practiceMs([startedMs, endedMs, ...happenedMs]);
  // A table turned calm counts no more time; it is practice all the same.
  return calm ? between : Math.min(between, usedMs);
}

/**
 * Time under way between some instants (ms, in any order): the sum of the gaps between one and the next, each counted at most
 * a minute. What stands still, for whatever reason, is not practice.
 */
export function practiceMs(instants: readonly number[]): number {
  const sorted = [...instants].sort((a, b) => a - b);
  return sorted.reduce(
    (sum, at, nth) => (nth === 0 ? 0 : sum + Math.min(longestGapMs, at - (sorted[nth - 1] as number))),
    0,
  );
}
