import { trendNeeds, type TrendPoint } from './trend.ts';
import { senSlope } from '../recall/senSlope.ts';

/** Growth as a factor a week, with the interval that holds it in 95 of 100. */
export interface Growth {
  readonly perWeek: number;
  readonly low: number;
  readonly high: number;
}

/**
 * Growth per week of a rate, as a factor: Sen's slope of the logarithms with its interval. Undefined with fewer checks than a
 * trend needs, on one day alone, or with a rate of 0.
 */
export function growthOf(points: readonly TrendPoint[]): Growth | undefined {
  if (points.length < trendNeeds || points.some((one) => !(one.value > 0))) return undefined;
  const found = senSlope(points.map((one) => ({ x: one.day, y: Math.log(one.value) })));
  if (!found) return undefined;
  const week = (slope: number) => Math.exp(7 * slope);
  return { perWeek: week(found.slope), low: week(found.low), high: week(found.high) };
}
