import {
  defaultPolicy,
  pathways,
  policyInForce,
  simulatePlacement,
  trialPlaces,
  trialSets,
  tryOn,
  yardstick,
  type PlacementRun,
  type PlacementSetting,
  type Policy,
  type Profile,
  type School,
  type SchoolRun,
  type World,
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
      /** Of a hundred answers looked at, once the school asks to watch, how many the tutor marks. */
      readonly watched?: number;
      /** The chances that are said are compared with what is so. */
      readonly calls?: boolean;
      readonly world?: World;
      readonly from: number;
      readonly count: number;
    }
  | {
      readonly kind: 'placement';
      readonly key: string;
      readonly pathway: string;
      readonly operation: 'add' | 'sub' | 'mul' | 'div';
      readonly profile: Profile;
      readonly setting: PlacementSetting;
      readonly from: number;
      readonly count: number;
    };

export type Result =
  | { readonly kind: 'school'; readonly key: string; readonly runs: readonly SchoolRun[] }
  | { readonly kind: 'placement'; readonly key: string; readonly runs: readonly PlacementRun[] };

export const setNames: readonly string[] = trialPlaces.map(
  ([operation, at]) => trialSets(operation)[at]?.name ?? '',
);

export function run(job: Job): Result {
  const seeds = Array.from({ length: job.count }, (_, at) => job.from + at);
  if (job.kind === 'placement') {
    const sets = pathways.find((one) => one.id === job.pathway)?.sets[job.operation] ?? [];
    return {
      kind: 'placement',
      key: job.key,
      runs: seeds.map((seed) =>
        simulatePlacement(job.profile, sets, seed % (sets.length + 1), seed * 31 + 7, job.setting),
      ),
    };
  }
  const policy = policyInForce({ ...defaultPolicy, ...job.policy });
  return {
    kind: 'school',
    key: job.key,
    runs: seeds.map((seed) =>
      tryOn(
        job.school,
        policy,
        job.profile,
        seed,
        job.seen,
        job.world ?? yardstick,
        job.watched ?? 0,
        job.calls ?? false,
      ),
    ),
  };
}
