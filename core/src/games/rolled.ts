import { rollDice, type DieSides } from '../materials/dice.ts';
import type { GameState, Play } from './game.ts';
import type { Move } from './move.ts';
import { chanceOf } from './playGame.ts';
import { say } from './tell/sentence.ts';

/** What a roll shows: that of real dice where it is given, else by chance. */
export function rolled(
  play: Pick<Play<unknown>, 'seed'>,
  state: Pick<GameState, 'draws'>,
  move: Move,
  dice: readonly DieSides[],
): readonly number[] {
  return move.kind === 'roll' && move.shown ? move.shown : rollDice(dice, chanceOf(play, state));
}

/** What a game begins with, whatever else its state holds. */
export const freshState: GameState = { turn: 0, draws: 0, out: [], over: null, says: say('ready') };

/** Of a game whose chance is all in its dice: nothing lies hidden that could be shuffled, and a roll is made anew of itself. */
export const nothingHidden = <State>(_play: unknown, state: State): State => state;
