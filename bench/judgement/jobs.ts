import {
  defaultPolicy,
  learnerFigures,
  betweenPromptsMs,
  pathways,
  policyInForce,
  simulatePlacement,
  simulateSchool,
  slowPace,
  type FactSet,
  type PlacementRun,
  type Policy,
  type Profile,
  type School,
  type SchoolRun,
} from '@veldrift/core';

/** A part of the work that one thread does at a time. */
export type Job =
  | {
      readonly kind: 'school';
      readonly key: string;
      readonly school: School;
      readonly profile: Profile;
      readonly policy: Partial<Policy>;
      readonly seen: number;
      readonly from: number;
      readonly count: number;
    }
  | {
      readonly kind: 'placement';
      readonly key: string;
      readonly pathway: string;
      readonly operation: 'add' | 'sub' | 'mul' | 'div';
      readonly profile: Profile;
      readonly ownPace: boolean;
      readonly from: number;
      readonly count: number;
    };

export type Result =
  | { readonly kind: 'school'; readonly key: string; readonly runs: readonly SchoolRun[] }
  | { readonly kind: 'placement'; readonly key: string; readonly runs: readonly PlacementRun[] };

/** Sets that learners are judged on: of every operation, six to thirty facts not recalled at the start. */
const places: readonly (readonly ['add' | 'sub' | 'mul' | 'div', number])[] = [
  ['add', 6],
  ['add', 7],
  ['mul', 2],
  ['mul', 4],
  ['mul', 5],
  ['mul', 7],
  ['sub', 2],
  ['div', 5],
];
export const strategySets = (operation: 'add' | 'sub' | 'mul' | 'div'): readonly FactSet[] =>
  pathways.find((one) => one.id === 'strategy')?.sets[operation] ?? [];
export const setNames: readonly string[] = places.map(
  ([operation, at]) => strategySets(operation)[at]?.name ?? '',
);

/** Naming takes a learner as long as recalling: a number read and given. */
export function ceilingOf(profile: Profile): number {
  const pace = profile === 'slow' ? slowPace : 1;
  return 60_000 / (learnerFigures.recalled.medianMs * pace + betweenPromptsMs);
}

/** A slow child is judged at own pace: twice the median on facts that need no thought. */
export function limitOf(profile: Profile): number {
  return profile === 'slow' ? 2 * learnerFigures.recalled.medianMs * slowPace : 2000;
}

export function run(job: Job): Result {
  const seeds = Array.from({ length: job.count }, (_, at) => job.from + at);
  if (job.kind === 'placement') {
    const sets = pathways.find((one) => one.id === job.pathway)?.sets[job.operation] ?? [];
    return {
      kind: 'placement',
      key: job.key,
      runs: seeds.map((seed) =>
        simulatePlacement(job.profile, sets, seed % (sets.length + 1), seed * 31 + 7, job.ownPace),
      ),
    };
  }
  const policy = policyInForce({ ...defaultPolicy, ...job.policy });
  return {
    kind: 'school',
    key: job.key,
    runs: seeds.map((seed) => {
      const [operation, at] = places[seed % places.length] as (typeof places)[number];
      return simulateSchool(
        {
          school: job.school,
          policy,
          profile: job.profile,
          seen: job.seen,
          limitMs: limitOf(job.profile),
          ceiling: ceilingOf(job.profile),
        },
        strategySets(operation),
        at,
        // The same learner meets every school: its seed does not depend on it.
        seed * 17 + 3,
      );
    }),
  };
}
