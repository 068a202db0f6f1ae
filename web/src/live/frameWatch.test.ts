import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { frozenGapMs } from '@veldrift/core';
import { voidingGapMs, watchFrames } from './frameWatch.ts';

let frame: ((now: number) => void) | undefined;
let clock = 0;
beforeEach(() => {
  clock = 0;
  frame = undefined;
  vi.stubGlobal('requestAnimationFrame', (step: (now: number) => void) => {
    frame = step;
    return 1;
  });
  vi.stubGlobal('cancelAnimationFrame', () => (frame = undefined));
  vi.spyOn(performance, 'now').mockImplementation(() => clock);
});
afterEach(() => {
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});
/** A frame so many ms after the last. */
const next = (afterMs: number) => {
  clock += afterMs;
  frame?.(clock);
};

describe('watching frames', () => {
  it('hears of gaps beyond 100 ms, and when they began', () => {
    const gaps: [number, number][] = [];
    watchFrames((gap, began) => gaps.push([gap, began]));
    next(16);
    next(16);
    next(voidingGapMs);
    expect(gaps).toEqual([]);
    next(voidingGapMs + 1);
    expect(gaps).toEqual([[101, 132]]);
    next(16);
    expect(gaps).toHaveLength(1);
  });
  it('hears of a freeze before the next frame when asked, and only once', () => {
    const gaps: number[] = [];
    const watch = watchFrames((gap) => gaps.push(gap));
    next(16);
    clock += 400;
    watch.catchUp();
    expect(gaps).toEqual([]);
    clock += frozenGapMs;
    watch.catchUp();
    watch.catchUp();
    expect(gaps).toEqual([1400]);
    next(10);
    expect(gaps).toEqual([1400]);
  });
  it('counts no gap before the first frame, and none once stopped', () => {
    const gaps: number[] = [];
    const watch = watchFrames((gap) => gaps.push(gap));
    next(5000);
    expect(gaps).toEqual([]);
    watch.stop();
    next(5000);
    expect(gaps).toEqual([]);
  });
});
