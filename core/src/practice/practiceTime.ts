/** Nothing happening for longer than this is no practice, ms. */
export const longestGapMs = 60_000;

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
