import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createRandom, normal } from '../random/random.ts';
import { childTimes, type ChanceAnswer, type ChildTimes } from './childTimes.ts';
import { chanceOfAtLeast, recallChance, untoldChance } from './recallChance.ts';
import { recallModel } from './recallModel.ts';

const dayMs = 86_400_000;
const answer = (over: Partial<ChanceAnswer> & { readonly day?: number; readonly nth?: number } = {}) => {
  const { day = 0, nth = 0, ...rest } = over;
  return {
    fact: '7x8',
    at: new Date(Date.UTC(2026, 8, 1, 9) + day * dayMs + nth * 1000).toISOString(),
    class: 'recalled' as const,
    seen: [],
    correctedMs: 900,
    ...rest,
  };
};
const times: ChildTimes = {
  recalled: { mean: Math.log(950), sd: 0.35 },
  workedOut: { mean: Math.log(3200), sd: 0.5 },
  notKnown: { mean: Math.log(6000), sd: 0.6 },
};

const someAnswer = fc.record({
  day: fc.integer({ min: 0, max: 9 }),
  class: fc.constantFrom('recalled', 'workedOut', 'missed', 'right', 'noEvidence'),
  ms: fc.integer({ min: 200, max: 9000 }),
  seen: fc.constantFrom([], [], [], ['fingers'], ['noCounting'], ['guessed'], ['helped']),
  aided: fc.boolean(),
});
type Drawn = typeof someAnswer extends fc.Arbitrary<infer T> ? T : never;
const answersOf = (list: readonly Drawn[]): ChanceAnswer[] =>
  [...list]
    .sort((a, b) => a.day - b.day)
    .map((one, nth) =>
      answer({
        day: one.day,
        nth,
        class: one.class as ChanceAnswer['class'],
        correctedMs: one.class === 'right' ? null : one.ms,
        seen: one.seen as ChanceAnswer['seen'],
        aided: one.aided,
      }),
    );

/** The same chance by another method: every path that knowledge may have taken is walked, and its chances are added up. */
function byAllPaths(answers: readonly ChanceAnswer[], own: ChildTimes): number | null {
  const { wrong, learning, stray, misseen, untold } = recallModel;
  const kinds = ['notKnown', 'workedOut', 'recalled'] as const;
  type Kind = (typeof kinds)[number];
  const lies = own;
  const normalDensity = (x: number, { mean, sd }: { mean: number; sd: number }) =>
    Math.exp(-((x - mean) ** 2) / (2 * sd * sd)) / Math.sqrt(2 * Math.PI * sd * sd);
  const tells = (one: ChanceAnswer) =>
    !one.aided && !one.seen.some((mark) => mark === 'helped' || mark === 'guessed');
  const seen = (one: ChanceAnswer, kind: Kind): number => {
    if (!tells(one)) return 1;
    if (one.class === 'missed') return wrong[kind];
    const time =
      one.correctedMs == null || one.seen.includes('fingers')
        ? 1
        : (1 - stray.share) * normalDensity(Math.log(one.correctedMs), lies[kind]) +
          stray.share * stray.density;
    const looked = one.seen.includes('fingers')
      ? kind === 'recalled'
      : one.seen.includes('noCounting')
        ? kind !== 'recalled'
        : false;
    return (1 - wrong[kind]) * time * (looked ? misseen : 1);
  };
  const dayOf = (one: ChanceAnswer) => Math.floor(Date.parse(one.at) / dayMs);
  // How much forgetting is slowed hangs on what was thought on each day, so the method is asked day by day.
  let found: number | null = null;
  const recalledDays: number[] = [];
  for (let upTo = 1; upTo <= answers.length; upTo += 1) {
    const list = answers.slice(0, upTo);
    const sums = { notKnown: 0, workedOut: 0, recalled: 0 };
    const walk = (at: number, kind: Kind, chance: number): void => {
      const one = list[at] as ChanceAnswer;
      const after = chance * seen(one, kind);
      if (at === list.length - 1) {
        sums[kind] += after;
        return;
      }
      const days = Math.max(0, dayOf(list[at + 1] as ChanceAnswer) - dayOf(one) - 1);
      const lost = 1 - (1 - learning.forgetPerDay / 2 ** (recalledDays[at] as number)) ** days;
      const step = (to: Kind, share: number) => {
        if (share === 0) return;
        if (to === 'recalled') {
          walk(at + 1, 'recalled', after * share * (1 - lost));
          if (lost > 0) walk(at + 1, 'workedOut', after * share * lost);
        } else walk(at + 1, to, after * share);
      };
      if (kind === 'notKnown') {
        step('workedOut', learning.toWorkedOut);
        step('notKnown', 1 - learning.toWorkedOut);
      } else if (kind === 'workedOut') {
        step('recalled', learning.toRecalled);
        step('workedOut', 1 - learning.toRecalled);
      } else step('recalled', 1);
    };
    for (const kind of kinds) walk(0, kind, untold[kind]);
    const told = sums.recalled / (sums.notKnown + sums.workedOut + sums.recalled);
    const before = recalledDays.at(-1) ?? 0;
    const firstOfDay =
      upTo === 1 || dayOf(list[upTo - 1] as ChanceAnswer) !== dayOf(list[upTo - 2] as ChanceAnswer);
    recalledDays.push(before + (firstOfDay && told > 0.5 ? 1 : 0));
    // After the last answer it may have been learnt by having met it.
    const last = sums.workedOut / (sums.notKnown + sums.workedOut + sums.recalled);
    if (tells(list[upTo - 1] as ChanceAnswer) || found !== null) found = told + last * learning.toRecalled;
  }
  return found;
}

