import { erf } from 'mathjs';
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { fairHeadStart, raceTakes, type Racer } from './claimRace.ts';

const racer = fc.record({
  medianMs: fc.integer({ min: 300, max: 8000 }),
  sigma: fc.double({ min: 0.1, max: 1, noNaN: true }),
  right: fc.double({ min: 0, max: 1, noNaN: true }),
});

/** Midpoint rule over the times of all seats at once: a grid of shares, none of it shared with what is tested. */
function byGrid(seats: readonly Racer[], heads: readonly number[], steps = 120): number[] {
  // Quantiles of a lognormal by bisection on mathjs's error function.
  const quantile = (share: number) => {
    let [low, high] = [-9, 9];
    for (let nth = 0; nth < 60; nth += 1) {
      const z = (low + high) / 2;
      if (0.5 * (1 + erf(z / Math.SQRT2)) < share) low = z;
      else high = z;
    }
    return low;
  };
  const zs = Array.from({ length: steps }, (_, nth) => quantile((nth + 0.5) / steps));
  const times = seats.map((one, at) =>
    zs.map((z) => one.medianMs * Math.exp(one.sigma * z) - (heads[at] ?? 0)),
  );
  const takes = seats.map(() => 0);
  const each = steps ** -seats.length;
  const walk = (own: number[]) => {
    if (own.length < seats.length) {
      for (const ms of times[own.length] as number[]) walk([...own, ms]);
      return;
    }
    let left = each;
    for (const at of [...own.keys()].sort((a, b) => (own[a] as number) - (own[b] as number))) {
      takes[at] = (takes[at] as number) + left * (seats[at] as Racer).right;
      left *= 1 - (seats[at] as Racer).right;
    }
  };
  walk([]);
  return takes;
}

describe('who takes a round', () => {
  it('of two who are never wrong is known in closed form: the difference of their logarithms is normal', () => {
    fc.assert(
      fc.property(racer, racer, (a, b) => {
        const [first] = raceTakes([
          { ...a, right: 1 },
          { ...b, right: 1 },
        ]) as [number];
        const z = Math.log(b.medianMs / a.medianMs) / Math.hypot(a.sigma, b.sigma);
        expect(first).toBeCloseTo(0.5 * (1 + erf(z / Math.SQRT2)), 6);
      }),
    );
  });
  it('agrees with a grid over all their times, with wrong claims and head starts, for two and three', () => {
    const seats = [
      { medianMs: 1500, sigma: 0.4, right: 0.8 },
      { medianMs: 2500, sigma: 0.6, right: 0.95 },
      { medianMs: 2000, sigma: 0.3, right: 0.5 },
    ];
    for (const heads of [
      [0, 0, 0],
      [0, 900, 300],
      [-400, 0, 2500],
    ])
      for (const count of [2, 3]) {
        const some = seats.slice(0, count);
        const grid = byGrid(some, heads, count === 2 ? 400 : 90);
        raceTakes(some, heads).forEach((one, at) =>
          expect(Math.abs(one - (grid[at] as number))).toBeLessThan(0.004),
        );
      }
  });
  it('comes to what somebody being right comes to, in whatever order, and treats like seats alike', () => {
    fc.assert(
      fc.property(
        fc.array(racer, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: -2000, max: 2000 }),
        (seats, head) => {
          const takes = raceTakes(
            seats,
            seats.map((_, at) => (at === 0 ? head : 0)),
          );
          const anybody = 1 - seats.reduce((none, one) => none * (1 - one.right), 1);
          expect(takes.reduce((sum, one) => sum + one, 0)).toBeCloseTo(anybody, 5);
        },
      ),
      { numRuns: 40 },
    );
    const like = { medianMs: 1800, sigma: 0.5, right: 0.7 };
    const [a, b, c] = raceTakes([like, like, like]);
    expect(a).toBeCloseTo(b as number, 9);
    expect(b).toBeCloseTo(c as number, 9);
    const always = { medianMs: 1000, sigma: 0, right: 1 };
    expect(raceTakes([always, always])).toEqual([0.5, 0.5]);
    expect(raceTakes([always, { ...always, medianMs: 1001 }])).toEqual([1, 0]);
  });
});

describe('a fair head start', () => {
  it('lets both take a round alike, and is none where they already do', () => {
    fc.assert(
      fc.property(racer, racer, (a, b) => {
        const found = fairHeadStart([a, b]);
        if (found === null) {
          // Even first at every round, the one who is often wrong takes fewer.
          const [low, high] = a.right < b.right ? [a.right, b.right] : [b.right, a.right];
          expect(low).toBeLessThan(high * (1 - low) + 1e-6);
          return;
        }
        expect(Math.min(...found.headStartMs)).toBe(0);
        expect(found.takes[0]).toBeCloseTo(found.takes[1] as number, 4);
      }),
      { numRuns: 25 },
    );
    const like = { medianMs: 1800, sigma: 0.5, right: 0.7 };
    expect(fairHeadStart([like, like])?.headStartMs).toEqual([0, 0]);
  });
  it('of two who are never wrong and vary alike goes to the slower', () => {
    const [quick, slow] = [
      { medianMs: 1200, sigma: 0.4, right: 1 },
      { medianMs: 3000, sigma: 0.4, right: 1 },
    ];
    const found = fairHeadStart([slow, quick]);
    expect(found?.headStartMs[1]).toBe(0);
    // Always at their median, the difference is what makes up for it.
    const still = fairHeadStart([
      { ...slow, sigma: 0 },
      { ...quick, sigma: 0 },
    ]);
    expect(still?.headStartMs[0]).toBeCloseTo(1800, 3);
  });
});
