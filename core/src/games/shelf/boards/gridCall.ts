import { operations } from '../../../facts/operation.ts';
import { choosing, type ChoosingState } from '../../bodies/choosing.ts';
import { markedBoard } from '../../bodies/markedBoard.ts';
import type { Game, Play } from '../../game.ts';
import { chanceOf, nextSeat } from '../../playGame.ts';
import { emptyScene } from '../../scene.ts';
import { namedTotals, scoresFrom } from '../../scoring.ts';
import { numberSetting, oneSetting, operationsSetting } from '../../setting.ts';
import { say, type Sentence } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import {
  askOf,
  callText,
  drawCall,
  fits,
  makeCard,
  marksOf,
  openOf,
  optionsOf,
  squareText,
  type GridLies,
  type GridRules,
} from './gridCards.ts';
import { gridCallWords } from './gridCallWords.ts';
import { completes } from './lineBoard.ts';

type State = ChoosingState & GridLies;
type P = Play<GridRules>;

const rules = (over: Partial<GridRules> = {}): GridRules => ({
  ...{ side: 3, operations: ['mul'], largest: 10, form: 'answers' },
  ...over,
});

export const gridCall: Game<GridRules, State> = {
  id: 'grid-call',
  version: 1,
  family: 'boards',
  seats: { least: 1, most: 4 },
  minutes: 8,
  ...inWords(gridCallWords, [
    rules({ operations: ['add'] }),
    rules(),
    rules({ form: 'facts' }),
    rules({ form: 'mixed' }),
    rules({ side: 4 }),
    rules({ operations: ['div'] }),
  ]),
  settings: [
    oneSetting('side', 'Card', [
      [3, '3 × 3'],
      [4, '4 × 4'],
      [5, '5 × 5'],
    ]),
    operationsSetting('operations', operations),
    numberSetting('largest', 'Numbers up to', 6, 12),
    oneSetting('form', 'On the card', [
      ['answers', 'answers; facts are called'],
      ['facts', 'facts; answers are called'],
      ['mixed', 'both'],
    ]),
  ],
  operations: (own) => own.operations,
  materials: ({ side }) => ({
    ...{ pack: null, dice: [] },
    others: [`a card of ${side} × ${side} for each player`, 'counters'],
  }),
  ...choosing<GridRules, GridLies>({
    lay: (play) => {
      const random = chanceOf(play, { draws: 0 });
      const grids = Array.from({ length: play.seats }, () => makeCard(play.rules, random));
      return {
        draws: 1,
        grids,
        covered: grids.map(() => []),
        call: drawCall(play.rules, grids[0] ?? [], random),
      };
    },
    asksWhich: (_play, { turn }) => say('whatFits', { seat: turn }),
    shows: (_play, { call }) => callText(call),
    options: (_play, state) => optionsOf(state, state.turn),
    none: (_play, state) => ({ says: state.says, next: 'pass' }),
    fails: (play, state, { key }) => {
      const fit = openOf(state, state.turn).find(({ square }) => fits(square, state.call));
      const shown = fit ? squareText(fit.square) : null;
      return called(
        play,
        state,
        {},
        key === 'none' && shown !== null ? say('itWasThere', { shown }) : say('noSuchFit'),
      );
    },
    takes: (play, state, { key }, { by, whole }) => {
      if (key === 'none') return called(play, state, {}, say('trulyNoFit'));
      // What another said is covered for nobody.
      if (play.against && by !== state.turn) return called(play, state, {}, say('whole', { whole }));
      const covered = state.covered.map((squares, seat) =>
        seat === state.turn ? [...squares, Number(key)] : squares,
      );
      const { side } = play.rules;
      const marks = marksOf(side, covered[state.turn], state.turn);
      return completes(side, marks, Number(key), state.turn)
        ? { covered, says: say('whole', { whole }), next: { over: say('lineFor', { seat: state.turn }) } }
        : called(play, state, { covered }, say('whole', { whole }));
    },
    unsaid: (play, state, _option, whole) => called(play, state, {}, say('whole', { whole })),
  }),
  scene: (play, { grids, covered, turn }, from) => {
    const seat = from ?? turn;
    const texts = (grids[seat] ?? []).map(squareText);
    const { side } = play.rules;
    return {
      ...emptyScene,
      board: markedBoard(say('cardOf', { seat }), side, texts, marksOf(side, covered[seat], seat)),
      totals: namedTotals(
        { against: true },
        covered.map((one) => one.length),
        say('together'),
      ),
    };
  },
  scores: (play, { covered }) =>
    scoresFrom(
      play,
      covered.map((one) => one.length),
    ),
  best: (_play, state) => {
    if (state.stage !== 'choose') return null;
    const { turn, call } = state;
    const fit = openOf(state, turn).find(({ square }) => fits(square, call));
    const says = fit ? say('whole', { whole: askOf(turn, fit.square, call).whole }) : say('trulyNoFit');
    return { says, worked: [], move: { kind: 'choose', seat: turn, key: fit ? String(fit.at) : 'none' } };
  },
};

/** The next seat's turn, and what is called for it. */
function called(play: P, state: State, change: Partial<GridLies>, says: Sentence) {
  const now = { ...state, ...change };
  const open = openOf(now, nextSeat(play, state, state.turn)).map(({ square }) => square);
  const call = drawCall(play.rules, open, chanceOf(play, state));
  return { ...change, call, draws: state.draws + 1, says, next: 'pass' as const };
}
