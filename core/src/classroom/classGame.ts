import { findGame, type AnyGame } from '../games/catalogue.ts';
import type { GameState } from '../games/game.ts';
import { resumePlan, type GamePlan, type OpenGame } from '../games/gamePlan.ts';
import type { Move } from '../games/move.ts';
import { withSetting } from '../games/setting.ts';
import { moveTrouble, needOf, playMove } from '../games/playGame.ts';

/** Games that a whole class plays before one screen, as one seat: warm-ups and talk. */
export const isForClass = ({ family, seats }: Pick<AnyGame, 'family' | 'seats'>): boolean =>
  family === 'talk' && seats.least === 1;

/** The plan of a game for a class, by the rules of a step. Throws RangeError where there is no such game for a class, or step. */
export function classPlan(gameId: string, step: number, seed: number): GamePlan {
  const game = findGame(gameId);
  const rules = game?.steps[step]?.rules;
  if (!game || !isForClass(game) || rules === undefined)
    throw new RangeError('There is no such game for a class.');
  return {
    ...{ version: game.version, game: gameId, step, house: null, mode: 'screen', seats: 1 },
    // In a class there is always a neighbour to talk with.
    rules: game.settings.some(({ key }) => key === 'stages') ? withSetting(rules, 'stages', 'always') : rules,
    ...{ against: false, seed, packs: null, adults: [0], app: null, erring: false, levelled: false },
    ...{ roles: [], minutes: null },
  };
}

/** A game before a class: what was done, and what came of it. Nobody’s answer goes on record. */
export interface ClassGame extends OpenGame {
  readonly plan: GamePlan;
  readonly moves: readonly Move[];
  readonly state: GameState;
}

/** Opens a plan, after so many moves; moves that are not legal any more are left out, with all after them. Throws GameError as `openPlan` does. */
export function openClassGame(plan: GamePlan, moves: readonly Move[] = []): ClassGame {
  const { game, play, state, made } = resumePlan(plan, moves);
  return { ...{ plan, game, play, state }, moves: moves.slice(0, made) };
}

/** The game after a move; a sentence where it cannot be made. */
export function classMove(own: ClassGame, move: Move): ClassGame | string {
  const { game, play, state } = own;
  const trouble = moveTrouble(needOf(game, play, state), move);
  if (trouble !== null) return trouble;
  return { ...own, moves: [...own.moves, move], state: playMove(game, play, state, move) };
}

/** The game before its last move. */
export const classUndo = (own: ClassGame): ClassGame => openClassGame(own.plan, own.moves.slice(0, -1));

/**
 * Which child of a circle is next, counted from whoever began as the first, after so many numbers were said. Throws RangeError
 * where there are no children.
 */
export function nextInCircle(said: number, children: number): number {
  if (!Number.isInteger(children) || children < 1)
    throw new RangeError('There are no children in the circle.');
  return (said % children) + 1;
}
