import type { Glance } from '@veldrift/core';
import { useLayoutEffect, useRef } from 'react';
import { useReadOut } from '../../live/useReadAloud.ts';
import { GlancePicture } from '../../parts/table/GlancePicture.tsx';
import { shownLongEnough } from './shownLongEnough.ts';

/**
 * Pips that lie there for just so long, and what is asked of them. Counted by the frames presented: it goes with the first frame that
 * would leave it there longer than is nearer to its time. For whoever hears the screen nothing but the question is there.
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
    let first: number | null = null;
    let last: number | null = null;
    let asked = requestAnimationFrame(function frame(at) {
      // The frame that is made now is the first it is seen in.
      first ??= at;
      const frameMs = last === null ? 0 : at - last;
      last = at;
      if (shownLongEnough(at - first, frameMs, forMs)) {
        element.style.visibility = 'hidden';
        element.dataset.shownMs = String(at - first);
        return;
      }
      asked = requestAnimationFrame(frame);
    });
    return () => cancelAnimationFrame(asked);
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
