import { quantile } from './quantile.ts';
import { z95 } from './wilson.ts';

/** A slope with the interval that holds it in 95 of 100. */
export interface SenSlope {
  readonly slope: number;
  readonly low: number;
  readonly high: number;
}

/**
 * The median of the slopes of all pairs of points with different x, and its interval from their ranks (Kendall's variance, with
 * the correction for equal x). Undefined where no two x differ. Source: Sen (1968), J. American Statistical Association 63:
 * 1379-1389; from memory.
 */
export function senSlope(
  points: readonly { readonly x: number; readonly y: number }[],
): SenSlope | undefined {
  const slopes: number[] = [];
  points.forEach((one, at) => {
    for (const other of points.slice(at + 1))
      if (other.x !== one.x) slopes.push((other.y - one.y) / (other.x - one.x));
  });
  if (slopes.length === 0) return undefined;
  slopes.sort((a, b) => a - b);
  const ties = new Map<number, number>();
  for (const { x } of points) ties.set(x, (ties.get(x) ?? 0) + 1);
  const spread = (n: number) => n * (n - 1) * (2 * n + 5);
  const tied = [...ties.values()].reduce((sum, n) => sum + spread(n), 0);
  const reach = z95 * Math.sqrt((spread(points.length) - tied) / 18);
  const count = slopes.length;
  return {
    slope: quantile(slopes, 0.5),
    low: slopes[Math.max(0, Math.floor((count - reach) / 2))] as number,
    high: slopes[Math.min(count - 1, Math.ceil((count + reach) / 2))] as number,
  };
}
