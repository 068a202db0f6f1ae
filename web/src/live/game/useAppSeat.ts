import type { AppTurn, Move } from '@veldrift/core/games';
import { useEffect, useEffectEvent, useState } from 'react';
import { seenMs } from './useGoesOn.ts';

/** So much longer the app waits while a way to a fact is looked at, ms. */
const lookMs = 3500;

/** What the app does in its seat, done. Times are stamps of the page, ms. */
interface AppDoes {
  readonly onMove: (move: Move, at: number) => void;
  readonly onClaim: (seat: number, at: number) => void;
}

/**
 * Plays the seat that the app takes, each thing a while after it was its turn; what it says stands there before it is judged.
 * Gives that, while it does; null: it says nothing now.
 */
export function useAppSeat(
  turn: AppTurn | null,
  { on, promptId, looking }: { readonly on: boolean; readonly promptId: string; readonly looking: boolean },
  does: AppDoes,
): string | null {
  const [said, setSaid] = useState<{ readonly of: string; readonly says: string }>();
  const says = said?.of === promptId && turn?.kind === 'say' ? said.says : null;
  const waits = on && turn !== null && says === null;
  const act = useEffectEvent(() => {
    const at = performance.now();
    if (turn?.kind === 'say') setSaid({ of: promptId, says: turn.says });
    else if (turn?.kind === 'claim') does.onClaim(turn.seat, at);
    else if (turn) does.onMove(turn.move, at);
  });
  const waitMs = (turn?.afterMs ?? 0) + (looking ? lookMs : 0);
  useEffect(() => {
    if (!waits) return;
    const handle = setTimeout(() => act(), waitMs);
    return () => clearTimeout(handle);
  }, [waits, promptId, waitMs]);
  const judge = useEffectEvent(() => {
    if (turn?.kind === 'say')
      does.onMove({ kind: 'said', seat: turn.seat, right: turn.right }, performance.now());
  });
  useEffect(() => {
    if (!on || says === null) return;
    const handle = setTimeout(() => judge(), seenMs);
    return () => clearTimeout(handle);
  }, [on, says, promptId]);
  return says;
}
