/** Two claims nearer than this are a tie, ms. */
export const tieMs = 40;

/** A seat's claim to have been first, ms on one clock. */
export interface Claim {
  readonly seat: number;
  readonly atMs: number;
}

/** The longest head start, ms: beyond it no race is left. */
export const longestHeadStartMs = 4000;

/**
 * Head starts of a levelled race, ms by seat: the slowest seat's time on the fact at hand less each seat's own is what the
 * others give. `timesMs` are the seats' own usual times; null: not known, taken as the mean of those known.
 */
export function headStarts(timesMs: readonly (number | null)[]): number[] {
  const known = timesMs.filter((one) => one !== null);
  if (known.length === 0) return timesMs.map(() => 0);
  const mean = known.reduce((sum, one) => sum + one, 0) / known.length;
  const times = timesMs.map((one) => one ?? mean);
  const quickest = Math.min(...times);
  return times.map((one) => Math.min(longestHeadStartMs, Math.round(one - quickest)));
}

/**
 * Who was first: null when nobody claimed, or two were nearer than a tie. In a levelled race the slower seat's claim counts as
 * if made earlier by its head start, ms by seat.
 */
export function firstClaim(claims: readonly Claim[], headStartMs: readonly number[] = []): number | null {
  const sorted = claims
    .map(({ seat, atMs }) => ({ seat, atMs: atMs - (headStartMs[seat] ?? 0) }))
    .sort((a, b) => a.atMs - b.atMs);
  const [first, second] = sorted;
  if (!first || (second && second.seat !== first.seat && second.atMs - first.atMs < tieMs)) return null;
  return first.seat;
}
