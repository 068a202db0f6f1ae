import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { defaultPolicy, policyInForce } from '../advance/policy.ts';
import { createRandom, mixSeed } from '../random/random.ts';
import { yardstick } from './figures.ts';
import { makeLearner, profiles, trueFirstSet, type Profile } from './profiles.ts';
import { mostVisits, type SchoolRun } from './simulateSchool.ts';
import {
  sumTrial,
  trialCeiling,
  trialLimitMs,
  trialPlaces,
  trialSets,
  trialWarning,
  tryOn,
} from './trial.ts';

const run = (over: Partial<SchoolRun>): SchoolRun => ({
  visits: 4,
  prompts: 160,
  wrongAdvance: false,
  readyVisits: 1,
  heldVisits: 0,
  shortAtStart: 12,
  furtherVisits: 0,
  ...over,
});
const seeds = (count: number) => Array.from({ length: count }, (_, nth) => nth);

describe('simulated children', () => {
  const sets = trialSets('mul');
  const knows = (profile: Profile, first: number, seed: number) => {
    const learner = makeLearner(profile, sets, first, createRandom(mixSeed(seed)));
    const of = (at: number, knowledge: string) => {
      const own = sets[at]?.introduces ?? [];
      return own.filter((key) => learner.held.get(key)?.knowledge === knowledge).length / own.length;
    };
    return { learner, of };
  };
  it('clean, slow and on fingers recall all before their set and nothing from it on', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('clean' as const, 'slow' as const, 'fingers' as const),
        fc.integer({ min: 1, max: sets.length - 1 }),
        fc.integer(),
        (profile, first, seed) => {
          const { learner, of } = knows(profile, first, seed);
          for (const at of sets.keys()) expect(of(at, 'recalled')).toBe(at < first ? 1 : 0);
          if (profile === 'fingers') expect(of(first, 'workedOut')).toBe(1);
          expect(trueFirstSet(learner, sets)).toBe(first);
        },
      ),
      { numRuns: 30 },
    );
  });
  it('patchy recall nine in ten before it and one in four after; one child of three has a hole of a whole set', () => {
    const first = 7;
    const found = seeds(400).map((seed) => knows('patchy', first, seed));
    const holes = found.filter(({ of }) => seeds(first - 1).some((at) => of(at, 'recalled') === 0)).length;
    // 400 children, a third of them: a standard error is under 10; four of them. Small sets may also be short by chance.
    expect(Math.abs(holes - 400 / 3)).toBeLessThan(45);
    const share = (at: number) => found.reduce((sum, { of }) => sum + of(at, 'recalled'), 0) / found.length;
    const after = seeds(sets.length - first).map((nth) => share(first + nth));
    for (const one of after) expect(Math.abs(one - 0.25)).toBeLessThan(0.06);
  });
  it('graded recall less and less along the pathway', () => {
    const found = seeds(300).map((seed) => knows('graded', 5, seed));
    const share = (at: number) => found.reduce((sum, { of }) => sum + of(at, 'recalled'), 0) / found.length;
    const shares = [...sets.keys()].map(share);
    for (let at = 1; at < shares.length; at += 1)
      expect(shares[at]).toBeLessThan((shares[at - 1] as number) + 0.05);
    expect(shares[0]).toBeGreaterThan(0.95);
    expect(shares.at(-1)).toBeLessThan(0.05);
  });
  it('that are slow are judged at their own pace, and name numbers as slowly', () => {
    expect(trialLimitMs('slow')).toBeGreaterThan(trialLimitMs('clean'));
    expect(trialCeiling('slow')).toBeLessThan(trialCeiling('clean'));
    // The pause between two prompts is the same for everyone: the ceiling falls by less than the pace.
    expect(trialCeiling('slow')).toBeGreaterThan(trialCeiling('clean') / yardstick.slowPace);
  });
});

describe('a school tried on them', () => {
  it('gives the same run for the same child, and an end within sixty visits', () => {
    for (const profile of profiles)
      for (const seed of seeds(3)) {
        const once = tryOn('eachFactInstant', defaultPolicy, profile, seed);
        expect(tryOn('eachFactInstant', defaultPolicy, profile, seed)).toEqual(once);
        if (once.visits !== null) expect(once.visits).toBeLessThanOrEqual(mostVisits);
        expect(once.heldVisits).toBeLessThanOrEqual(once.readyVisits);
        expect(once.shortAtStart).toBeGreaterThan(0);
      }
  });
  it('tries sets that are there, of every operation', () => {
    expect(new Set(trialPlaces.map(([operation]) => operation)).size).toBe(4);
    for (const [operation, at] of trialPlaces) expect(trialSets(operation)[at]).toBeDefined();
  });
  it('asking less moves on sooner and misjudges more; asking more takes longer', () => {
    // A child who works facts out types some ten right answers a minute: an aim below that lets work pass for recall.
    const sums = [8, 30, 34].map((aimPerMinute) =>
      sumTrial(seeds(24).map((seed) => tryOn('minuteAim', policyInForce({ aimPerMinute }), 'clean', seed))),
    );
    const visits = sums.map((one) => one.visits ?? Infinity);
    expect(visits[0]).toBeLessThan(visits[1] as number);
    expect(visits[1]).toBeLessThanOrEqual(visits[2] as number);
    // One of the first 160 learners is moved on wrongly at the aim of 30: the first.
    expect(sums[1]?.wrong).toBeLessThanOrEqual(1);
    expect(sums[0]?.wrong).toBeGreaterThan(4 * (1 + (sums[1]?.wrong as number)));
    expect(trialWarning(sums[0] as (typeof sums)[number])).toMatch(/simulated children were moved on while/);
    expect(trialWarning(sums[1] as (typeof sums)[number])).toBeNull();
  });
});

describe('the sum of a trial', () => {
  it('warns where most were never moved on', () => {
    expect(trialWarning(sumTrial(seeds(6).map(() => run({ visits: null }))))).toBe(
      '6 of 6 simulated children were never moved on in sixty visits, though they learnt: ask less.',
    );
  });
  it('counts who was moved on, who wrongly, and the middle visit, those never moved on as last', () => {
    expect(sumTrial([])).toEqual({ learners: 0, moved: 0, wrong: 0, visits: null });
    expect(
      sumTrial([run({ visits: 9 }), run({ visits: null }), run({ visits: 2, wrongAdvance: true })]),
    ).toEqual({ learners: 3, moved: 2, wrong: 1, visits: 9 });
    expect(sumTrial([run({ visits: null }), run({ visits: null }), run({})]).visits).toBeNull();
  });
  it('warns of more than three wrong in a hundred, and not of a single one', () => {
    const of = (moved: number, wrong: number) => trialWarning({ learners: moved, moved, wrong, visits: 5 });
    expect(of(100, 3)).toBeNull();
    expect(of(100, 4)).toContain('4 of 100 simulated children');
    expect(of(10, 1)).toBeNull();
    expect(of(0, 0)).toBeNull();
  });
});
