import type { DieSides } from '../materials/dice.ts';
import { arrayPlaces, type Plot } from './arrayPlaces.ts';
import { askCards } from './askFact.ts';
import { answerAsking, ask, askingSays } from './asking.ts';
import {
  emptyScene,
  type Choice,
  type Game,
  type GameState,
  type Move,
  type Play,
  type Asking,
} from './game.ts';
import { nextSeat, seatsIn } from './playGame.ts';
import { freshState, nothingHidden, rolled } from './rolled.ts';
import { scoresFrom } from './scoring.ts';
import { numberSetting, oneSetting, yesNo } from './setting.ts';
import { tell } from './tell/sentence.ts';

export interface FieldRules {
  readonly rows: number;
  readonly cols: number;
  /** One factor that stays; null: both are rolled. */
  readonly fixed: number | null;
  /** An array may be laid as two. */
  readonly split: boolean;
}

/** An array that lies: whose, and its fact. */
export interface Laid extends Plot {
  readonly seat: number;
}

export interface FieldState extends GameState {
  readonly lies: readonly Laid[];
  readonly roll: readonly number[] | null;
  /** Arrays still to be laid this turn, each a × b. */
  readonly toLay: readonly (readonly [number, number])[];
  readonly asking: Asking | null;
  readonly place: Plot | null;
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

export const fillTheField: Game<FieldRules, FieldState> = {
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
  setUp: () => ({ ...freshState, lies: [], roll: null, toLay: [], asking: null, place: null, passed: 0 }),
  need: (play, state) => {
    if (state.asking) return { kind: 'say', asked: state.asking.asked, says: askingSays(state.asking) };
    const [next] = state.toLay;
    if (!next) return { kind: 'roll', seat: state.turn, dice: diceOf(play.rules), says: 'Roll the dice.' };
    const choices = choicesOf(play, state);
    return choices.length === 0
      ? { kind: 'go', says: `${next[0]} × ${next[1]} fits nowhere: the turn passes on.` }
      : { kind: 'choose', seat: state.turn, says: `Lay ${next[0]} × ${next[1]}.`, choices };
  },
  act,
  shake: nothingHidden,
  scene: (play, state) => ({
    ...emptyScene,
    dice: state.roll ?? [],
    field: {
      rows: play.rules.rows,
      cols: play.rules.cols,
      lies: state.lies.map(({ seat, ...plot }) => ({
        ...plot,
        seat,
        says: `${plot.rows} × ${plot.cols} = ${plot.rows * plot.cols}`,
      })),
    },
    totals: [
      ...areas(play, state).map((value, seat) => ({
        name: play.against ? `Seat ${seat + 1}` : 'Filled',
        value,
      })),
      { name: 'Left', value: leftOver(play, state) },
    ],
  }),
  scores: areas,
  best: (play, state) => {
    const [next] = state.toLay;
    if (state.asking || !next) return null;
    const choices = choicesOf(play, state).filter((one) => !one.key.startsWith('split'));
    // The place that touches most of what lies and of the edge keeps the most room together.
    const [best] = choices.sort(
      (a, b) => touches(play, state, plotOf(b.key)) - touches(play, state, plotOf(a.key)),
    );
    if (!best) return { says: `${next[0]} × ${next[1]} fits nowhere.`, worked: [], move: null };
    return {
      says: `${tell(best.says)}: it leaves the most room together.`,
      worked: [`${next[0]} × ${next[1]} = ${next[0] * next[1]}`],
      move: { kind: 'choose', seat: state.turn, key: best.key },
    };
  },
};

const diceOf = ({ fixed }: FieldRules): readonly DieSides[] => (fixed === null ? [die, die] : [die]);
const area = ({ rows, cols }: Plot) => rows * cols;
const leftOver = (play: Play<FieldRules>, state: FieldState) =>
  play.rules.rows * play.rules.cols - state.lies.reduce((sum, one) => sum + area(one), 0);

function areas(play: Play<FieldRules>, state: FieldState): number[] {
  const sums = Array.from({ length: play.seats }, (_, seat) =>
    state.lies.reduce((sum, one) => sum + (one.seat === seat ? area(one) : 0), 0),
  );
  return [...scoresFrom(play, sums)];
}

const placesFor = (play: Play<FieldRules>, lies: readonly Plot[], a: number, b: number) =>
  arrayPlaces(lies, a, b, play.rules.rows, play.rules.cols);
const keyOf = ({ row, col, rows, cols }: Plot) => `${row},${col},${rows},${cols}`;
function plotOf(key: string): Plot {
  const [row = 0, col = 0, rows = 1, cols = 1] = key.split(',').map(Number);
  return { row, col, rows, cols };
}

function choicesOf(play: Play<FieldRules>, state: FieldState): Choice[] {
  const [next] = state.toLay;
  if (!next) return [];
  const [a, b] = next;
  const places = placesFor(play, state.lies, a, b).map((plot) => ({
    key: keyOf(plot),
    says: `${plot.rows} rows of ${plot.cols} from row ${plot.row + 1}, column ${plot.col + 1}`,
    at: { plot },
  }));
  return play.rules.split && state.toLay.length === 1 && state.roll?.length === 2 && a * b > 1
    ? [...places, ...splits(play, state, a, b)]
    : places;
}

/** Ways to lay an array as two, where both parts find room. */
function splits(play: Play<FieldRules>, state: FieldState, a: number, b: number): Choice[] {
  return Array.from({ length: Math.floor(b / 2) }, (_, at) => at + 1).flatMap((part) => {
    const first = placesFor(play, state.lies, a, b - part);
    const both = first.some((plot) => placesFor(play, [...state.lies, plot], a, part).length > 0);
    return both
      ? [{ key: `split ${part}`, says: `Split ${a} × ${b} into ${a} × ${b - part} and ${a} × ${part}` }]
      : [];
  });
}

function touches(play: Play<FieldRules>, state: FieldState, { row, col, rows, cols }: Plot): number {
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

function act(play: Play<FieldRules>, state: FieldState, move: Move): FieldState {
  switch (move.kind) {
    case 'roll': {
      const roll = rolled(play, state, move, diceOf(play.rules));
      const [a = 1, b = 1] = play.rules.fixed === null ? roll : [play.rules.fixed, ...roll];
      return { ...state, roll, draws: state.draws + 1, toLay: [[a, b]], says: `${a} × ${b}.` };
    }
    case 'go': {
      const passed = state.passed + 1;
      const on = {
        ...state,
        toLay: [],
        roll: null,
        passed,
        turn: nextSeat(play, state, state.turn),
        says: 'No room: the turn passes on.',
      };
      return passed >= Math.max(2, seatsIn(play, state).length)
        ? { ...on, over: 'Everyone has passed.' }
        : on;
    }
    case 'choose': {
      const [next] = state.toLay;
      const [a, b] = next as readonly [number, number];
      if (move.key.startsWith('split')) {
        const part = Number(move.key.split(' ')[1]);
        return {
          ...state,
          toLay: [
            [a, b - part],
            [a, part],
          ],
          says: `${a} × ${b} in two.`,
        };
      }
      return {
        ...state,
        place: plotOf(move.key),
        asking: ask({ ...askCards(state.turn, 'mul', [a, b]), untimed: true }),
      };
    }
    case 'said': {
      const asking = state.asking as Asking;
      const found = answerAsking(play, state, asking, move);
      if (found.kind === 'again') return { ...state, asking: found.asking };
      return lay(
        play,
        { ...state, asking: null, says: `${asking.asked.whole}.` },
        found.kind === 'said' ? found.by : state.turn,
      );
    }
    case 'calm':
    case 'claim':
    case 'leave':
    case 'line':
    case 'pass':
    case 'signal':
    case 'stop':
      return state;
  }
}

/** The array lies, whoever said its fact has its area. */
function lay(play: Play<FieldRules>, state: FieldState, seat: number): FieldState {
  const lies = [...state.lies, { ...(state.place as Plot), seat }];
  const toLay = state.toLay.slice(1);
  const next = { ...state, lies, toLay, place: null, passed: 0 };
  const says = `${tell(state.says)} ${leftOver(play, next)} squares are left.`;
  if (leftOver(play, next) === 0) return { ...next, says, over: 'The field is full.' };
  return toLay.length > 0
    ? { ...next, says }
    : { ...next, says, roll: null, turn: nextSeat(play, state, state.turn) };
}
