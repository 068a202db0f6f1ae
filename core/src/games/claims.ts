/** Two claims nearer than this are a tie, ms. */
export const tieMs = 40;

/** A seat's claim to have been first, ms on one clock. */
export interface Claim {
  readonly seat: number;
  readonly atMs: number;
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