describe('the chance that a fact is recalled', () => {
  it('is what walking every path of knowledge gives', () => {
    fc.assert(
      fc.property(fc.array(someAnswer, { minLength: 1, maxLength: 6 }), (list) => {
        const answers = answersOf(list);
        const other = byAllPaths(answers, times);
        const own = recallChance(answers, times, 'UTC');
        if (other === null) expect(own).toBeNull();
        else expect(own).toBeCloseTo(other, 10);
      }),
      { numRuns: 300 },
    );
  });
  it('of one answer is Bayes\u2019 rule with the time\u2019s density integrated numerically over a thin slice', () => {
    // Reference: the chance of a time within 1 ms of it, by Simpson's rule over the normal density, three hypotheses.
    const { wrong, stray, untold, learning } = recallModel;
    const slice = (low: number, high: number, { mean, sd }: { mean: number; sd: number }) => {
      const f = (x: number) => Math.exp(-0.5 * ((x - mean) / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI));
      return ((high - low) / 6) * (f(low) + 4 * f((low + high) / 2) + f(high));
    };
    for (const ms of [400, 900, 1600, 2400, 5000]) {
      const [low, high] = [Math.log(ms - 0.5), Math.log(ms + 0.5)];
      const of = (lies: { mean: number; sd: number }, isWrong: number, prior: number) =>
        prior *
        (1 - isWrong) *
        ((1 - stray.share) * slice(low, high, lies) + stray.share * stray.density * (high - low));
      const r = of(times.recalled, wrong.recalled, untold.recalled);
      const w = of(times.workedOut, wrong.workedOut, untold.workedOut);
      const n = of(times.notKnown, wrong.notKnown, untold.notKnown);
      const after = (r + learning.toRecalled * w) / (r + w + n);
      expect(recallChance([answer({ correctedMs: ms })], times, 'UTC')).toBeCloseTo(after, 5);
    }
  });
  it('hangs on no order, and on no answer that tells nothing', () => {
    fc.assert(
      fc.property(fc.array(someAnswer, { minLength: 1, maxLength: 12 }), fc.nat(), (list, turn) => {
        const answers = answersOf(list);
        const at = turn % answers.length;
        const turned = [...answers.slice(at), ...answers.slice(0, at)].reverse();
        expect(recallChance(turned, times, 'UTC')).toBe(recallChance(answers, times, 'UTC'));
      }),
    );
    expect(recallChance([], times, 'UTC')).toBeNull();
    expect(recallChance([answer({ aided: true })], times, 'UTC')).toBeNull();
    expect(recallChance([answer({ seen: ['guessed'] })], times, 'UTC')).toBeNull();
    expect(untoldChance).toBe(recallModel.untold.recalled);
  });
  it('rises with a quick answer and with no counting seen, falls with a slow one, a miss, working seen, and unseen days', () => {
    const start = [answer(), answer({ nth: 1, correctedMs: 1500 })];
    const than = (more: Parameters<typeof answer>[0], today: number | null = null) =>
      recallChance([...start, answer({ nth: 2, ...more })], times, 'UTC', today) as number;
    const before = recallChance(start, times, 'UTC') as number;
    expect(than({ correctedMs: 800 })).toBeGreaterThan(before);
    expect(than({ correctedMs: 4000, class: 'workedOut' })).toBeLessThan(before);
    expect(than({ class: 'missed' })).toBeLessThan(before);
    const counted = [300, 8000].map((correctedMs) =>
      than({ seen: ['fingers'], class: 'workedOut', correctedMs }),
    );
    expect(counted[0]).toBe(counted[1]);
    expect(counted[0]).toBeLessThan(before - 0.1);
    expect(than({ correctedMs: 1700, seen: ['noCounting'] })).toBeGreaterThan(than({ correctedMs: 1700 }));
    const day = Math.floor(Date.UTC(2026, 8, 1) / dayMs);
    const chances = [1, 5, 40, 200].map((unseen) => than({ correctedMs: 800 }, day + unseen));
    expect([...chances].sort((a, b) => b - a)).toEqual(chances);
    expect(chances[3]).toBeLessThan((chances[0] as number) - 0.3);
  });
});

