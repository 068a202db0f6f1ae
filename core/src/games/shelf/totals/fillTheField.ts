import type { DieSides } from '../../../materials/dice.ts';
import { arrayPlaces, type Plot } from '../../arrayPlaces.ts';
import { askCards } from '../../askFact.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import { emptyScene, type Game, type Play } from '../../game.ts';
import { seatsIn } from '../../playGame.ts';
import { nothingHidden } from '../../rolled.ts';
import { scoresFrom } from '../../scoring.ts';
import { numberSetting, oneSetting, yesNo } from '../../setting.ts';
import { say, sentences } from '../../tell/sentence.ts';

export interface FieldRules {
  readonly rows: number;
  readonly cols: number;
  /** One factor that stays; null: both are rolled. */
  readonly fixed: number | null;
  /** An array may be laid as two. */
  readonly split: boolean;
}

/** An array that lies: whose, and its fact. */
interface Laid extends Plot {
  readonly seat: number;
}

interface Lies {
  readonly lies: readonly Laid[];
  readonly roll: readonly number[] | null;
  /** Arrays still to be laid this turn, each a × b. */
  readonly toLay: readonly (readonly [number, number])[];
  /** Turns passed running. */
  readonly passed: number;
}

const die: DieSides = 6;
const rules = (over: Partial<FieldRules>): FieldRules => ({
  rows: 8,
  cols: 12,
  fixed: null,
  split: false,
  ...over,
});

export const fillTheField: Game<FieldRules, ChoosingState & Lies> = {
  id: 'fill-the-field',
  name: 'Fill the field',
  family: 'totals',
  told: {
    aim: 'Fill the field with arrays, and keep the sum of their areas.',
    turn: [
      'Roll two dice: so many rows of so many.',
      'Lay that array where it fits, either way round, and say its fact.',
      'No room anywhere: the turn passes on.',
    ],
    ends: 'When everyone has passed in a row, or the field is full.',
    example:
      'A 3 and a 5: three rows of five, “three fives are fifteen”. 15 of 96 squares are filled, 81 are left.',
  },
  seats: { least: 1, most: 4 },
  minutes: 12,
  steps: [
    {
      name: 'One factor stays 2',
      example: 'A 5: two rows of five, “two fives are ten”. 10 of 96 squares are filled, 86 are left.',
      rules: rules({ fixed: 2 }),
    },
    { name: 'Both are rolled', rules: rules({}) },
    {
      name: 'An array may be split',
      example: 'A 4 and a 6 find no room whole: 4 × 4 and 4 × 2 are laid, “four sixes are twenty-four”.',
      rules: rules({ split: true }),
    },
    {
      name: 'A field of ten by ten',
      example:
        'A 3 and a 5: three rows of five, “three fives are fifteen”. 15 of 100 squares are filled, 85 are left.',
      rules: rules({ split: true, rows: 10, cols: 10 }),
    },
  ],
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
  ...choosing<FieldRules, Lies>({
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
        const toLay: Lies['toLay'] = [
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
        says: say('square', { text: `${one.rows} × ${one.cols} = ${area(one)}` }),
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
      (x, y) => touches(play, state, y) - touches(play, state, x),
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
const area = ({ rows: height, cols }: Plot) => height * cols;
const leftOver = (play: Play<FieldRules>, { lies }: Lies) =>
  play.rules.rows * play.rules.cols - lies.reduce((sum, one) => sum + area(one), 0);
function areas(play: Play<FieldRules>, { lies }: Lies): readonly number[] {
  const of = (seat: number) => lies.reduce((sum, one) => sum + (one.seat === seat ? area(one) : 0), 0);
  return scoresFrom(
    play,
    Array.from({ length: play.seats }, (_, seat) => of(seat)),
  );
}
const placesFor = (play: Play<FieldRules>, lies: readonly Plot[], a: number, b: number) =>
  arrayPlaces(lies, a, b, play.rules.rows, play.rules.cols);
const keyOf = ({ row, col, rows: height, cols }: Plot) => `${row},${col},${height},${cols}`;

function optionsOf(play: Play<FieldRules>, { lies, toLay, roll, turn }: ChoosingState & Lies): Option[] {
  const [next] = toLay;
  if (!next) return [];
  const [a, b] = next;
  // The array lay open before it was laid.
  const asks = () => [{ ...askCards(turn, 'mul', [a, b]), untimed: true as const }];
  const places = placesFor(play, lies, a, b).map((plot) => ({
    key: keyOf(plot),
    says: say('arrayAt', plot),
    at: { plot },
    asks,
  }));
  if (!play.rules.split || toLay.length !== 1 || roll?.length !== 2 || a * b === 1) return places;
  // Ways to lay it as two, where both parts find room.
  const parts = Array.from({ length: Math.floor(b / 2) }, (_, at) => at + 1).filter((part) =>
    placesFor(play, lies, a, b - part).some((plot) => placesFor(play, [...lies, plot], a, part).length > 0),
  );
  return [...places, ...parts.map((part) => ({ key: `split ${part}`, says: say('split', { a, b, part }) }))];
}

function touches(play: Play<FieldRules>, state: Lies, { row, col, rows, cols }: Plot): number {
  const filled = (r: number, c: number) =>
    r < 0 ||
    c < 0 ||
    r >= play.rules.rows ||
    c >= play.rules.cols ||
    state.lies.some(
      (one) => r >= one.row && r < one.row + one.rows && c >= one.col && c < one.col + one.cols,
    );
  let count = 0;
  for (let r = row; r < row + rows; r += 1)
    count += Number(filled(r, col - 1)) + Number(filled(r, col + cols));
  for (let c = col; c < col + cols; c += 1)
    count += Number(filled(row - 1, c)) + Number(filled(row + rows, c));
  return count;
}

/** The array lies; whoever said its fact has its area. */
function lay(play: Play<FieldRules>, state: ChoosingState & Lies, plot: Plot, seat: number, whole: string) {
  const lies = [...state.lies, { ...plot, seat }];
  const toLay = state.toLay.slice(1);
  const left = leftOver(play, { ...state, lies });
  const says = sentences(say('whole', { whole }), say('squaresLeft', { left }));
  const laid = { lies, toLay, passed: 0, says };
  if (left === 0) return { ...laid, next: { over: say('fieldFull') } };
  if (toLay.length === 0) return { ...laid, roll: null, next: 'pass' as const };
  // What is left of the array is laid next, where it still finds room.
  const now = { ...state, ...laid };
  return { ...laid, next: optionsOf(play, now).length > 0 ? ('choose' as const) : ('again' as const) };
}
