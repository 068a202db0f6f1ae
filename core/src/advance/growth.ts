import { trendNeeds, type TrendPoint } from './trend.ts';
import { quantile } from '../recall/quantile.ts';

/** Growth as a factor a week, with the interval that holds it in 95 of 100. */
export interface Growth {
  readonly perWeek: number;
  readonly low: number;
  readonly high: number;
}

/** The 97.5 per cent point of the normal distribution. */
const z95 = 1.959964;

/**
 * Growth per week of a rate, as a factor: Theil-Sen on the logarithms; its interval from the ranks of the pairwise slopes
 * (Kendall's variance without ties). Undefined with fewer checks than a trend needs or a rate of 0. Source: Sen (1968),
 * J. American Statistical Association 63: 1379-1389; from memory.
 */
export function growthOf(points: readonly TrendPoint[]): Growth | undefined {
  const n = points.length;
  if (n < trendNeeds || points.some((one) => !(one.value > 0))) return undefined;
  const slopes: number[] = [];
  points.forEach((one, at) => {
    for (const other of points.slice(at + 1))
      if (other.day !== one.day)
        slopes.push((Math.log(other.value) - Math.log(one.value)) / (other.day - one.day));
  });
  if (slopes.length === 0) return undefined;
  slopes.sort((a, b) => a - b);
  const reach = z95 * Math.sqrt((n * (n - 1) * (2 * n + 5)) / 18);
  const count = slopes.length;
  const low = slopes[Math.max(0, Math.floor((count - reach) / 2))] as number;
  const high = slopes[Math.min(count - 1, Math.ceil((count + reach) / 2))] as number;
  const week = (slope: number) => Math.exp(7 * slope);
  return { perWeek: week(quantile(slopes, 0.5)), low: week(low), high: week(high) };
}
