import type { LiveGame } from '../../live/game/useGame.ts';
import { useNow } from '../../parts/useNow.ts';

/** Whether the time a game was set for is out: it ends after the turn, by the tutor, and never under a child's answer. */
export function useTimeSet(game: LiveGame, minutes: number | null | undefined): boolean {
  useNow(minutes ? 1000 : 60_000);
  return minutes !== null && minutes !== undefined && game.usedMs() >= minutes * 60_000;
}
