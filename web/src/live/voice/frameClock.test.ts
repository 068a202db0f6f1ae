import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createFrameClock } from './frameClock.ts';

describe('the audio clock on the page', () => {
  it('is right to the least delay of its messages, however busy the page is', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e6, noNaN: true }),
        fc.array(fc.double({ min: 0, max: 300, noNaN: true }), { minLength: 20, maxLength: 60 }),
        (begin, delays) => {
          const clock = createFrameClock(48_000);
          delays.forEach((delay, at) => clock.note(at * 2048, begin + (at * 2048) / 48 + delay));
          const least = Math.min(...delays);
          expect(clock.pageTimeOf(4800, 0)).toBeCloseTo(begin + 100 + least, 4);
        },
      ),
    );
  });
  it('forgets what is long past, so that a drift does not pile up', () => {
    const clock = createFrameClock(48_000);
    clock.note(0, 0);
    clock.note(48_000 * 60, 60_010);
    expect(clock.pageTimeOf(48_000 * 60, 60_010)).toBe(60_010);
  });
  it('takes the moment itself before anything was heard', () => {
    expect(createFrameClock(48_000).pageTimeOf(100, 55)).toBe(55);
  });
});
