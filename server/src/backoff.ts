/** How long to wait between tries of what may fail again, ms: twice as long each time, up to a longest. */
export interface Backoff {
  readonly next: () => number;
  /** It has held: the next wait is the first again. */
  readonly reset: () => void;
}

/** `firstMs` and `longestMs`: the first wait and the longest, ms. */
export function createBackoff(firstMs: number, longestMs: number): Backoff {
  let waitMs = firstMs;
  return {
    next: () => {
      const now = waitMs;
      waitMs = Math.min(longestMs, waitMs * 2);
      return now;
    },
    reset: () => {
      waitMs = firstMs;
    },
  };
}
