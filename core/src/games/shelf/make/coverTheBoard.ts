import type { DieSides } from '../../../materials/dice.ts';
import type { Sign } from '../../../numbers/expression.ts';
import { choosing, type ChoosingState } from '../../bodies/choosing.ts';
import { markedBoard } from '../../bodies/markedBoard.ts';
import type { Game, Play } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { nothingHidden } from '../../rolled.ts';
import { marksBySeat, scoreCount, scoreOf, scoresFrom } from '../../scoring.ts';
import { numberSetting, oneSetting, signsSetting } from '../../setting.ts';
import { operationOfSign } from '../../signOperation.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { type CoverRules, boardNumbers, type CoverLies, makingOf, bestOf, reachOf } from './coverBoard.ts';
import { sparesEach, coverTheBoardWords } from './coverTheBoardWords.ts';
import { toMake } from './toMake.ts';

const across = 6;
const pass = 'pass';
const rules = (signs: readonly Sign[], squares: number, dice: readonly DieSides[] = [6, 6]): CoverRules => ({
  dice,
  signs,
  squares,
});

export const coverTheBoard: Game<CoverRules, ChoosingState & CoverLies> = {
  id: 'cover-the-board',
  version: 2,
  family: 'make',
  seats: { least: 1, most: 4 },
  minutes: 10,
  ...inWords(coverTheBoardWords, [
    rules(['+', '-'], 12),
    rules(['+', '-', '*'], 18),
    rules(['+', '-', '*', '/'], 36, [6, 6, 6]),
  ]),
  settings: [
    oneSetting('dice', 'Dice', [
      [[6, 6], 'two six-sided'],
      [[10, 10], 'two ten-sided'],
      [[12, 12], 'two twelve-sided'],
      [[6, 6, 6], 'three six-sided'],
    ]),
    signsSetting(),
    numberSetting('squares', 'Squares of the board', 6, 36),
  ],
  operations: ({ signs }) => signs.map((sign) => operationOfSign[sign]),
  materials: (one) => ({
    pack: null,
    dice: one.dice,
    others: ['the board', 'counters in a colour for each player'],
  }),
  ...choosing<CoverRules, CoverLies>({
    lay: (play) => ({
      covered: boardNumbers(play.rules).map(() => null),
      spares: Array<number>(scoreCount(play)).fill(sparesEach),
      roll: null,
    }),
    opens: (play, { roll }) =>
      roll ? { kind: 'go', says: say('nothingOfRoll', { roll }) } : { kind: 'roll', dice: play.rules.dice },
    opened: (play, state, shown) =>
      state.roll
        ? spend(play, state)
        : {
            roll: shown,
            says: say('rollAnd', { roll: shown }),
            ...(canCover(play, { ...state, roll: shown }) ? {} : { next: 'again' }),
          },
    asksWhich: (_play, { roll }) => say('whichNumber', { roll: roll ?? [] }),
    options: (play, state) => {
      const making = makingOf(play, state.roll);
      const made = reachOf(play, state.roll);
      return [
        ...boardNumbers(play.rules).flatMap((number, at) => {
          const own = { key: `${at} ${number}`, square: at, number };
          return state.covered[at] === null ? [toMake(own, state.turn, making, made.has(number))] : [];
        }),
        { key: pass, says: say('nothingToCover') },
      ];
    },
    none: (play, state) => spend(play, state),
    fails: (_play, { roll }, { key }) => ({
      says: say('notFromRoll', { number: Number(key.split(' ')[1]), roll: roll ?? [] }),
      next: 'choose',
    }),
    takes: (play, state, { key }, { by, whole }) => {
      if (key === pass) return spend(play, state);
      const at = Number(key.split(' ')[0]);
      const covered = state.covered.map((one, nth) => (nth === at ? by : one));
      const over = covered.includes(null) ? undefined : say('allCovered');
      return { covered, roll: null, says: say('whole', { whole }), next: over ? { over } : 'pass' };
    },
    unsaid: (_play, _state, _option, whole) => ({ roll: null, says: say('whole', { whole }), next: 'pass' }),
  }),
  shake: nothingHidden,
  scene: (play, state) => ({
    ...emptyScene,
    dice: state.roll ?? [],
    board: markedBoard(say('theBoard'), across, boardNumbers(play.rules).map(String), state.covered),
    totals: state.spares.map((value, seat) => ({
      name: play.against ? say('sparesOf', { seat }) : say('spares'),
      value,
    })),
  }),
  scores: (play, state) => scoresFrom(play, marksBySeat(play, state.covered)),
  best: (play, state) => {
    if (state.roll === null || state.asking) return null;
    const best = bestOf(play, state);
    if (!best) return { says: say('nothingLeftOf', { roll: state.roll }), worked: [], move: null };
    return {
      says: say('fewRolls', { whole: best.whole }),
      worked: [best.whole],
      move: { kind: 'choose', seat: state.turn, key: best.key },
    };
  },
};

const canCover = (play: Play<CoverRules>, state: ChoosingState & CoverLies) =>
  bestOf(play, state) !== undefined;

/** A spare is gone; with the last of them it is over. */
function spend(play: Play<CoverRules>, state: ChoosingState & CoverLies) {
  const own = scoreOf(play, state.turn);
  const spares = state.spares.map((count, at) => (at === own ? count - 1 : count));
  const best = bestOf(play, state);
  return {
    spares,
    roll: null,
    says: best ? say('spareThere', { whole: best.whole }) : say('spareGone'),
    next: spares[own] === 0 ? { over: say('sparesGone') } : ('pass' as const),
  };
}
