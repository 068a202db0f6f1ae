import type { Policy, School } from '../advance/policy.ts';
import type { FactSet } from '../facts/factSet.ts';
import { pathways } from '../facts/pathway.ts';
import type { Operation } from '../facts/operation.ts';
import { betweenPromptsMs, learnerFigures } from './learner.ts';
import { slowPace, type Profile } from './profiles.ts';
import { simulateSchool, type SchoolRun } from './simulateSchool.ts';

/** Sets on which schools are tried: of every operation, six to thirty facts not recalled at the start. */
export const trialPlaces: readonly (readonly [operation: Operation, at: number])[] = [
  ['add', 6],
  ['add', 7],
  ['mul', 2],
  ['mul', 4],
  ['mul', 5],
  ['mul', 7],
  ['sub', 2],
  ['div', 5],
];

export function trialSets(operation: Operation): readonly FactSet[] {
  return pathways[0]?.sets[operation] ?? [];
}

/** Naming takes a learner as long as recalling: a number read and given. Naming prompts a minute. */
export function trialCeiling(profile: Profile): number {
  const pace = profile === 'slow' ? slowPace : 1;
  return 60_000 / (learnerFigures.recalled.medianMs * pace + betweenPromptsMs);
}

/** A slow child is judged at own pace: twice the median on facts that need no thought. In ms. */
export function trialLimitMs(profile: Profile): number {
  return profile === 'slow' ? 2 * learnerFigures.recalled.medianMs * slowPace : 2000;
}

/** One simulated learner under a school. The same seed is the same learner, whatever the school. */
export function tryOn(school: School, policy: Policy, profile: Profile, seed: number, seen = 0): SchoolRun {
  const [operation, at] = trialPlaces[seed % trialPlaces.length] as (typeof trialPlaces)[number];
  return simulateSchool(
    { school, policy, profile, seen, limitMs: trialLimitMs(profile), ceiling: trialCeiling(profile) },
    trialSets(operation),
    at,
    seed * 17 + 3,
  );
}

/** What some learners came to under a policy. */
export interface TrialSum {
  readonly learners: number;
  readonly moved: number;
  readonly wrong: number;
  /** Median visits to moving on; null when half or more were never moved on. */
  readonly visits: number | null;
}

export function sumTrial(runs: readonly SchoolRun[]): TrialSum {
  const visits = runs.map((one) => one.visits ?? Infinity).sort((a, b) => a - b);
  const middle = visits[Math.floor(visits.length / 2)] ?? Infinity;
  return {
    learners: runs.length,
    moved: runs.filter((one) => one.visits !== null).length,
    wrong: runs.filter((one) => one.wrongAdvance).length,
    visits: Number.isFinite(middle) ? middle : null,
  };
}

/** The most wrong advances that a trial lets pass without a warning, of a hundred moved on. */
export const wrongAllowedInTrial = 3;

/** A warning where a trial shows that a policy would misjudge; null when it shows none. */
export function trialWarning(sum: TrialSum): string | null {
  if (sum.learners === 0) return null;
  if (sum.visits === null)
    return `${sum.learners - sum.moved} of ${sum.learners} simulated children were never moved on in sixty visits, though they learnt: ask less.`;
  if (sum.wrong * 100 > wrongAllowedInTrial * sum.moved && sum.wrong > 1)
    return `${sum.wrong} of ${sum.moved} simulated children were moved on while a fifth or more of the set was not recalled: ask more.`;
  return null;
}
