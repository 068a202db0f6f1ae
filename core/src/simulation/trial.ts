import type { Policy, School } from '../advance/policy.ts';
import type { FactSet } from '../facts/factSet.ts';
import { pathways } from '../facts/pathway.ts';
import type { Operation } from '../facts/operation.ts';
import { createRandom, mixSeed, normal } from '../random/random.ts';
import { median } from '../recall/quantile.ts';
import { yardstick, type World } from './figures.ts';
import type { Profile } from './profiles.ts';
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

/**
 * Naming prompts a minute: a number read and given, which takes a learner as long as recalling, or the world's share of that;
 * exactly, or as some namings drawn by `seed` would show it.
 */
export function trialCeiling(profile: Profile, world: World = yardstick, seed = 0): number {
  const { medianMs, sigma } = world.figures.recalled;
  const namingMs = medianMs * world.namingShare * (profile === 'slow' ? world.slowPace : 1);
  if (world.namings === null) return 60_000 / (namingMs + world.betweenPromptsMs);
  const random = createRandom(mixSeed(seed, 1));
  const drawn = Array.from({ length: world.namings }, () => namingMs * Math.exp(sigma * normal(random)));
  return 60_000 / (median(drawn) + world.betweenPromptsMs);
}

/** A slow child is judged at own pace: twice the median on facts that need no thought. In ms. */
export function trialLimitMs(profile: Profile, world: World = yardstick): number {
  return profile === 'slow' ? 2 * world.figures.recalled.medianMs * world.slowPace : 2000;
}

/** One simulated learner under a school. The same seed is the same learner, whatever the school. */
export function tryOn(
  school: School,
  policy: Policy,
  profile: Profile,
  seed: number,
  seen = 0,
  world: World = yardstick,
  watched = 0,
  calls = false,
): SchoolRun {
  const [operation, at] = trialPlaces[seed % trialPlaces.length] as (typeof trialPlaces)[number];
  return simulateSchool(
    {
      school,
      policy,
      profile,
      seen,
      watched,
      world,
      calls,
      limitMs: trialLimitMs(profile, world),
      ceiling: trialCeiling(profile, world, seed),
    },
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
