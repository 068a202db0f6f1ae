import { createRandom } from '../random/random.ts';
import type { AnyGame } from './catalogue.ts';
import type { GameState, Play } from './game.ts';
import type { Move } from './move.ts';
import { modelMove, type ModelPlayer } from './modelPlayer.ts';
import { needOf, playMove } from './playGame.ts';

/** A real state of a game, a few turns in, to be looked at. */
export interface SampleTable {
  readonly play: Play<unknown>;
  readonly state: GameState;
}

/** A real turn of a game in pictures: the table when something is asked, and after what was done. */
export interface SampleTurn {
  readonly play: Play<unknown>;
  /** Two or three, in order: what is asked first, what came of the turn last. */
  readonly states: readonly GameState[];
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

/** The most moves that a turn to be looked at goes on for. */
const longestTurn = 8;
const neverErrs: ModelPlayer = { right: () => 1, sees: 1, timeMs: 1500 };

/**
 * A turn of a game's step played rightly, from the table as it is sampled until the next one rolls, turns or chooses; the
 * same each time. Throws RangeError where the game has no such step.
 */
export function sampleTurn(game: AnyGame, step: number): SampleTurn {
  const { play, state: first } = sampleTable(game, step);
  const random = createRandom(5);
  const players = Array.from({ length: play.seats }, () => neverErrs);
  const states = [first];
  let state = first;
  for (let moves = 0; moves < longestTurn && state.over === null; moves += 1) {
    const move = modelMove(game, play, state, players, random);
    if (!move) break;
    state = playMove(game, play, state, move as Move);
    states.push(state);
    const { kind } = needOf(game, play, state);
    // Another who says their own fact belongs to the turn.
    if (kind === 'go' || kind === 'roll' || (kind !== 'say' && state.turn !== first.turn)) break;
  }
  // The beginning, the end, and what lies halfway.
  const half = states[Math.floor(states.length / 2)] as GameState;
  return { play, states: states.length <= 3 ? states : [first, half, state] };
}
