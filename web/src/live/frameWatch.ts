import { frozenGapMs } from '@veldrift/core';

/** A gap between frames beyond this voids the time of the prompt now shown, ms. */
export const voidingGapMs = 100;

export interface FrameWatch {
  /** Looks for a gap now, before the next frame does: after a freeze, timers and keys may come first. */
  readonly catchUp: () => void;
  readonly stop: () => void;
}

/** Watches the page's frames while running. `onGap` hears of each gap beyond `voidingGapMs`, in ms, with when it began. */
export function watchFrames(onGap: (gapMs: number, beganAt: number) => void): FrameWatch {
  let last: number | undefined;
  const seen = (now: number) => {
    const before = last;
    // A frame's own stamp may lie a little before a look taken since.
    last = Math.max(now, before ?? now);
    if (before !== undefined && now - before > voidingGapMs) onGap(now - before, before);
  };
  let handle = requestAnimationFrame(function step(now) {
    seen(now);
    handle = requestAnimationFrame(step);
  });
  return {
    catchUp: () => {
      const now = performance.now();
      if (last !== undefined && now - last > frozenGapMs) seen(now);
    },
    stop: () => cancelAnimationFrame(handle),
  };
}
