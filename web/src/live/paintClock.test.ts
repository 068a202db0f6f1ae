import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createPaintClock } from './paintClock.ts';

/** A page whose frames and render times are told by hand. */
let frames: (() => void)[];
let messages: (() => void)[];
let render: (entries: readonly object[]) => void;
let clock: number;
let observed: boolean;

beforeEach(() => {
  frames = [];
  messages = [];
  clock = 0;
  observed = false;
  render = () => undefined;
  vi.stubGlobal('requestAnimationFrame', (work: () => void) => frames.push(work));
  vi.spyOn(performance, 'now').mockImplementation(() => clock);
  vi.stubGlobal(
    'MessageChannel',
    class {
      port1 = { onmessage: () => undefined, close: () => undefined };
      port2 = { postMessage: () => messages.push(() => this.port1.onmessage()) };
    },
  );
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});
const withElementTiming = () =>
  vi.stubGlobal(
    'PerformanceObserver',
    class {
      static supportedEntryTypes = ['element'];
      constructor(hear: (list: { getEntries: () => readonly object[] }) => void) {
        render = (entries) => hear({ getEntries: () => entries });
      }
      observe = () => (observed = true);
      disconnect = () => (observed = false);
    },
  );
/** The next frame is painted then. */
const frameAt = (at: number) => {
  for (const work of frames.splice(0)) work();
  clock = at;
  for (const work of messages.splice(0)) work();
};
const entry = (identifier: string, renderTime: number) => ({ identifier, renderTime });

describe('the paint of a prompt', () => {
  it('is the browser’s own render time where it gives one, whenever that is heard', () => {
    withElementTiming();
    const heard: unknown[] = [];
    const paint = createPaintClock((id, at) => heard.push([id, at]));
    expect(observed).toBe(true);
    paint.watch('a');
    expect(paint.paintedAt('a')).toBeUndefined();
    frameAt(120);
    expect([paint.paintedAt('a'), heard]).toEqual([120, [['a', 120]]]);
    render([entry('other', 90), entry('a', 0), entry('a', 111)]);
    // Told once; the better time is given to whoever asks.
    expect([paint.paintedAt('a'), heard]).toEqual([111, [['a', 120]]]);
    paint.watch('b');
    render([entry('b', 200)]);
    expect([paint.paintedAt('a'), paint.paintedAt('b'), heard.length]).toEqual([undefined, 200, 2]);
    frameAt(215);
    expect([paint.paintedAt('b'), heard.length]).toEqual([200, 2]);
    paint.stop();
    expect([observed, paint.paintedAt('b')]).toEqual([false, undefined]);
  });
  it('is the moment after its first frame where the browser gives none, and not that of the prompt before', () => {
    vi.stubGlobal('PerformanceObserver', undefined);
    const heard: unknown[] = [];
    const paint = createPaintClock((id, at) => heard.push([id, at]));
    paint.watch('a');
    // Another is shown before the first was painted.
    paint.watch('b');
    frameAt(50);
    expect([paint.paintedAt('a'), paint.paintedAt('b'), heard]).toEqual([undefined, 50, [['b', 50]]]);
    paint.watch('b');
    expect(frames).toEqual([]);
    paint.stop();
  });
  it('asks a browser that knows no render times for none', () => {
    vi.stubGlobal(
      'PerformanceObserver',
      class {
        static supportedEntryTypes = ['paint'];
      },
    );
    const paint = createPaintClock();
    paint.watch('a');
    frameAt(30);
    expect(paint.paintedAt('a')).toBe(30);
  });
});
