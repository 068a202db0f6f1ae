/** Brings the audio thread's count of frames onto the page's time line. */
export interface FrameClock {
  /** A frame just told of by the audio thread, heard by the page `now` (ms). */
  readonly note: (frame: number, now: number) => void;
  /** When a frame was, as a time stamp of the page (ms). */
  readonly pageTimeOf: (frame: number, now: number) => number;
}

const looksBackMs = 8000;

/**
 * Messages from the audio thread come late by what the page was busy with, never early: the least delay of the last seconds is
 * the true one, and the two clocks drift too little to matter in that time.
 */
export function createFrameClock(sampleRate: number): FrameClock {
  let offsets: { readonly at: number; readonly offset: number }[] = [];
  return {
    note: (frame, now) => {
      offsets = offsets.filter((one) => now - one.at < looksBackMs);
      offsets.push({ at: now, offset: now - (1000 * frame) / sampleRate });
    },
    pageTimeOf: (frame, now) => {
      const least = Math.min(...offsets.map((one) => one.offset));
      return Number.isFinite(least) ? (1000 * frame) / sampleRate + least : now;
    },
  };
}
