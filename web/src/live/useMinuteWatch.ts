import { resumeWithinMs } from '@veldrift/core';
import { useCallback, useEffect, useRef } from 'react';
import { watchFrames, type FrameWatch } from './frameWatch.ts';

const tickMs = 500;

interface Watched {
  readonly running: boolean;
  readonly calm: boolean;
  /** When the time runs out, as a time stamp of the page; undefined while no clock runs. */
  readonly deadline: () => number | undefined;
  /** How long after it an answer already begun may still be finished, ms. */
  readonly graceMs: () => number;
  readonly onClosing: () => void;
  readonly onTimeUp: () => void;
  readonly onTick: () => void;
  readonly onGap: (gapMs: number, beganAt: number) => void;
  readonly onHidden: () => void;
  /** Since when it stands still, ISO 8601; null while it runs. */
  readonly pausedAt: string | null;
  /** It has stood still for longer than it may. */
  readonly onLapsed: () => void;
}

/**
 * All that happens to a minute by itself: its time runs out, it ticks, frames go missing, the page is hidden.
 * Gives a function that hears of a freeze just past, to be called before a key is heard.
 */
export function useMinuteWatch({
  running,
  calm,
  deadline,
  graceMs,
  onClosing,
  onTimeUp,
  onTick,
  onGap,
  onHidden,
  pausedAt,
  onLapsed,
}: Watched): () => void {
  const frames = useRef<FrameWatch>(undefined);
  const catchUp = useCallback(() => frames.current?.catchUp(), []);

  useEffect(() => {
    if (!running || calm) return;
    let handle: ReturnType<typeof setTimeout>;
    let frame = 0;
    // Looked at from a frame, so that a gap between frames is heard of first.
    const look = () => {
      frame = requestAnimationFrame(() => {
        const until = deadline();
        const at = performance.now();
        if (until === undefined || at < until) {
          handle = setTimeout(look, until === undefined ? 50 : Math.min(250, until - at));
        } else if (at >= until + graceMs()) {
          onTimeUp();
        } else {
          onClosing();
          handle = setTimeout(look, Math.min(100, until + graceMs() - at));
        }
      });
    };
    look();
    return () => {
      clearTimeout(handle);
      cancelAnimationFrame(frame);
    };
  }, [calm, deadline, graceMs, onClosing, onTimeUp, running]);

  useEffect(() => {
    if (!running) return;
    const handle = setInterval(() => {
      catchUp();
      onTick();
    }, tickMs);
    return () => clearInterval(handle);
  }, [catchUp, onTick, running]);

  useEffect(() => {
    if (!running) return;
    const watch = watchFrames(onGap);
    frames.current = watch;
    return () => {
      watch.stop();
      frames.current = undefined;
    };
  }, [onGap, running]);

  useEffect(() => {
    if (pausedAt === null) return;
    // Never longer than that, even if the device's clock was set back meanwhile: a timer of weeks would go off at once.
    const left = Math.min(resumeWithinMs, Date.parse(pausedAt) + resumeWithinMs - Date.now());
    const handle = setTimeout(onLapsed, Math.max(0, left) + 1);
    return () => clearTimeout(handle);
  }, [onLapsed, pausedAt]);

  useEffect(() => {
    const hide = () => {
      if (document.visibilityState === 'hidden') onHidden();
    };
    document.addEventListener('visibilitychange', hide);
    return () => document.removeEventListener('visibilitychange', hide);
  }, [onHidden]);
  return catchUp;
}
