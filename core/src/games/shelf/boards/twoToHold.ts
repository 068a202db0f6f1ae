import type { Operation } from '../../../facts/operation.ts';
import { chanceShown } from '../../../materials/deckOdds.ts';
import { allRolls, facesOf, type DieSides } from '../../../materials/dice.ts';
import { fractionText } from '../../../numbers/fraction.ts';
import { createRandom, shuffled } from '../../../random/random.ts';
import { askCards } from '../../askFact.ts';
import { turnsOf, type Step, type TurnState } from '../../bodies/turns.ts';
import { emptyScene, type Choice, type Game, type Play } from '../../game.ts';
import { scoresFrom } from '../../scoring.ts';
import { oneSetting, operationSetting } from '../../setting.ts';
import { say, sentences } from '../../tell/sentence.ts';

export interface HoldRules {
  readonly dice: readonly DieSides[];
  readonly operation: Operation;
}

/** A square of the board: whose counter lies there, and whether two hold it for good. */
interface HeldSquare {
  readonly total: number;
  readonly seat: number | null;
  readonly held: boolean;
}

interface Lies {
  readonly squares: readonly HeldSquare[];
  /** Counters still in hand. */
  readonly counters: readonly number[];
  readonly roll: readonly number[] | null;
}
export type HoldState = TurnState & Lies;

const countersEach = 10;
const across = 6;
const dice: readonly DieSides[] = [6, 6];

export const twoToHold: Game<HoldRules, HoldState> = {
  id: 'two-to-hold',
  name: 'Two to hold',
  family: 'boards',
  told: {
    aim: 'Hold the most squares with two counters of your own.',
    turn: [
      'Roll, say the fact, place a counter on its total; where it is there twice you choose.',
      'A lone counter of another goes back to its owner.',
      'Two of your own hold the square for good. A total that is held everywhere passes the turn.',
    ],
    ends: `When one player’s ${countersEach} counters are out.`,
    example: 'A 4 and a 5: “four and five is nine”. Your counter joins your other one on 9: you hold it.',
  },
  seats: { least: 1, most: 4 },
  minutes: 10,
  steps: [
    { name: 'Sums of two dice', rules: { dice, operation: 'add' } },
    {
      name: 'Differences',
      example:
        'A 6 and a 2: “six take away two is four”. Your counter joins your other one on 4: you hold it.',
      rules: { dice, operation: 'sub' },
    },
    {
      name: 'Products',
      example:
        'A 4 and a 5: “four times five is twenty”. Your counter joins your other one on 20: you hold it.',
      rules: { dice, operation: 'mul' },
    },
    {
      name: 'Sums of three dice',
      example:
        'A 4, a 5 and a 2: “four and five and two is eleven”. Your counter joins your other one on 11: you hold it.',
      rules: { dice: [6, 6, 6], operation: 'add' },
    },
  ],
  settings: [
    oneSetting('dice', 'Dice', [
      [[6, 6], 'two six-sided'],
      [[10, 10], 'two ten-sided'],
      [[12, 12], 'two twelve-sided'],
      [[6, 6, 6], 'three six-sided'],
    ]),
    operationSetting('operation', ['add', 'sub', 'mul']),
  ],
  operations: ({ operation }) => [operation],
  materials: (rules) => ({
    pack: null,
    dice: rules.dice,
    others: ['the board', `${countersEach} counters for each player`],
  }),
  ...turnsOf<HoldRules, Lies>({
    lay: (play) => ({
      squares: boardOf(play.rules, play.seed).map((total) => ({ total, seat: null, held: false })),
      counters: Array<number>(play.seats).fill(countersEach),
      roll: null,
    }),
    opens: (play) => ({ kind: 'roll', dice: play.rules.dice }),
    opened: (play, state, roll) => ({
      roll,
      says: say('rolled'),
      next: { ask: [askCards(state.turn, play.rules.operation, roll)] },
    }),
    said: (play, state, { by, asked: { whole } }) => {
      // Whoever said it places the counter; nobody: the turn passes on.
      if (by === null) return { roll: null, says: say('whole', { whole }), next: 'pass' };
      return choicesOf(play, state).length > 0
        ? { turn: by, says: say('whole', { whole }), next: 'choose' }
        : { turn: by, roll: null, says: say('heldPasses', { whole }), next: 'pass' };
    },
    choice: (play, state) => ({
      says: say('placeOn', { total: totalOf(play, state.roll ?? []) }),
      choices: choicesOf(play, state),
    }),
    chosen: (_play, state, choice) => place(state, Number(choice.key)),
  }),
  scene: (_play, state) => ({
    ...emptyScene,
    dice: state.roll ?? [],
    board: {
      name: say('totals'),
      across,
      squares: state.squares.map(({ total, seat, held }) => ({
        text: String(total),
        mark: seat === null ? null : { seat, held },
      })),
    },
    totals: state.counters.map((value, seat) => ({ name: say('countersOf', { seat }), value })),
  }),
  scores: (play, state) =>
    scoresFrom(
      play,
      state.counters.map((_, seat) => state.squares.filter((one) => one.held && one.seat === seat).length),
    ),
  best: (play, state) => {
    if (state.asking || state.roll === null) return null;
    const squareOf = ({ key }: Choice) => state.squares[Number(key)] as HeldSquare;
    const value = (one: Choice) => {
      const { seat } = squareOf(one);
      return seat === state.turn ? 2 : seat === null ? 0 : 1;
    };
    const [best] = [...choicesOf(play, state)].sort((a, b) => value(b) - value(a));
    if (!best) return null;
    const { total, seat: beside } = squareOf(best);
    const chance = fractionText(chanceShown(play.rules.dice.map(facesOf), play.rules.operation, total));
    return {
      says: say('holdWhy', { total, beside, why: (['free', 'back', 'holds'] as const)[value(best)], chance }),
      worked: [best.says],
      move: { kind: 'choose', seat: state.turn, key: best.key },
    };
  },
};

