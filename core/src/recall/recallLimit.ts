import { median } from './quantile.ts';

export const recallLimits = ['1000', '1500', '2000', '3000', 'own'] as const;
export type RecallLimit = (typeof recallLimits)[number];

export const defaultLimitMs = 2000;
/** Own pace lies between these, ms. */
export const ownPaceMs = { least: 1500, most: 4000 } as const;
/** Times needed before a pupil's own pace is used. */
export const ownPaceNeeds = 5;

/**
 * The recall limit in ms. Own pace is twice the pupil's median corrected time on facts that need no thought
 * (naming, +0), kept within 1.5-4 s; with fewer than five such times it is the default, 2 s.
 */
export function recallLimitMs(limit: RecallLimit, easyCorrectedMs: readonly number[]): number {
  if (limit !== 'own') return Number(limit);
  if (easyCorrectedMs.length < ownPaceNeeds) return defaultLimitMs;
  return Math.min(ownPaceMs.most, Math.max(ownPaceMs.least, 2 * median(easyCorrectedMs)));
}
