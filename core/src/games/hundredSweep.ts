import type { DieSides } from '../materials/dice.ts';
import { expressionText, type Expression, type Sign } from '../numbers/expression.ts';
import { reach, type Reach } from '../numbers/reach.ts';
import { emptyScene, type Choice, type Game, type GameState, type Move, type Play } from './game.ts';
import { factsOfLine, nextSeat, seatsIn } from './playGame.ts';
import { freshState, rolled } from './rolled.ts';
import { operationOfSign } from './signOperation.ts';
import { marksBySeat, namedScores, scoresFrom } from './scoring.ts';
import { diceSetting, numberSetting, oneSetting, signsSetting } from './setting.ts';
import { tell } from './tell/sentence.ts';

export interface SweepRules {
  readonly dice: readonly DieSides[];
  readonly signs: readonly Sign[];
  /** Numbers from 1 to this. */
  readonly top: number;
  readonly rounds: number;
}

export interface SweepState extends GameState {
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

export const hundredSweep: Game<SweepRules, SweepState> = {
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
  setUp: (play) => ({
    ...freshState,
    marks: Array<null>(play.rules.top).fill(null),
    roll: null,
    swept: [],
    rollsDone: 0,
    rerolled: [],
  }),
  need: (play, state) => {
    if (state.roll === null)
      return { kind: 'roll', seat: state.turn, dice: play.rules.dice, says: 'Roll the dice.' };
    const more: Choice[] = [{ key: done, says: 'Done' }];
    if (state.swept.length === 0 && !state.rerolled.includes(state.turn))
      more.push({ key: again, says: 'Roll again' });
    return {
      kind: 'choose',
      seat: state.turn,
      says:
        state.swept.length === 0
          ? `${state.roll.join(', ')}: mark what they make.`
          : 'Sweep what was missed.',
      choices: [...choicesOf(play, state), ...more],
    };
  },
  act,
  scene: (play, state) => ({
    ...emptyScene,
    dice: state.roll ?? [],
    board: {
      name: play.rules.top === 100 ? 'Hundred square' : 'Strip',
      across: play.rules.top === 100 ? 10 : play.rules.top,
      squares: state.marks.map((seat, at) => ({
        text: String(at + 1),
        mark: seat === null ? null : { seat, held: true },
      })),
    },
    totals: namedScores(play, scoresOf(play, state), 'Marked'),
  }),
  scores: scoresOf,
  best: (play, state) => {
    if (state.roll === null) return null;
    const choices = choicesOf(play, state);
    const [first] = choices;
    if (!first)
      return {
        says: 'Everything they make is marked.',
        worked: [],
        move: { kind: 'choose', seat: state.turn, key: done },
      };
    return {
      says: `${choices.length} ${choices.length === 1 ? 'number is' : 'numbers are'} left to mark: ${choices.map((one) => Number(one.key)).join(', ')}.`,
      worked: choices.map((one) => one.says),
      move: { kind: 'choose', seat: state.turn, key: first.key },
    };
  },
};

function scoresOf(play: Play<SweepRules>, state: SweepState): readonly number[] {
  return scoresFrom(play, marksBySeat(play, state.marks));
}

const reached = new Map<string, Reach>();

function reachOf({ signs, top }: SweepRules, roll: readonly number[]): Reach {
  const key = `${[...roll].sort((a, b) => a - b).join()} ${signs.join('')} ${top}`;
  const known = reached.get(key);
  if (known) return known;
  if (reached.size > 300) reached.clear();
  const made = reach({ numbers: roll, signs, from: 1, to: top });
  reached.set(key, made);
  return made;
}

function choicesOf(play: Play<SweepRules>, state: SweepState): Choice[] {
  const found = reachOf(play.rules, state.roll ?? []);
  return found.values
    .filter((value) => state.marks[value - 1] === null)
    .map((value): Choice => {
      const line = found.lineFor(value) as Expression;
      const [fact] = factsOfLine(line);
      return {
        key: String(value),
        says: line.kind === 'number' ? `${value}, on one die` : `${expressionText(line)} = ${value}`,
        at: { square: value - 1 },
        veiled: true,
        ...(fact === undefined ? {} : { fact }),
      };
    });
}

function act(play: Play<SweepRules>, state: SweepState, move: Move): SweepState {
  if (move.kind === 'roll') {
    const roll = rolled(play, state, move, play.rules.dice);
    return { ...state, roll, draws: state.draws + 1, says: `${roll.join(', ')}.` };
  }
  if (move.kind !== 'choose') return state;
  if (move.key === again)
    return { ...state, roll: null, rerolled: [...state.rerolled, state.turn], says: 'Rolled again.' };
  if (move.key !== done) {
    const at = Number(move.key) - 1;
    const says = tell(choicesOf(play, state).find((one) => one.key === move.key)?.says ?? '');
    return {
      ...state,
      marks: state.marks.map((seat, place) => (place === at ? state.turn : seat)),
      says: `${says}.`,
    };
  }
  const swept = [...state.swept, state.turn];
  const turn = nextSeat(play, state, state.turn);
  if (seatsIn(play, state).some((seat) => !swept.includes(seat)) && !swept.includes(turn))
    return { ...state, swept, turn, says: `Seat ${turn + 1} sweeps what was missed.` };
  const rollsDone = state.rollsDone + 1;
  const on: SweepState = { ...state, swept: [], roll: null, rollsDone, turn, says: 'The next roll.' };
  return rollsDone >= play.rules.rounds * seatsIn(play, state).length
    ? { ...on, over: `${play.rules.rounds} rounds are played.` }
    : on;
}
