/** A gap between frames beyond this voids the time of the prompt now shown, ms. */
export const voidingGapMs = 100;
/** A gap beyond this is taken as a frozen page: it is not counted to the minute. */
export const frozenGapMs = 1000;

/** Watches the page's frames while running. `onGap` hears of each gap beyond `voidingGapMs`, in ms, with when it began. */
export function watchFrames(onGap: (gapMs: number, beganAt: number) => void): () => void {
  let last: number | undefined;
  let handle = requestAnimationFrame(function step(now) {
    if (last !== undefined && now - last > voidingGapMs) onGap(now - last, last);
    last = now;
    handle = requestAnimationFrame(step);
  });
  return () => cancelAnimationFrame(handle);
}
