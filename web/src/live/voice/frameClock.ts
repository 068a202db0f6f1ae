/** When a frame was, on the page's time line. */
export interface FrameTime {
  /** Time stamp of the page, ms. */
  readonly at: number;
  /** False where the audio thread stood still about then: sound was lost, and the moment is not to be trusted. */
  readonly steady: boolean;
}

/** Brings the audio thread's count of frames onto the page's time line. */
export interface FrameClock {
  /** The audio thread had worked through everything before `frame` at a moment (ms of the page). */
  readonly note: (frame: number, at: number) => void;
  /** When a frame was; `now`, and not steady, before anything was noted. */
  readonly timeOf: (frame: number, now: number) => FrameTime;
}

const keptMs = 3000;
/** Longer than any buffer that the audio thread works through at one go. */
const burstMs = 80;
/** The least delay of a steady thread changes by less than this, ms. */
const steadyMs = 20;

/**
 * The audio thread works in bursts: what it does at one go is done late by up to a buffer, never early, so the least delay right
 * after a frame is its own. Only what was worked through beside the frame counts: where the thread stands still, its count of
 * frames falls behind for good, and an older delay would put the frame too early.
 */
export function createFrameClock(sampleRate: number): FrameClock {
  const msOf = (frame: number) => (1000 * frame) / sampleRate;
  let notes: { readonly frameMs: number; readonly offset: number }[] = [];
  return {
    note: (frame, at) => {
      const frameMs = msOf(frame);
      notes.push({ frameMs, offset: at - frameMs });
      if ((notes[0]?.frameMs ?? frameMs) < frameMs - 2 * keptMs)
        notes = notes.filter((one) => one.frameMs >= frameMs - keptMs);
    },
    timeOf: (frame, now) => {
      const frameMs = msOf(frame);
      const last = notes.at(-1);
      if (!last) return { at: now, steady: false };
      // A frame still to come goes by what was worked through last.
      const from = Math.min(frameMs, last.frameMs - burstMs);
      const least = (begin: number) =>
        Math.min(
          ...notes
            .filter((one) => one.frameMs >= begin && one.frameMs <= begin + burstMs)
            .map((one) => one.offset),
        );
      const here = least(from);
      const around = [-2, -1, 1].map((nth) => least(from + nth * burstMs)).filter(Number.isFinite);
      return {
        at: frameMs + (Number.isFinite(here) ? here : last.offset),
        steady: around.every((one) => Math.abs(one - here) <= steadyMs),
      };
    },
  };
}
