import type { Asking, GameState, Play } from './game.ts';
import type { Move } from './move.ts';
import type { Asked } from './need.ts';
import { nextSeat } from './playGame.ts';
import { say, type Sentence } from './tell/sentence.ts';

export const ask = (asked: Asked): Asking => ({ asked, missed: [] });

/** What an answer leaves: said by a seat, shown to all since nobody could, or still to be said. */
export type Answered =
  | { readonly kind: 'said'; readonly by: number }
  | { readonly kind: 'shown' }
  | { readonly kind: 'again'; readonly asking: Asking };

/**
 * Whole fact for credit. Not right: against one another the next seat may take it, once round the table; together both look
 * again, once. Then it is shown.
 */
export function answerAsking(
  play: Play<unknown>,
  state: Pick<GameState, 'out'>,
  asking: Asking,
  move: Move & { readonly kind: 'said' },
): Answered {
  if (move.right) return { kind: 'said', by: move.helpedBy ?? move.seat };
  const missed = [...asking.missed, move.seat];
  if (!play.against || play.seats === 1)
    return missed.length < 2 ? { kind: 'again', asking: { ...asking, missed } } : { kind: 'shown' };
  const next = nextSeat(play, state, move.seat);
  return missed.includes(next)
    ? { kind: 'shown' }
    : { kind: 'again', asking: { asked: { ...asking.asked, seat: next }, missed } };
}

/** What the table says while a fact is asked. */
export function askingSays({ asked: { seat, shown }, missed }: Asking): Sentence {
  if (missed.length === 0) return say('asked', { seat, shown });
  return missed.includes(seat) ? say('lookAgain', { shown }) : say('mayTakeIt', { seat, shown });
}
