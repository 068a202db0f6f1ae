import { clockAt, tell } from '@veldrift/core/games';
import { useEffect, useState } from 'react';
import type { LiveGame } from '../../live/game/useGame.ts';

const tickMs = 250;

/** The clock of a turn in games that have one: begun by the tutor, seen by the children; what was done stays done when it is over. */
export function useTurnClock(
  { game, play, state }: Pick<LiveGame, 'game' | 'play' | 'state'>,
  playing: boolean,
) {
  const own = game.clock?.(play, state) ?? null;
  /** Both are time stamps of the page, ms: a device's clock may be set while children look. */
  const [begunAt, setBegunAt] = useState<number | null>(null);
  const [nowAt, setNowAt] = useState(0);
  useEffect(() => {
    if (begunAt === null) return;
    const handle = setInterval(() => setNowAt(performance.now()), tickMs);
    return () => clearInterval(handle);
  }, [begunAt]);
  const turn = `${own?.turn ?? ''} ${playing}`;
  const [of, setOf] = useState(turn);
  // Another turn, or a pause: its clock has not begun.
  if (of !== turn) {
    setOf(turn);
    setBegunAt(null);
  }
  const shown = own !== null && playing && begunAt !== null;
  const now = own && clockAt(own, begunAt === null ? 0 : Math.max(0, nowAt - begunAt));
  return {
    fits: own !== null,
    shown,
    leftS: Math.ceil((now?.leftMs ?? 0) / 1000),
    says: own && now ? tell(shown ? now.says : own.begins) : '',
    toggle: () => own && playing && setBegunAt(begunAt === null ? performance.now() : null),
  };
}
