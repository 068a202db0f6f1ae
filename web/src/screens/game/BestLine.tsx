import { playMove, say, tell, written } from '@veldrift/core/games';
import type { LiveGame } from '../../live/game/useGame.ts';
import { LiveKey } from '../../live/LiveKey.tsx';

/** The best that could have been done at the last turn, with its working: after the turn, never before. */
export function BestLine({
  game,
  names,
  onClose,
}: {
  readonly game: LiveGame;
  readonly names: readonly string[];
  readonly onClose: () => void;
}) {
  const found = bestBefore(game);
  return (
    <aside className="game-best" aria-label="Best line" role="status">
      <p>
        {found
          ? tell(found.says, names)
          : 'Nothing was chosen at the last turn, or nothing better was there.'}
      </p>
      {found && found.worked.length > 1 && (
        <ul className="numeral">
          {found.worked.slice(0, 40).map((line, nth) => (
            <li key={nth}>{written(line, names)}</li>
          ))}
        </ul>
      )}
      <LiveKey className="live-key" onPress={onClose}>
        Close
      </LiveKey>
    </aside>
  );
}

/** Of the last turn at which something was chosen or a line laid. */
function bestBefore({ game, play, moves }: LiveGame) {
  const last = moves.findLastIndex(({ move }) => ['choose', 'line', 'pass'].includes(move.kind));
  if (last < 0) return null;
  let state = game.setUp(play);
  for (const { move } of moves.slice(0, last)) state = playMove(game, play, state, move);
  const best = game.best(play, state);
  const made = moves[last]?.move;
  if (!best || !made) return null;
  // What was played was the best: say so by its facts alone.
  const same = best.move !== null && JSON.stringify(best.move) === JSON.stringify(made);
  return same ? { ...best, says: [say('thatWasIt'), best.says].flat() } : best;
}
