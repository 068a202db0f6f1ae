import type { Glance } from '@veldrift/core';
import { useLayoutEffect, useRef } from 'react';
import { createPaintClock } from '../../live/paintClock.ts';
import { useReadOut } from '../../live/useReadAloud.ts';
import { GlancePicture } from '../../parts/table/GlancePicture.tsx';
import { shownLongEnough } from './shownLongEnough.ts';

/**
 * Pips that lie there for just so long, and what is asked of them, painted in the same frame. Counted from that paint and by the frames
 * presented: it goes with the first frame that would leave it there longer than is nearer to its time. For whoever hears the screen nothing but the question is there.
 */
export function Flash({
  promptId,
  glance,
  shown,
}: {
  readonly promptId: string;
  readonly glance: Glance & { readonly forMs: number };
  readonly shown: string;
}) {
  useReadOut(shown, promptId);
  const place = useRef<HTMLDivElement>(null);
  const { forMs } = glance;
  useLayoutEffect(() => {
    const element = place.current;
    // In a drawing of the table they stay.
    if (!element || element.closest('[inert]')) return;
    element.style.visibility = 'visible';
    delete element.dataset.shownMs;
    const clock = createPaintClock();
    clock.watch(promptId);
    let last: number | null = null;
    let asked = requestAnimationFrame(function frame(at) {
      const frameMs = last === null ? 0 : at - last;
      last = at;
      const from = clock.paintedAt(promptId);
      // What this frame takes away is gone from the screen when the next one begins.
      const seenMs = from === undefined ? 0 : at + frameMs - from;
      if (shownLongEnough(seenMs, frameMs, forMs)) {
        element.style.visibility = 'hidden';
        element.dataset.shownMs = String(seenMs);
        return;
      }
      asked = requestAnimationFrame(frame);
    });
    return () => {
      clock.stop();
      cancelAnimationFrame(asked);
    };
  }, [promptId, forMs]);
  return (
    <div className="flash">
      <div ref={place} className="flash-place" aria-hidden>
        <GlancePicture glance={glance} says="" />
      </div>
      <p key={promptId} className="flash-asks" {...{ elementtiming: promptId }}>
        {shown}
      </p>
    </div>
  );
}
