import type { AnyGame } from './catalogue.ts';
import type { GameState, Play } from './game.ts';
import type { Move } from './move.ts';
import type { Need } from './need.ts';
import { needOf } from './playGame.ts';
import { layings, type TrueRules } from './shelf/partners/layings.ts';
import type { TrueState } from './shelf/partners/trueOptions.ts';

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
    const between: Move | undefined =
      need.kind === 'say' && !isOfTable && move.kind !== 'said'
        ? { kind: 'said', seat: need.asked.seat, right: true }
        : lineOfGiven(play, need, now, move);
    if (between === undefined) break;
    before.push(between);
    now = act(now, between);
  }
  return { before, move: renamed(game, play, now, move), state: now };
}

/** Of True lines: the line of a card that was asked for was laid with it, where now it is laid by whoever asked. */
function lineOfGiven(play: Play<unknown>, need: Need, state: GameState, move: Move): Move | undefined {
  if (need.kind !== 'choose' || need.by?.kind !== 'cards') return undefined;
  const { given, hands } = state as TrueState;
  if (given !== state.turn || (move.kind === 'choose' && move.seat === need.seat)) return undefined;
  const card = hands[state.turn]?.at(-1) ?? -1;
  const lines = layings(play as Play<TrueRules>, { hands, board: [] }, state.turn);
  const line = lines.find((one) => one.ids.includes(card));
  // Where another card of its number stood for it a card was drawn besides.
  return { kind: 'choose', seat: need.seat, key: line ? `lay ${line.ids.join(' ')}` : 'draw' };
}

/** Squares of Cover the board were named by their place alone. */
function renamed(game: AnyGame, play: Play<unknown>, state: GameState, move: Move): Move {
  if (move.kind !== 'choose') return move;
  const need = needOf(game, play, state);
  if (need.kind !== 'choose' || need.choices.some((one) => one.key === move.key)) return move;
  const found = need.choices.find((one) => one.key.startsWith(`${move.key} `));
  return found ? { ...move, key: found.key } : move;
}