const totalOf = (play: Play<HoldRules>, roll: readonly number[]) =>
  Number(askCards(0, play.rules.operation, roll).answer);

/** Every total the dice make, some twice: the likeliest are there twice until the board is full. */
function boardOf(rules: HoldRules, seed: number): number[] {
  const counts = new Map<number, number>();
  for (const roll of allRolls(rules.dice)) {
    const total = Number(askCards(0, rules.operation, roll).answer);
    counts.set(total, (counts.get(total) ?? 0) + 1);
  }
  const totals = [...counts.keys()].sort((a, b) => a - b);
  const size = Math.ceil((totals.length + 3) / across) * across;
  const twice = [...counts]
    .sort((a, b) => b[1] - a[1] || a[0] - b[0])
    .slice(0, Math.min(totals.length, size - totals.length));
  return shuffled([...totals, ...twice.map(([total]) => total)], createRandom(seed));
}

function choicesOf(play: Play<HoldRules>, { roll, squares }: Lies): Choice[] {
  const wanted = totalOf(play, roll ?? []);
  return squares.flatMap(({ total, held, seat: beside }, at) =>
    total === wanted && !held
      ? [{ key: String(at), says: say('placeHere', { total, beside }), at: { square: at } }]
      : [],
  );
}

function place(state: HoldState, at: number): Step<Lies> {
  const { total, seat: there } = state.squares[at] as HeldSquare;
  const seat = state.turn;
  const mine = there === seat;
  const squares = state.squares.map((one, nth) => (nth === at ? { total, seat, held: mine } : one));
  const counters = state.counters.map((count, one) =>
    one === seat ? count - 1 : one === there ? count + 1 : count,
  );
  const says = sentences(
    mine
      ? say('holds', { seat, total })
      : there === null
        ? say('counterOn', { total })
        : say('goesBack', { seat: there, total }),
  );
  const laid = { squares, counters, roll: null, says };
  if (counters[seat] === 0) return { ...laid, next: { over: say('countersOut', { seat }) } };
  return { ...laid, next: squares.every((one) => one.held) ? { over: say('allHeld') } : 'pass' };
}
