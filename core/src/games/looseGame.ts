import type { AnyGame } from './catalogue.ts';
import type { GameState, Play } from './game.ts';
import type { Move } from './move.ts';
import type { Need } from './need.ts';
import { emptyScene } from './scene.ts';
import { nextSeat, seatsIn } from './playGame.ts';
import { freshState } from './rolled.ts';
import { say } from './tell/sentence.ts';
import { namedTotals, scoreCount, scoreOf } from './scoring.ts';

/** A game with real cards shuffled by hand: the cards are not known, who took what is. */
export interface LooseState extends GameState {
  readonly points: readonly number[];
  readonly turns: number;
}

const nobody = 'nobody';

/** The seat that a choice says took the turn; null: nobody did. */
export const tookSeat = (key: string): number | null => (key === nobody ? null : Number(key.slice(1)));

/** What a key says of a turn with real cards: a digit names the seat, 0 nobody; right and not right where one seat alone is judged. */
export function tookBy(
  need: Need,
  pressed: { readonly digit: number } | { readonly right: boolean },
): string | undefined {
  if (need.kind !== 'choose') return undefined;
  const keys = need.choices.map(({ key }) => key);
  const seats = keys.filter((key) => key !== nobody);
  if ('digit' in pressed)
    return pressed.digit === 0 ? nobody : keys.find((key) => key === `s${pressed.digit - 1}`);
  if (!pressed.right) return nobody;
  // Among several it is not said whose.
  return seats.length === 1 ? seats[0] : undefined;
}

/**
 * A game refereed without knowing its cards: each turn is judged by one tap (who took it), the score kept. Its rules are the
 * game's own, told at the table and not checked.
 */
export function looseGame(of: AnyGame): AnyGame {
  const first = of.family === 'first' || of.family === 'compare';
  return {
    ...of,
    setUp: (play): LooseState => ({
      ...freshState,
      points: Array<number>(scoreCount(play)).fill(0),
      turns: 0,
    }),
    need: (play, state) => ({
      kind: 'choose',
      seat: state.turn,
      says: first ? say('whoTook') : say('wasRight', { seat: state.turn }),
      choices: [
        ...(first ? seatsIn(play, state) : [state.turn]).map((seat) => ({
          key: `s${seat}`,
          says: first && seatsIn(play, state).length > 1 ? say('tookIt', { seat }) : say('right'),
        })),
        { key: nobody, says: say(first ? 'nobody' : 'notRight') },
      ],
    }),
    act: (play, state, move) => act(play, state as LooseState, move),
    leaves: (_play, state) => state,
    scene: (play, state) => ({
      ...emptyScene,
      totals: namedTotals(play, (state as LooseState).points, say('together')),
    }),
    scores: (_play, state) => (state as LooseState).points,
    best: () => null,
  };
}

function act(play: Play<unknown>, state: LooseState, move: Move): LooseState {
  if (move.kind !== 'choose') return state;
  const seat = tookSeat(move.key);
  const on = { ...state, turns: state.turns + 1, turn: nextSeat(play, state, state.turn) };
  if (seat === null) return { ...on, says: say('nobodyTook') };
  const own = scoreOf(play, seat);
  return {
    ...on,
    points: state.points.map((count, at) => (at === own ? count + 1 : count)),
    says: say('takesIt', { seat }),
  };
}
