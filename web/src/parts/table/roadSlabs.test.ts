import { describe, expect, it } from 'vitest';
import { atOnRoad, lanesOf, slabsOf } from './roadSlabs.ts';

describe('the road to a total', () => {
  it('is laid from 0 to its end without a gap, in few slabs too large to count along', () => {
    for (let to = 1; to <= 2000; to += 1) {
      const slabs = slabsOf(to);
      expect(slabs[0]?.from).toBe(0);
      expect(slabs.at(-1)?.upTo).toBe(to);
      expect(slabs.length).toBeLessThanOrEqual(8);
      for (const [nth, slab] of slabs.entries()) {
        expect(slab.upTo).toBeGreaterThan(slab.from);
        if (nth > 0) expect(slab.from).toBe(slabs[nth - 1]?.upTo);
        if (nth < slabs.length - 1) expect(slab.upTo % 10).toBe(0);
      }
    }
    expect(slabsOf(24).map(({ upTo }) => upTo)).toEqual([10, 20, 24]);
    expect(slabsOf(150).map(({ upTo }) => upTo)).toEqual([50, 100, 150]);
  });
  it('has every total somewhere on it', () => {
    expect([-3, 0, 12, 24, 30].map((total) => atOnRoad(total, 24))).toEqual([0, 0, 0.5, 1, 1]);
  });
  it('keeps counters apart: those that are near stand over one another, others on the road', () => {
    expect(lanesOf([0, 0, 0, 0])).toEqual([0, 1, 2, 3]);
    expect(lanesOf([0, 0.5, 0.02, 1])).toEqual([0, 0, 1, 0]);
    expect(lanesOf([0, 0.04, 0.08])).toEqual([0, 1, 0]);
  });
});
