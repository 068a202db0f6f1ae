import { packOf, type Recipe } from '../materials/pack.ts';
import { createRandom } from '../random/random.ts';
import { asMovesNow } from './before.ts';
import { findGame, type AnyGame } from './catalogue.ts';
import { GameError, type GameState, type Play } from './game.ts';
import type { Move } from './move.ts';
import type { GameMode } from './gameMode.ts';
import { looseGame } from './looseGame.ts';
import { modelMove, type ModelPlayer } from './modelPlayer.ts';
import { playMove } from './playGame.ts';
import type { Role } from './roles.ts';
import { settingTrouble } from './setting.ts';

/** A game as it was begun: with its moves, all there is to it. Plain data. */
export interface GamePlan {
  /** That of the game when it was begun. */
  readonly version: number;
  readonly game: string;
  /** The step of the game; with house rules the one they came from. */
  readonly step: number;
  /** Name of the house rules; null: those of the step. */
  readonly house: string | null;
  readonly rules: unknown;
  readonly mode: GameMode;
  readonly seats: number;
  readonly against: boolean;
  readonly seed: number;
  /** A pack of its own for each seat, in games that allow it; null: the game's. */
  readonly packs: readonly (Recipe | null)[] | null;
  /** Seats of grown-ups. */
  readonly adults: readonly number[];
  /** The seat that the app takes itself; null or left out: none. */
  readonly app?: number | null | undefined;
  /** The grown-up errs on purpose now and then. */
  readonly erring: boolean;
  /** The slower seat's claims count as if made earlier. */
  readonly levelled: boolean;
  /** Roles besides playing, which rotate over the seats. */
  readonly roles: readonly Role[];
  /** Minutes after which it is to end, with the turn; null: it ends by its rule. */
  readonly minutes: number | null;
}

export interface OpenGame {
  readonly game: AnyGame;
  readonly play: Play<unknown>;
}

/** The game of a plan, ready to play. Throws GameError with a sentence when it cannot be played here. */
export function openPlan(plan: GamePlan): OpenGame {
  const found = findGame(plan.game);
  if (!found) throw new GameError(`There is no game \u201c${plan.game}\u201d on this shelf.`);
  if (plan.version > found.version)
    throw new GameError(
      `This play of ${found.name} was begun by another version of the app, whose rules differ. What was played is kept; begin it anew to go on.`,
    );
  if (plan.seats < found.seats.least || plan.seats > found.seats.most)
    throw new GameError(`${found.name} is for ${seatsText(found)}, not ${plan.seats}.`);
  const game = plan.mode === 'loose' ? looseGame(found) : found;
  const { rules, seats, against, seed, packs } = plan;
  const play: Play<unknown> = { rules, seats, against, seed, ...(packs ? { packs } : {}) };
  try {
    game.setUp(play);
  } catch (error) {
    throw new GameError(
      `These rules of ${found.name} cannot be set up: ${error instanceof Error ? error.message : 'they cannot be read.'}`,
    );
  }
  return { game, play };
}

/** How many may play, in words. */
export function seatsText({ seats }: Pick<AnyGame, 'seats'>): string {
  return seats.least === seats.most ? `${seats.least} players` : `${seats.least} to ${seats.most} players`;
}

/** A game where its moves left it. */
export interface Resumed extends OpenGame {
  readonly state: GameState;
  /** The table after each of the moves that could be made. */
  readonly told: readonly GameState[];
  /** Moves that could be made; fewer than were kept where one was not legal any more. */
  readonly made: number;
  /** What to tell of moves that could not; null: all could. */
  readonly trouble: string | null;
}

/** Plays a plan to where its moves left it; stops before a move that is not legal, and says so. Throws GameError as `openPlan` does. */
export function resumePlan(plan: GamePlan, moves: readonly Move[]): Resumed {
  const open = openPlan(plan);
  const { game, play } = open;
  const act = (from: GameState, move: Move) => playMove(game, play, from, move);
  const told: GameState[] = [];
  let state = game.setUp(play);
  for (const [at, move] of moves.entries()) {
    try {
      if (plan.version < game.version) {
        const now = asMovesNow(game, play, state, move, act);
        state = act(now.state, now.move);
      } else state = act(state, move);
      told.push(state);
    } catch (error) {
      const why = error instanceof Error ? ` ${error.message}` : '';
      return {
        ...open,
        state,
        told,
        made: at,
        trouble: `Move ${at + 1} of ${moves.length} could not be made again.${why} It goes on from before it; all answers are kept.`,
      };
    }
  }
  return { ...open, state, told, made: moves.length, trouble: null };
}

const tried = 60;
const tryPlayer: ModelPlayer = { right: () => 0.8, sees: 0.5, timeMs: 2000 };

/** Why a game cannot be played by some rules, in a sentence; null: it can. Every setting is looked at, and some moves are tried. */
export function rulesTrouble(game: AnyGame, step: number, rules: unknown): string | null {
  const given = game.steps[step]?.rules;
  for (const setting of game.settings) {
    const trouble = settingTrouble(setting, rules, given);
    if (trouble !== null) return trouble;
  }
  return playTrouble(game, rules);
}

/** The fewest cards of a pack that was put together: of fewer the same two come again and again. */
export const fewestCards = 6;

/** Why some rules cannot be played, in a sentence; null: some moves of two model players could be made. */
export function playTrouble(game: AnyGame, rules: unknown): string | null {
  const play: Play<unknown> = { rules, seats: game.seats.least, against: game.seats.least > 1, seed: 7 };
  try {
    const { pack } = game.materials(rules);
    const cards = pack ? packOf(pack).length : Infinity;
    if (cards < fewestCards)
      return `The pack has ${cards === 1 ? 'one card' : `${cards} cards`}, too few to play with: drop in ${fewestCards} or more.`;
    const random = createRandom(7);
    const players = Array<ModelPlayer>(play.seats).fill(tryPlayer);
    let state = game.setUp(play);
    for (let nth = 0; nth < tried; nth += 1) {
      const move = modelMove(game, play, state, players, random);
      if (!move) break;
      state = playMove(game, play, state, move);
    }
    return null;
  } catch (error) {
    const why = error instanceof Error && error.message ? error.message : 'nothing could be dealt.';
    return `${game.name} cannot be played so: ${why}`;
  }
}
