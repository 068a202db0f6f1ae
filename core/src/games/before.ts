import type { AnyGame } from './catalogue.ts';
import type { GameState, Move, Play } from './game.ts';
import { needOf } from './playGame.ts';

/** The version of plays in which what was chosen took effect without being said. */
export const versionOfTaps = 1;

/**
 * A move of a play begun when a tap still took effect, as moves of now: what is to be said first was taken as said rightly then.
 * That the record says so is not mended by it; it only lets such a play be told, and gone on with.
 */
export function asMovesNow(
  game: AnyGame,
  play: Play<unknown>,
  state: GameState,
  move: Move,
  act: (state: GameState, move: Move) => GameState,
): { readonly before: readonly Move[]; readonly move: Move; readonly state: GameState } {
  const before: Move[] = [];
  let now = state;
  const isOfTable = move.kind === 'leave' || move.kind === 'stop' || move.kind === 'calm';
  for (;;) {
    const need = needOf(game, play, now);
    if (isOfTable || need.kind !== 'say' || move.kind === 'said') break;
    const said: Move = { kind: 'said', seat: need.asked.seat, right: true };
    before.push(said);
    now = act(now, said);
  }
  return { before, move: renamed(game, play, now, move), state: now };
}

/** Squares of Cover the board were named by their place alone. */
function renamed(game: AnyGame, play: Play<unknown>, state: GameState, move: Move): Move {
  if (move.kind !== 'choose') return move;
  const need = needOf(game, play, state);
  if (need.kind !== 'choose' || need.choices.some((one) => one.key === move.key)) return move;
  const found = need.choices.find((one) => one.key.startsWith(`${move.key} `));
  return found ? { ...move, key: found.key } : move;
}
