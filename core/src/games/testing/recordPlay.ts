import { createRandom } from '../../random/random.ts';
import type { AnyGame } from '../catalogue.ts';
import { evidenceOf } from '../evidence.ts';
import type { GameState, Play } from '../game.ts';
import type { Move } from '../move.ts';
import { modelMove } from '../modelPlayer.ts';
import { needOf, playMove } from '../playGame.ts';

/** A play as it went when it was recorded: what was done, and a mark of what lay on the table after each move. */
export interface RecordedPlay {
  readonly version: number;
  readonly seed: number;
  readonly seats: number;
  readonly against: boolean;
  readonly moves: readonly Move[];
  /** Of the state before the first move and after each. */
  readonly marks: readonly string[];
  /** The same of what lies there and is told: it may change within a version. */
  readonly told: readonly string[];
}

const mostMoves = 60;
/** Of two, the table turns calm after so many moves; of more, a seat leaves. */
const calmAfter = 30;
const leavesAfter = 15;
/** What is known at a calm table: small sums and products, and what undoes them. */
const known = [2, 3, 4, 5].flatMap((left) =>
  [2, 5, 6].flatMap((right) => [
    `${left}+${right}`,
    `${left + right}-${right}`,
    `${left}x${right}`,
    `${left * right}:${right}`,
  ]),
);

/** Which plays of a game are kept: each step with two seats where it can be, and its first step with fewest and most. */
export function playsToRecord(
  game: AnyGame,
): { readonly name: string; readonly step: number; readonly seats: number }[] {
  const two = Math.max(2, game.seats.least);
  const seatsAtFirst = new Set([game.seats.least, two, game.seats.most]);
  return game.steps.flatMap((_, step) =>
    [...(step === 0 ? seatsAtFirst : [two])].map((seats) => ({
      name: `${game.id}, step ${step + 1}, ${seats} ${seats === 1 ? 'seat' : 'seats'}`,
      step,
      seats,
    })),
  );
}

const openRecorded = (
  game: AnyGame,
  step: number,
  { seats, against, seed }: Pick<RecordedPlay, 'seats' | 'against' | 'seed'>,
): Play<unknown> => ({
  rules: game.steps[step]?.rules,
  seats,
  against,
  seed,
});

/** Plays a game to its end, or its first moves, by model players. */
export function recordPlay(game: AnyGame, step: number, seats: number): RecordedPlay {
  const head = { seed: 1000 * step + seats, seats, against: seats > 1 };
  const play = openRecorded(game, step, head);
  const random = createRandom(head.seed);
  const players = Array.from({ length: seats }, (_, seat) => ({
    right: () => 0.7,
    sees: 0.5,
    timeMs: 1500 + 300 * seat,
  }));
  const moves: Move[] = [];
  let state = game.setUp(play);
  while (state.over === null && moves.length < mostMoves) {
    const move =
      happens(moves.length, step, seats) ?? (modelMove(game, play, state, players, random) as Move);
    moves.push(move);
    state = playMove(game, play, state, move);
  }
  return { version: game.version, ...head, moves, ...marksAgain(game, step, { ...head, moves }) };
}

/** The marks of a play, its moves made again. Throws GameError where one of them is not legal any more. */
export function marksAgain(
  game: AnyGame,
  step: number,
  kept: Omit<RecordedPlay, 'version' | 'marks' | 'told'>,
): Pick<RecordedPlay, 'marks' | 'told'> {
  const play = openRecorded(game, step, kept);
  let state = game.setUp(play);
  const marks = [markOf(game, play, state)];
  const told = [toldMarkOf(game, play, state, 0)];
  for (const move of kept.moves) {
    const next = playMove(game, play, state, move);
    marks.push(markOf(game, play, next, evidenceOf(game, play, state, move)));
    told.push(toldMarkOf(game, play, next, told.length));
    state = next;
  }
  return { marks, told };
}

/** What comes over a table between two moves. */
function happens(made: number, step: number, seats: number): Move | undefined {
  if (made === leavesAfter && seats > 2) return { kind: 'leave', seat: seats - 1 };
  if (made !== calmAfter || step > 0 || seats > 2) return undefined;
  return { kind: 'calm', known: Array.from({ length: seats }, (_, seat) => (seat === 0 ? known : null)) };
}

/** Letters that tell one state of a table, what it waits for and what went on record from another: words are left out. */
const markOf = (game: AnyGame, play: Play<unknown>, state: GameState, record: unknown = null): string =>
  hashOf([state, needOf(game, play, state), game.scores(play, state), record], withoutWords);

/** Letters that tell what lies there and what is told, to begin with also in which order cards are laid and what is best. */
function toldMarkOf(game: AnyGame, play: Play<unknown>, state: GameState, nth: number): string {
  const order = nth === 0 && game.order ? game.order(play) : null;
  const best = nth % 7 === 0 && state.over === null ? game.best(play, state) : null;
  return hashOf([game.scene(play, state), state.says, needOf(game, play, state).says, order, best], inOrder);
}

/** FNV-1a (Fowler, Noll, Vo), 32 bits, folded to 20: enough to see that something differs. */
function hashOf(value: unknown, replacer: (key: string, value: unknown) => unknown): string {
  const text = JSON.stringify(value, replacer);
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at += 1) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return (((hash >>> 20) ^ hash) & 0xfffff).toString(32).padStart(4, '0');
}

/** Keys in one order, whatever order they were set in. */
const inOrder = (_key: string, value: unknown): unknown =>
  value === null || typeof value !== 'object' || Array.isArray(value)
    ? value
    : Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)));

/** No sentences: those may be put better without another version. */
const withoutWords = (key: string, value: unknown): unknown =>
  key === 'says' || key === 'name' ? undefined : inOrder(key, value);
