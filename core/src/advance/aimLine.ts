import { median } from '../recall/quantile.ts';
import type { TrendPoint } from './trend.ts';

/** The line from where a pupil began to the aim. */
export interface AimLine {
  readonly from: TrendPoint;
  readonly to: TrendPoint;
}

/** Checks whose median is where the line begins. */
export const lineNeeds = 3;

/**
 * The aim line: from the median of the first three checks, at the median of their days, to the aim on a day. Undefined with
 * fewer than three checks, or when the day of the aim is not after them. Source: common practice in monitoring progress.
 */
export function aimLineOf(checks: readonly TrendPoint[], aim: number, aimDay: number): AimLine | undefined {
  if (checks.length < lineNeeds) return undefined;
  const first = [...checks].sort((a, b) => a.day - b.day).slice(0, lineNeeds);
  const from = { day: median(first.map((one) => one.day)), value: median(first.map((one) => one.value)) };
  return aimDay > from.day ? { from, to: { day: aimDay, value: aim } } : undefined;
}

/** What the line asks on a day; after its end the aim. */
export function lineAt(line: AimLine, day: number): number {
  const { from, to } = line;
  if (day >= to.day) return to.value;
  return from.value + ((to.value - from.value) * (day - from.day)) / (to.day - from.day);
}

/** The last checks against the line: so many running under it: change one thing; so many above: raise it or move on. */
export function readAimLine(
  line: AimLine,
  checks: readonly TrendPoint[],
  run: number,
): 'below' | 'above' | 'on' {
  const since = [...checks].sort((a, b) => a.day - b.day).slice(lineNeeds);
  const last = since.slice(-run);
  if (last.length < run) return 'on';
  if (last.every((one) => one.value < lineAt(line, one.day))) return 'below';
  return last.every((one) => one.value > lineAt(line, one.day)) ? 'above' : 'on';
}
