import { createRandom } from '../../random/random.ts';
import type { AnyGame } from '../catalogue.ts';
import type { GameState, Play } from '../game.ts';
import type { Move } from '../move.ts';
import type { Need } from '../need.ts';
import type { Scene } from '../scene.ts';
import { modelMove, type ModelPlayer } from '../modelPlayer.ts';
import { needOf, playMove } from '../playGame.ts';
import { written } from '../tell/sentence.ts';
import { evaluate } from 'mathjs';

/*
 * Scores are kept a second time, by each game's rules as they are told, from what everyone at the table can see: what was asked,
 * what was done, what lay there. Nothing of the games' own reckoning is used.
 */

/** One move as it was seen. */
export interface Seen {
  readonly need: Need;
  readonly move: Move;
  /** What lay on the table before it. */
  readonly scene: Scene;
}
export interface Table {
  readonly game: AnyGame;
  readonly play: Play<unknown>;
  readonly seen: readonly Seen[];
  /** Before each move: to be looked at through a scene alone. */
  readonly states: readonly GameState[];
  readonly endScene: Scene;
}

export const player = (seat: number): ModelPlayer => ({
  right: () => 0.75,
  sees: 0.5,
  timeMs: 1500 + 300 * seat,
});

export function played(game: AnyGame, play: Play<unknown>): Table & { readonly scores: readonly number[] } {
  const random = createRandom(play.seed);
  const players = Array.from({ length: play.seats }, (_, seat) => player(seat));
  const seen: Seen[] = [];
  const states: GameState[] = [];
  let state = game.setUp(play);
  while (state.over === null && seen.length < 4000) {
    const move = modelMove(game, play, state, players, random) as Move;
    states.push(state);
    seen.push({ need: needOf(game, play, state), move, scene: game.scene(play, state) });
    state = playMove(game, play, state, move);
  }
  return { game, play, seen, states, endScene: game.scene(play, state), scores: game.scores(play, state) };
}

export const nothing = ({ play }: Table) => Array<number>(play.seats).fill(0);
export const give = (to: number[], seat: number, more: number) => {
  to[seat] = (to[seat] ?? 0) + more;
};
export const numbersOf = (text: string) => (text.match(/\d+/g) ?? []).map(Number);
export const valueOf = (line: string) =>
  Number(evaluate(line.replaceAll('×', '*').replaceAll('÷', '/').replaceAll('−', '-')));

/** What was said rightly of each fact asked, or by nobody; with the move that led to it. */
export function saidOf(table: Table): {
  /** In words. */
  readonly asked: string;
  readonly by: number | null;
  readonly before: Seen | undefined;
  readonly at: number;
}[] {
  const out: ReturnType<typeof saidOf> = [];
  let before: Seen | undefined;
  table.seen.forEach((one, at) => {
    if (one.move.kind !== 'said' || one.need.kind !== 'say') {
      before = one;
      return;
    }
    const { whole } = one.need.asked;
    const next = table.seen[at + 1];
    // Asked again of another: nobody has said it yet.
    const again =
      !one.move.right &&
      next?.need.kind === 'say' &&
      next.move.kind === 'said' &&
      next.need.asked.whole === whole;
    if (!again) out.push({ asked: written(whole), by: one.move.right ? one.move.seat : null, before, at });
  });
  return out;
}
