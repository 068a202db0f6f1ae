import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createFrameClock } from './frameClock.ts';

const quantumMs = 128 / 48;

/** Notes of an audio thread that works through buffers of `perBurst` quanta; `stallAt`: it stands still once, for `stallMs`. */
function work(perBurst: number, quanta: number, stallAt = Infinity, stallMs = 0) {
  return Array.from({ length: quanta }, (_, nth) => {
    const burst = Math.floor(nth / perBurst);
    const lost = nth >= stallAt ? stallMs : 0;
    return { frame: 128 * (nth + 1), at: 1000 + burst * perBurst * quantumMs + lost };
  });
}

describe('the audio clock on the page', () => {
  it('puts a frame where its burst was worked through, whatever the size of the bursts', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 28 }), fc.integer({ min: 50, max: 200 }), (perBurst, nth) => {
        const clock = createFrameClock(48_000);
        for (const { frame, at } of work(perBurst, 400)) clock.note(frame, at);
        // The last quantum of each burst is done with no delay of its own.
        const steady = 1000 - perBurst * quantumMs;
        expect(clock.timeOf(128 * nth, 0).at).toBeCloseTo(steady + nth * quantumMs, 6);
      }),
    );
  });
  it('is not led astray by a thread that stood still, before or after', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 25, max: 4000, noNaN: true }),
        fc.integer({ min: 1, max: 8 }),
        (stallMs, perBurst) => {
          const clock = createFrameClock(48_000);
          const stallAt = 160 - (160 % perBurst);
          for (const { frame, at } of work(perBurst, 400, stallAt, stallMs)) clock.note(frame, at);
          const steady = 1000 - perBurst * quantumMs;
          expect(clock.timeOf(128 * 60, 0).at).toBeCloseTo(steady + 60 * quantumMs, 6);
          expect(clock.timeOf(128 * 300, 0).at).toBeCloseTo(steady + 300 * quantumMs + stallMs, 6);
          expect([60, 300].map((nth) => clock.timeOf(128 * nth, 0).steady)).toEqual([true, true]);
          // What began just before or after it stood still has no moment to be trusted.
          for (const nth of [stallAt - 20, stallAt - 1, stallAt + 1, stallAt + 25])
            expect(clock.timeOf(128 * nth, 0).steady).toBe(false);
          // A sound still to be made.
          expect(clock.timeOf(128 * 450, 0).at).toBeCloseTo(steady + 450 * quantumMs + stallMs, 6);
        },
      ),
    );
  });
  it('takes the moment itself before anything was heard, and forgets what is long past', () => {
    const clock = createFrameClock(48_000);
    expect(clock.timeOf(100, 55)).toEqual({ at: 55, steady: false });
    for (const { frame, at } of work(4, 20_000)) clock.note(frame, at);
    expect(clock.timeOf(128 * 19_900, 0).at).toBeCloseTo(1000 - 4 * quantumMs + 19_900 * quantumMs, 4);
  });
});