describe('how a child\u2019s own times lie', () => {
  const drawn = (recalledMs: number, workedOutMs: number, each: number, seed: number): ChanceAnswer[] => {
    const random = createRandom(seed);
    const at = (ms: number, sd: number) => ms * Math.exp(sd * normal(random));
    return Array.from({ length: 2 * each }, (_, nth) =>
      answer({ nth, correctedMs: nth % 2 ? at(recalledMs, 0.3) : at(workedOutMs, 0.4) }),
    );
  };
  it('is found again from many answers, for quick and for slow children', () => {
    for (const [recalledMs, workedOutMs] of [
      [500, 2500],
      [900, 3400],
      [1600, 6000],
    ] as const) {
      const found = childTimes(drawn(recalledMs, workedOutMs, 300, recalledMs));
      expect(Math.exp(found.recalled.mean) / recalledMs).toBeGreaterThan(0.92);
      expect(Math.exp(found.recalled.mean) / recalledMs).toBeLessThan(1.08);
      expect(Math.exp(found.workedOut.mean) / workedOutMs).toBeGreaterThan(0.9);
      expect(Math.exp(found.workedOut.mean) / workedOutMs).toBeLessThan(1.1);
      expect(found.recalled.sd).toBeCloseTo(0.3, 1);
      expect(found.workedOut.sd).toBeCloseTo(0.4, 1);
    }
  });
  it('is what is taken of any child where there is no answer, and leaves out what has no usable time', () => {
    const { recalled, workedOut } = recallModel.times;
    const plain = childTimes([]);
    expect(Math.exp(plain.recalled.mean)).toBeCloseTo(recalled.medianMs, 6);
    expect(Math.exp(plain.workedOut.mean)).toBeCloseTo(workedOut.medianMs, 6);
    expect(plain.recalled.sd).toBeCloseTo(recalled.sd, 9);
    const odd = [
      answer({ correctedMs: null }),
      answer({ correctedMs: 149 }),
      answer({ class: 'missed' }),
      answer({ aided: true }),
      answer({ seen: ['putRight'] }),
    ];
    expect(childTimes(odd)).toEqual(plain);
  });
  it('takes what was seen to be worked out for worked out, however quick', () => {
    const seen = Array.from({ length: 40 }, (_, nth) =>
      answer({ nth, correctedMs: 1800, seen: ['fingers'] }),
    );
    const quick = Array.from({ length: 40 }, (_, nth) => answer({ nth, day: 1, correctedMs: 700 }));
    const found = childTimes([...seen, ...quick]);
    expect(Math.exp(found.workedOut.mean)).toBeLessThan(2000);
    expect(Math.exp(found.recalled.mean)).toBeLessThan(800);
    expect(found.workedOut.mean - found.recalled.mean).toBeGreaterThanOrEqual(
      Math.log(recallModel.times.leastRatio) - 1e-12,
    );
  });
});

describe('the chance that so many of some facts are recalled', () => {
  it('is the sum over every way they may be (exhaustive)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 9 }),
        fc.integer({ min: 0, max: 10 }),
        (chances, least) => {
          let sum = 0;
          for (let ways = 0; ways < 2 ** chances.length; ways += 1) {
            const so = chances.map((_, at) => ((ways >> at) & 1) === 1);
            if (so.filter(Boolean).length < least) continue;
            sum += chances.reduce((all, chance, at) => all * (so[at] ? chance : 1 - chance), 1);
          }
          expect(chanceOfAtLeast(least, chances)).toBeCloseTo(sum, 10);
        },
      ),
      { numRuns: 200 },
    );
  });
});
