import {
  sumTrial,
  tryOn,
  type Policy,
  type Profile,
  type School,
  type SchoolRun,
  type TrialSum,
} from '@veldrift/core';

/** What is to be tried. */
export interface TryAsked {
  readonly school: School;
  readonly policy: Policy;
  readonly profiles: readonly Profile[];
  readonly learners: number;
}

/** How far it is, and what it has come to so far. */
export interface TryTold {
  readonly done: number;
  readonly of: number;
  readonly sum: TrialSum;
}

/** Tries a policy on simulated learners, off the page's thread. Ending the worker cancels it. */
self.onmessage = ({ data }: MessageEvent<TryAsked>) => {
  const { school, policy, profiles, learners } = data;
  const runs: SchoolRun[] = [];
  const of = learners * profiles.length;
  const step = () => {
    const profile = profiles[runs.length % profiles.length] as Profile;
    runs.push(tryOn(school, policy, profile, Math.floor(runs.length / profiles.length)));
    const told: TryTold = { done: runs.length, of, sum: sumTrial(runs) };
    self.postMessage(told);
    if (runs.length < of) setTimeout(step);
  };
  step();
};
