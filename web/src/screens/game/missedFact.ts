import { isRight } from '@veldrift/core';
import type { GameRow } from '../../app/deviceDb.ts';
import type { LiveGame } from '../../live/game/useGame.ts';
import { ownWayOf } from '../../live/ownWay.ts';
import type { ShownFact } from './GameField.tsx';

/** The fact that the last move missed, once it is nobody's turn to say it any more; null: there is none. */
export function missedFact(
  { moves, need }: Pick<LiveGame, 'moves' | 'need'>,
  row: Pick<GameRow, 'seats'>,
): (ShownFact & { readonly seat: number }) | null {
  const last = moves.at(-1);
  if (last?.move.kind !== 'said' || need.kind === 'say' || need.kind === 'claim' || need.kind === 'over')
    return null;
  const { seat } = last.move;
  // Of that move alone: a skill that was missed leaves no fact, and one said before is not shown again.
  const missed = last.answers.find((one) => one.seat === seat && !isRight(one.answer.judgement));
  const pupil = row.seats[seat]?.pupil;
  if (!missed || !pupil) return null;
  return { seat, fact: missed.answer.fact, way: ownWayOf(pupil, missed.answer.fact) ?? null };
}
