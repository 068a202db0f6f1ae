/**
 * The quantile of a list at probability `p` (0 to 1), by linear interpolation between order statistics
 * (Hyndman & Fan 1996, definition 7). Units are those of the list. Throws RangeError on an empty list or p outside 0..1.
 *
 * quantile([1, 2, 3, 4], 0.5) = 2.5
 */
export function quantile(values: readonly number[], p: number): number {
  if (values.length === 0) throw new RangeError('A quantile needs at least one value.');
  if (!(p >= 0 && p <= 1)) throw new RangeError('A quantile is asked for at a probability from 0 to 1.');
  const sorted = [...values].sort((a, b) => a - b);
  const place = (sorted.length - 1) * p;
  const below = Math.floor(place);
  const low = sorted[below] as number;
  const high = sorted[Math.min(below + 1, sorted.length - 1)] as number;
  return low + (high - low) * (place - below);
}

/** The middle value. Throws as quantile does. median([3, 1, 2]) = 2 */
export function median(values: readonly number[]): number {
  return quantile(values, 0.5);
}

/** Median with both quartiles: how a time is reported here; never a mean. */
export function quartiles(values: readonly number[]): {
  readonly lower: number;
  readonly median: number;
  readonly upper: number;
} {
  return { lower: quantile(values, 0.25), median: median(values), upper: quantile(values, 0.75) };
}
