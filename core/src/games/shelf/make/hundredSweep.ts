import { expressionText, type Expression, type Sign } from '../../../numbers/expression.ts';
import { choosing, type ChoosingState } from '../../bodies/choosing.ts';
import { markedBoard } from '../../bodies/markedBoard.ts';
import type { Game, Play } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { marksBySeat, namedTotals, scoresFrom } from '../../scoring.ts';
import { diceSetting, numberSetting, oneSetting, signsSetting } from '../../setting.ts';
import { operationOfSign } from '../../signOperation.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { hundredSweepWords } from './hundredSweepWords.ts';
import { reachOf, type SweepRules, type SweepLies, toMark, sweptBy } from './sweepReach.ts';

/** A look before the sweep, and the sweep itself, ms. */
const lookMs = 10_000;
const sweepMs = 60_000;

const done = 'done';
const again = 'again';
const rules = (signs: readonly Sign[], over: Partial<SweepRules> = {}): SweepRules => ({
  dice: [6, 6, 6],
  signs,
  top: 100,
  rounds: 3,
  ...over,
});

export const hundredSweep: Game<SweepRules, ChoosingState & SweepLies> = {
  id: 'hundred-sweep',
  version: 2,
  family: 'make',
  seats: { least: 1, most: 4 },
  minutes: 15,
  ...inWords(hundredSweepWords, [
    rules(['+', '-'], { top: 18 }),
    rules(['+', '-', '*']),
    rules(['+', '-', '*', '/']),
    rules(['+', '-', '*', '/'], { dice: [10, 10, 10] }),
  ]),
  settings: [
    diceSetting('dice', 3),
    signsSetting(),
    oneSetting('top', 'Numbers', [
      [18, 'a strip to 18'],
      [50, '1 to 50'],
      [100, 'the hundred square'],
    ]),
    numberSetting('rounds', 'Rounds', 1, 5),
  ],
  operations: ({ signs }) => signs.map((sign) => operationOfSign[sign]),
  materials: ({ dice, top }) => ({
    pack: null,
    dice,
    others: [
      top === 100 ? 'a hundred square' : `a strip of 1 to ${top}`,
      'a pencil in a colour for each player',
    ],
  }),
  ...choosing<SweepRules, SweepLies>({
    lay: (play) => ({
      marks: Array<null>(play.rules.top).fill(null),
      roll: null,
      swept: [],
      rollsDone: 0,
      rerolled: [],
    }),
    opens: (play, { roll }) =>
      roll ? { kind: 'none', next: 'choose' } : { kind: 'roll', dice: play.rules.dice },
    opened: (_play, _state, roll) => ({ roll, says: say('theRoll', { roll }) }),
    asksWhich: (_play, { roll, swept }) =>
      swept.length === 0 ? say('markWhat', { roll: roll ?? [] }) : say('sweepMissed'),
    options: (play, state) => [
      ...toMark(play, state),
      { key: done, says: say('done') },
      ...(state.swept.length === 0 && !state.rerolled.includes(state.turn)
        ? [{ key: again, says: say('rollAgain') }]
        : []),
    ],
    // It can always be said that one is done.
    none: (_play, state) => ({ says: state.says, next: 'pass' }),
    fails: (_play, { roll }, { key }) => ({
      says: say('notFromRoll', { number: Number(key), roll: roll ?? [] }),
      next: 'choose',
    }),
    takes: (play, state, { key }, { by, whole }) => {
      if (key === again)
        return {
          roll: null,
          rerolled: [...state.rerolled, state.turn],
          says: say('rolledAgain'),
          next: 'again',
        };
      if (key === done) return sweptBy(play, state);
      const marks = state.marks.map((seat, at) => (at === Number(key) - 1 ? by : seat));
      return { marks, says: say('whole', { whole }), next: 'choose' };
    },
    // Shown, and free for whoever sweeps it later.
    unsaid: (_play, _state, _option, whole) => ({ says: say('whole', { whole }), next: 'choose' }),
  }),
  scene: (play, state) => ({
    ...emptyScene,
    dice: state.roll ?? [],
    board: markedBoard(
      play.rules.top === 100 ? say('hundredSquare') : say('strip'),
      play.rules.top === 100 ? 10 : play.rules.top,
      state.marks.map((_, at) => String(at + 1)),
      state.marks,
    ),
    totals: namedTotals(play, scoresOf(play, state), say('marked')),
  }),
  clock: (_play, { rollsDone, rerolled, roll }) => ({
    // One for each roll: what was marked stays marked when it is over.
    turn: `${rollsDone} ${rerolled.length} ${roll?.join() ?? ''}`,
    parts: [
      { says: say('looking'), ms: lookMs },
      { says: say('sweeping'), ms: sweepMs },
    ],
    ...{ begins: say('lookThenMinute'), over: say('minuteOver') },
  }),
  scores: scoresOf,
  best: (play, state) => {
    if (state.roll === null || state.asking) return null;
    const found = reachOf(play.rules, state.roll);
    const left = found.values.filter((value) => state.marks[value - 1] === null);
    const move = (key: string) => ({ kind: 'choose', seat: state.turn, key }) as const;
    if (left.length === 0) return { says: say('allMarked'), worked: [], move: move(done) };
    const lineOf = (value: number) => found.lineFor(value) as Expression;
    return {
      says: say('leftToMark', { numbers: left }),
      worked: left.map((value) => {
        const line = lineOf(value);
        return line.kind === 'number' ? String(value) : `${expressionText(line)} = ${value}`;
      }),
      move: move(String(left[0])),
    };
  },
};

function scoresOf(play: Play<SweepRules>, state: SweepLies): readonly number[] {
  return scoresFrom(play, marksBySeat(play, state.marks));
}
