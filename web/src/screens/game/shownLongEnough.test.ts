import { describe, expect, test } from 'vitest';
import { shownLongEnough } from './shownLongEnough.ts';

/** How long something is seen at so many frames a second, the frames beginning somewhere. */
function seenFor(forMs: number, perSecond: number): number {
  const frameMs = 1000 / perSecond;
  for (let nth = 0; ; nth += 1)
    if (shownLongEnough(nth * frameMs, nth === 0 ? 0 : frameMs, forMs)) return nth * frameMs;
}

describe('what is shown for a moment', () => {
  test('is there for its time, to half a frame of the screen, whatever its rate', () => {
    for (const perSecond of [24, 30, 50, 60, 75, 90, 120, 144])
      for (const forMs of [500, 1000, 1500, 2000])
        expect(Math.abs(seenFor(forMs, perSecond) - forMs)).toBeLessThanOrEqual(500 / perSecond + 1e-6);
  });

  test('goes at once where the screen stood still meanwhile, and is never gone before its first frame', () => {
    expect(shownLongEnough(2600, 2600, 500)).toBe(true);
    expect(shownLongEnough(0, 0, 500)).toBe(false);
  });
});
