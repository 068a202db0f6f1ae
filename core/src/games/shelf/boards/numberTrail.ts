import { turnsOf, type TurnState } from '../../bodies/turns.ts';
import type { Game } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { namedTotals, scoreCount, scoreOf } from '../../scoring.ts';
import { numberSetting, oneSetting, yesNo } from '../../setting.ts';
import { say, sentences } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { numberTrailWords } from './numberTrailWords.ts';
import { across, askSquare, laidOut, numberAt, type TrailRules } from './trailSquares.ts';

export interface TrailLies {
  /** The square of each counter, from 1: one for each seat, or one that all move. */
  readonly at: readonly number[];
  /** Squares on which the number stands. */
  readonly written: readonly number[];
  readonly roll: number | null;
  /** Who rolled, and the square that it leads to: they stay so when that seat leaves and another says the number. */
  readonly mover: number;
  readonly to: number;
}
type State = TurnState & TrailLies;

const rules = (step: number, over: Partial<TrailRules> = {}): TrailRules => ({
  ...{ first: step, step, squares: 20, turning: false },
  ...over,
});

export const numberTrail: Game<TrailRules, State> = {
  id: 'number-trail',
  version: 1,
  family: 'boards',
  seats: { least: 1, most: 4 },
  minutes: 8,
  ...inWords(numberTrailWords, [
    rules(1, { squares: 30 }),
    rules(2, { first: 1 }),
    rules(2),
    rules(5),
    rules(10),
    rules(3),
    rules(4),
    rules(6),
    rules(7),
    rules(8),
    rules(9),
    rules(7, { turning: true }),
  ]),
  settings: [
    numberSetting('first', 'On the first square', 0, 100),
    numberSetting('step', 'Goes on by', 1, 12),
    oneSetting('squares', 'Squares', [
      [20, '20'],
      [30, '30'],
      [40, '40'],
    ]),
    yesNo('turning', 'Every other row turns back'),
  ],
  operations: ({ first, step }) => (step > 1 && first === step ? ['mul'] : ['add']),
  materials: ({ squares }) => ({
    ...{ pack: null, dice: [6] },
    others: [`a blank trail of ${squares} squares`, 'a counter for each player', 'a pencil'],
  }),
  ...turnsOf<TrailRules, TrailLies>({
    lay: (play) => ({
      at: Array<number>(scoreCount(play)).fill(1),
      written: [1, 2],
      roll: null,
      mover: 0,
      to: 1,
    }),
    opens: () => ({ kind: 'roll', dice: [6] }),
    opened: (play, state, [roll = 1]) => {
      const from = state.at[scoreOf(play, state.turn)] as number;
      // On the last square there is no going on.
      const to = Math.min(play.rules.squares, from + roll);
      const square = { from, to, written: state.written.includes(to) };
      return {
        ...{ roll, mover: state.turn, to },
        says: say('aCard', { worth: roll }),
        next: { ask: [askSquare(play.rules, state.turn, square)] },
      };
    },
    said: (play, state, { by, asked: { whole } }) => {
      const { to, mover } = state;
      const written = [...new Set([...state.written, to])];
      const told = say('whole', { whole });
      const change = { written, roll: null, turn: mover };
      // Said by another or by nobody it is written, and the counter stays.
      if (by === null || (play.against && by !== mover)) return { ...change, says: told, next: 'pass' };
      const own = scoreOf(play, mover);
      const met = state.at.findIndex((one, seat) => seat !== own && one === to && to > 1);
      const at = state.at.map((one, seat) => (seat === own ? to : seat === met ? 1 : one));
      if (to === play.rules.squares)
        return {
          ...{ ...change, at, says: told },
          next: { over: say('trailEnd', { seat: play.against ? mover : null }) },
        };
      const says = met < 0 ? told : sentences(told, say('backToFirst', { seat: met }));
      return { ...change, at, says, next: 'pass' };
    },
  }),
  scene: (play, state) => ({
    ...emptyScene,
    dice: state.roll === null ? [] : [state.roll],
    board: {
      name: say('trail'),
      across,
      squares: laidOut(play.rules).map((square) => {
        const seat = state.at.lastIndexOf(square);
        return {
          text: state.written.includes(square) ? String(numberAt(play.rules, square)) : '',
          mark: seat < 0 ? null : { seat: play.against ? seat : null, held: false },
        };
      }),
    },
    totals: namedTotals(play, state.at, say('squareOfAll')),
  }),
  scores: (_play, { at }) => at,
  best: () => null,
};
