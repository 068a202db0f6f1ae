import type { DieSides } from '../../../materials/dice.ts';
import { expressionText, type Expression, type Sign } from '../../../numbers/expression.ts';
import { reach, type Reach } from '../../../numbers/reach.ts';
import { askMade, notMade, type Making } from '../../askMade.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import { emptyScene, type Game, type Play } from '../../game.ts';
import { nextSeat, seatsIn } from '../../playGame.ts';
import { marksBySeat, namedTotals, scoresFrom } from '../../scoring.ts';
import { diceSetting, numberSetting, oneSetting, signsSetting } from '../../setting.ts';
import { operationOfSign } from '../../signOperation.ts';
import { say } from '../../tell/sentence.ts';

export interface SweepRules {
  readonly dice: readonly DieSides[];
  readonly signs: readonly Sign[];
  /** Numbers from 1 to this. */
  readonly top: number;
  readonly rounds: number;
}

interface Lies {
  /** By number less one: the seat that marked it. */
  readonly marks: readonly (number | null)[];
  readonly roll: readonly number[] | null;
  /** Seats that have swept this roll. */
  readonly swept: readonly number[];
  readonly rollsDone: number;
  readonly rerolled: readonly number[];
}

/** A look before the sweep, and the sweep itself, ms. */
export const lookMs = 10_000;
export const sweepMs = 60_000;

const done = 'done';
const again = 'again';
const rules = (signs: readonly Sign[], over: Partial<SweepRules> = {}): SweepRules => ({
  dice: [6, 6, 6],
  signs,
  top: 100,
  rounds: 3,
  ...over,
});

export const hundredSweep: Game<SweepRules, ChoosingState & Lies> = {
  id: 'hundred-sweep',
  name: 'Hundred sweep',
  family: 'make',
  told: {
    aim: 'Mark every number that the dice make.',
    turn: [
      'Roll three dice and look at them for a while. Each player may roll again once in the game.',
      'Then a minute: mark the numbers they make, saying each line. A number marked is gone for everyone.',
      'The partner sweeps what was missed.',
    ],
    ends: 'After three rounds.',
    example: 'Of 2, 3 and 6: 6 + 3 − 2 = 7, 6 × 3 = 18, (6 + 2) × 3 = 24 and more.',
  },
  seats: { least: 1, most: 4 },
  minutes: 15,
  steps: [
    {
      name: '+ and −, on a strip to 18',
      example: 'Of 2, 3 and 6: 6 + 2 = 8, 6 − 3 + 2 = 5, 6 + 3 − 2 = 7 and more.',
      rules: rules(['+', '-'], { top: 18 }),
    },
    { name: '× joins, on the hundred square', rules: rules(['+', '-', '*']) },
    {
      name: '÷ joins',
      example: 'Of 2, 3 and 6: 6 ÷ 3 = 2, 6 × 3 = 18, (6 + 2) × 3 = 24 and more.',
      rules: rules(['+', '-', '*', '/']),
    },
    {
      name: 'Ten-sided dice',
      example: 'Of 8, 9 and 4: 8 ÷ 4 = 2, 9 × 8 = 72, (9 − 4) × 8 = 40 and more.',
      rules: rules(['+', '-', '*', '/'], { dice: [10, 10, 10] }),
    },
  ],
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
  ...choosing<SweepRules, Lies>({
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
      ...state.marks.flatMap((mark, at) => (mark === null ? [squareOf(play, state, at + 1)] : [])),
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
    board: {
      name: play.rules.top === 100 ? say('hundredSquare') : say('strip'),
      across: play.rules.top === 100 ? 10 : play.rules.top,
      squares: state.marks.map((seat, at) => ({
        text: String(at + 1),
        mark: seat === null ? null : { seat, held: true },
      })),
    },
    totals: namedTotals(play, scoresOf(play, state), say('marked')),
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

function scoresOf(play: Play<SweepRules>, state: Lies): readonly number[] {
  return scoresFrom(play, marksBySeat(play, state.marks));
}

const reached = new Map<string, Reach>();
const mostReached = 300;

function reachOf({ signs, top }: SweepRules, roll: readonly number[]): Reach {
  const key = `${[...roll].sort((a, b) => a - b).join()} ${signs.join('')} ${top}`;
  const known = reached.get(key);
  if (known) return known;
  if (reached.size > mostReached) reached.clear();
  const made = reach({ numbers: roll, signs, from: 1, to: top });
  reached.set(key, made);
  return made;
}

/** A number to be marked: its line is said first; one that no line makes is claimed all the same. */
function squareOf(
  { rules: given }: Play<SweepRules>,
  { roll, turn }: ChoosingState & Lies,
  number: number,
): Option {
  const making: Making = { numbers: roll ?? [], signs: given.signs, least: 1 };
  return {
    key: String(number),
    says: say('square', { text: String(number) }),
    at: { square: number - 1 },
    veiled: true,
    ...(reachOf(given, roll ?? []).has(number)
      ? { asks: () => [askMade(turn, making, number) as NonNullable<ReturnType<typeof askMade>>] }
      : { claim: notMade(making, number) }),
  };
}

/** A seat has swept: the next one sweeps what was missed, and after the last comes another roll. */
function sweptBy(play: Play<SweepRules>, state: ChoosingState & Lies) {
  const swept = [...state.swept, state.turn];
  const turn = nextSeat(play, state, state.turn);
  if (seatsIn(play, state).some((seat) => !swept.includes(seat)) && !swept.includes(turn))
    return { swept, turn, says: say('sweepsNow', { seat: turn }), next: 'choose' as const };
  const rollsDone = state.rollsDone + 1;
  const over = rollsDone >= play.rules.rounds * seatsIn(play, state).length;
  const on = { swept: [], roll: null, rollsDone, turn, says: say('nextRoll') };
  return {
    ...on,
    next: over ? { over: say('roundsPlayed', { rounds: play.rules.rounds }) } : ('again' as const),
  };
}
