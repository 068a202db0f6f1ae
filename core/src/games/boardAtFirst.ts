import type { AnyGame } from './catalogue.ts';
import type { SceneBoard } from './scene.ts';

/** The board that lies there when a game begins at a step, by a seed; null: none does. */
export function boardAtFirst(game: AnyGame, step: number, seed: number): SceneBoard | null {
  const seats = Math.max(game.seats.least, Math.min(2, game.seats.most));
  const play = { rules: game.steps[step]?.rules, seats, against: seats > 1, seed };
  return game.scene(play, game.setUp(play)).board;
}

/** Whether a step is played on a board that is there from the first. */
export const beginsWithBoard = (game: AnyGame, step: number): boolean => boardAtFirst(game, step, 1) !== null;
