import { createRandom } from '../random/random.ts';
import type { AnyGame } from './catalogue.ts';
import type { GameState, Move, Play } from './game.ts';
import { modelMove, type ModelPlayer } from './modelPlayer.ts';
import { needOf, playMove } from './playGame.ts';

/** A real state of a game, a few turns in, to be looked at. */
export interface SampleTable {
  readonly play: Play<unknown>;
  readonly state: GameState;
}

const fewest = 8;
const most = 60;
const player: ModelPlayer = { right: () => 0.9, sees: 0.7, timeMs: 1500 };

/**
 * A table of a game's step as it stands when something is asked of somebody and much lies there, played by model players; the same
 * each time. Throws RangeError where the game has no such step.
 */
export function sampleTable(game: AnyGame, step: number): SampleTable {
  const rules = game.steps[step]?.rules;
  if (rules === undefined) throw new RangeError(`${game.name} has no step ${step + 1}.`);
  const seats = Math.max(game.seats.least, Math.min(2, game.seats.most));
  const play: Play<unknown> = { rules, seats, against: seats > 1, seed: 12 };
  const random = createRandom(12);
  const players = Array.from({ length: seats }, () => player);
  let state = game.setUp(play);
  let shown = state;
  for (let moves = 0; moves < most; moves += 1) {
    const { kind } = needOf(game, play, state);
    // A race shows what it is about before anybody has claimed it.
    if (kind === 'say' || kind === 'claim' || kind === 'choose' || kind === 'line') shown = state;
    if (moves >= fewest && shown === state) break;
    const move = modelMove(game, play, state, players, random);
    if (!move) break;
    state = playMove(game, play, state, move as Move);
  }
  return { play, state: shown };
}
