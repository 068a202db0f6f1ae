import type { Need } from '@veldrift/core/games';
import { useEffect, useEffectEvent } from 'react';

/** So long the table lies still for all to see what came of the turn, ms. */
export const seenMs = 1100;

/** Whether a table waits for nothing but somebody to roll or to deal. */
export const onlyWaits = (need: Need): boolean =>
  need.kind === 'roll' || (need.kind === 'go' && !need.unhurried);

/** Rolls and deals by itself, a moment after the turn before. Where it is not on, or something is still looked at, nothing happens. */
export function useGoesOn(
  on: boolean,
  { need, promptId }: { readonly need: Need; readonly promptId: string },
  goOn: () => void,
) {
  const waits = on && onlyWaits(need);
  const go = useEffectEvent(goOn);
  useEffect(() => {
    if (!waits) return;
    const handle = setTimeout(() => go(), seenMs);
    return () => clearTimeout(handle);
  }, [waits, promptId]);
}
