import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { longestGapMs, playPracticeMs, practiceMs } from './practiceTime.ts';

describe('time under way', () => {
  it('is the sum of the gaps, each at most a minute', () => {
    expect(practiceMs([])).toBe(0);
    expect(practiceMs([5000])).toBe(0);
    expect(practiceMs([0, 10_000, 25_000])).toBe(25_000);
    // A table left for an hour between two answers: a minute of it counts.
    expect(practiceMs([0, 10_000, 3_610_000, 3_620_000])).toBe(80_000);
  });

  it('of a play is no more than its own clock says, unless that stopped for calm, and none where nothing happened', () => {
    const play = { startedMs: 0, endedMs: 40_000, happenedMs: [10_000, 20_000], usedMs: 25_000, calm: false };
    expect(playPracticeMs(play)).toBe(25_000);
    expect(playPracticeMs({ ...play, calm: true })).toBe(40_000);
    expect(playPracticeMs({ ...play, usedMs: 90_000 })).toBe(40_000);
    expect(playPracticeMs({ ...play, happenedMs: [] })).toBe(0);
    expect(playPracticeMs({ ...play, endedMs: 400_000, usedMs: 400_000 })).toBe(80_000);
  });

  it('is never more than from first to last, nor than a minute for each gap, and hangs on no order', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(10_000_000), { minLength: 1 }), fc.nat(10_000_000), (instants, more) => {
        const ms = practiceMs(instants);
        expect(ms).toBeLessThanOrEqual(Math.max(...instants) - Math.min(...instants));
        expect(ms).toBeLessThanOrEqual((instants.length - 1) * longestGapMs);
        expect(practiceMs(instants.toReversed())).toBe(ms);
        // Something more that happened never takes time away.
        expect(practiceMs([...instants, more])).toBeGreaterThanOrEqual(ms);
      }),
    );
  });
});
