import { median } from '../recall/quantile.ts';

/** One value on a day (days counted from anywhere). */
export interface TrendPoint {
  readonly day: number;
  readonly value: number;
}

/** Checks of one kind that a trend needs before it is shown. */
export const trendNeeds = 8;

/**
 * The Theil-Sen line: median of the slopes of all pairs with different days, × 7; intercept the median of value − slope × day.
 * Both null when no two days differ. Sources: Theil (1950), Sen (1968).
 *
 * theilSen([{ day: 0, value: 10 }, { day: 7, value: 12 }]) = { perWeek: 2, intercept: 10 }
 */
export function theilSen(points: readonly TrendPoint[]): {
  readonly perWeek: number | null;
  readonly intercept: number | null;
} {
  const slopes: number[] = [];
  points.forEach((one, at) => {
    for (const other of points.slice(at + 1)) {
      if (other.day !== one.day) slopes.push((other.value - one.value) / (other.day - one.day));
    }
  });
  if (slopes.length === 0) return { perWeek: null, intercept: null };
  const perDay = median(slopes);
  return { perWeek: perDay * 7, intercept: median(points.map((one) => one.value - perDay * one.day)) };
}
