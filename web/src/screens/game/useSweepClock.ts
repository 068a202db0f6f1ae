import { lookMs, sweepMs } from '@veldrift/core/games';
import { useEffect, useState } from 'react';
import type { LiveGame } from '../../live/game/useGame.ts';

const tickMs = 250;

/** The look and the minute of Hundred sweep: begun by the tutor, seen by the children, and what was marked stays marked when it is over. */
export function useSweepClock(game: LiveGame, playing: boolean) {
  const fits = game.game.id === 'hundred-sweep';
  /** Both are time stamps of the page, ms: a device's clock may be set while children look. */
  const [begunAt, setBegunAt] = useState<number | null>(null);
  const [nowAt, setNowAt] = useState(0);
  useEffect(() => {
    if (begunAt === null) return;
    const handle = setInterval(() => setNowAt(performance.now()), tickMs);
    return () => clearInterval(handle);
  }, [begunAt]);
  const rolls = game.moves.filter((one) => one.move.kind === 'roll').length;
  const turn = `${rolls} ${playing}`;
  const [of, setOf] = useState(turn);
  // Another roll, or a pause: its clock has not begun.
  if (of !== turn) {
    setOf(turn);
    setBegunAt(null);
  }
  const passedMs = begunAt === null ? 0 : Math.max(0, nowAt - begunAt);
  const looking = passedMs < lookMs;
  const leftMs = looking ? lookMs - passedMs : lookMs + sweepMs - passedMs;
  const shown = fits && playing && begunAt !== null;
  return {
    fits,
    shown,
    leftS: Math.max(0, Math.ceil(leftMs / 1000)),
    says: !shown
      ? 'Look, then a minute'
      : leftMs <= 0
        ? 'The minute is over'
        : looking
          ? 'Looking'
          : 'Sweeping',
    toggle: () => fits && playing && setBegunAt(begunAt === null ? performance.now() : null),
  };
}
