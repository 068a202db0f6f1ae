import type { DieSides } from '../../../materials/dice.ts';
import type { Plot } from '../../arrayPlaces.ts';
import { choosing, type ChoosingState } from '../../bodies/choosing.ts';
import type { Game } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { seatsIn } from '../../playGame.ts';
import { nothingHidden } from '../../rolled.ts';
import { numberSetting, oneSetting, yesNo } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import {
  type FieldRules,
  area,
  placesFor,
  touches,
  type FieldLies,
  leftOver,
  keyOf,
  optionsOf,
  lay,
  areas,
} from './fieldPlots.ts';
import { fillTheFieldWords } from './fillTheFieldWords.ts';

const die: DieSides = 6;
const rules = (over: Partial<FieldRules>): FieldRules => ({
  rows: 8,
  cols: 12,
  fixed: null,
  split: false,
  ...over,
});

export const fillTheField: Game<FieldRules, ChoosingState & FieldLies> = {
  id: 'fill-the-field',
  version: 2,
  family: 'totals',
  seats: { least: 1, most: 4 },
  minutes: 12,
  ...inWords(fillTheFieldWords, [
    rules({ fixed: 2 }),
    rules({}),
    rules({ split: true }),
    rules({ split: true, rows: 10, cols: 10 }),
  ]),
  settings: [
    numberSetting('rows', 'Rows', 6, 12),
    numberSetting('cols', 'Columns', 6, 12),
    oneSetting('fixed', 'One number stays', [
      [null, 'no, both are rolled'],
      ...[2, 3, 4, 5, 6].map((one) => [one, String(one)] as const),
    ]),
    yesNo('split', 'An array may be laid as two'),
  ],
  operations: () => ['mul'],
  materials: ({ rows, cols, fixed }) => ({
    pack: null,
    dice: fixed === null ? [die, die] : [die],
    others: [`a field of ${rows} × ${cols} squares`, 'a pencil in a colour for each player'],
  }),
  ...choosing<FieldRules, FieldLies>({
    lay: () => ({ lies: [], roll: null, toLay: [], passed: 0 }),
    opens: (play, { toLay: [next] }) =>
      next
        ? { kind: 'go', says: say('fitsNowhere', { a: next[0], b: next[1] }) }
        : { kind: 'roll', dice: diceOf(play.rules) },
    opened: (play, state, roll) => {
      // It was seen that there is no room.
      if (state.toLay.length > 0) {
        const passed = state.passed + 1;
        const over = passed >= Math.max(2, seatsIn(play, state).length);
        const on = { toLay: [], roll: null, passed, says: say('noRoom') };
        return over ? { ...on, next: { over: say('everyonePassed') } } : { ...on, next: 'pass' };
      }
      const [a = 1, b = 1] = play.rules.fixed === null ? roll : [play.rules.fixed, ...roll];
      return { roll, toLay: [[a, b]], says: say('array', { a, b }) };
    },
    asksWhich: (_play, { toLay: [[a, b] = [0, 0]] }) => say('layArray', { a, b }),
    options: optionsOf,
    none: (_play, state) => ({ says: state.says, next: 'again' }),
    takes: (play, state, { key, at }, { by, whole }) => {
      if (!at || !('plot' in at)) {
        const [[a, b] = [0, 0]] = state.toLay;
        const part = Number(key.split(' ')[1]);
        const toLay: FieldLies['toLay'] = [
          [a, b - part],
          [a, part],
        ];
        return { toLay, says: say('arrayInTwo', { a, b }), next: 'choose' };
      }
      return lay(play, state, at.plot, by, whole);
    },
    // Nobody could say it: it is shown, and lies all the same.
    unsaid: (play, state, { at }, whole) => lay(play, state, (at as { plot: Plot }).plot, state.turn, whole),
  }),
  shake: nothingHidden,
  scene: (play, state) => ({
    ...emptyScene,
    dice: state.roll ?? [],
    field: {
      rows: play.rules.rows,
      cols: play.rules.cols,
      lies: state.lies.map((one) => ({
        ...one,
        says: say('asWritten', { text: `${one.rows} × ${one.cols} = ${area(one)}` }),
      })),
    },
    totals: [
      ...areas(play, state).map((value, seat) => ({
        name: play.against ? say('seat', { seat }) : say('filled'),
        value,
      })),
      { name: say('left'), value: leftOver(play, state) },
    ],
  }),
  scores: areas,
  best: (play, state) => {
    const [next] = state.toLay;
    if (state.asking || !next) return null;
    const [a, b] = next;
    // The place that touches most of what lies and of the edge keeps the most room together.
    const [best] = placesFor(play, state.lies, a, b).sort(
      (x, y) => touches(play, state.lies, y) - touches(play, state.lies, x),
    );
    if (!best) return { says: say('fitsNot', { a, b }), worked: [], move: null };
    return {
      says: say('leavesRoom', best),
      worked: [`${a} × ${b} = ${a * b}`],
      move: { kind: 'choose', seat: state.turn, key: keyOf(best) },
    };
  },
};

const diceOf = ({ fixed }: FieldRules): readonly DieSides[] => (fixed === null ? [die, die] : [die]);
