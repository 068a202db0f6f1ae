import type { Operation } from '../facts/operation.ts';
import { chanceShown } from '../materials/deckOdds.ts';
import { allRolls, facesOf, type DieSides } from '../materials/dice.ts';
import { fractionText } from '../numbers/fraction.ts';
import { createRandom, shuffled } from '../random/random.ts';
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
import { nextSeat } from './playGame.ts';
import { freshState, rolled } from './rolled.ts';
import { scoresFrom } from './scoring.ts';
import { oneSetting, operationSetting } from './setting.ts';

export interface HoldRules {
  readonly dice: readonly DieSides[];
  readonly operation: Operation;
}

/** A square of the board: whose counter lies there, and whether two hold it for good. */
export interface HeldSquare {
  readonly total: number;
  readonly seat: number | null;
  readonly held: boolean;
}

export interface HoldState extends GameState {
  readonly squares: readonly HeldSquare[];
  /** Counters still in hand. */
  readonly counters: readonly number[];
  readonly roll: readonly number[] | null;
  readonly asking: Asking | null;
}

export const countersEach = 10;
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
  setUp: (play) => ({
    ...freshState,
    squares: boardOf(play.rules, play.seed).map((total) => ({ total, seat: null, held: false })),
    counters: Array<number>(play.seats).fill(countersEach),
    roll: null,
    asking: null,
  }),
  need: (play, state) => {
    if (state.asking) return { kind: 'say', asked: state.asking.asked, says: askingSays(state.asking) };
    if (state.roll === null)
      return { kind: 'roll', seat: state.turn, dice: play.rules.dice, says: 'Roll the dice.' };
    return {
      kind: 'choose',
      seat: state.turn,
      says: `Place a counter on ${totalOf(play, state.roll)}.`,
      choices: choicesOf(play, state),
    };
  },
  act,
  scene: (_play, state) => ({
    ...emptyScene,
    dice: state.roll ?? [],
    board: {
      name: 'Totals',
      across,
      squares: state.squares.map(({ total, seat, held }) => ({
        text: String(total),
        mark: seat === null ? null : { seat, held },
      })),
    },
    totals: state.counters.map((value, seat) => ({ name: `Counters of seat ${seat + 1}`, value })),
  }),
  scores: (play, state) => {
    const held = Array.from(
      { length: play.seats },
      (_, seat) => state.squares.filter((one) => one.held && one.seat === seat).length,
    );
    return scoresFrom(play, held);
  },
  best: (play, state) => {
    if (state.asking || state.roll === null) return null;
    const value = ({ key }: Choice) => {
      const { seat } = state.squares[Number(key)] as HeldSquare;
      return seat === state.turn ? 2 : seat === null ? 0 : 1;
    };
    const [best] = [...choicesOf(play, state)].sort((a, b) => value(b) - value(a));
    if (!best) return null;
    const why = ['a free square', 'sends a lone counter back', 'holds it for good'][value(best)] as string;
    return {
      says: `${best.says}: ${why}. ${fractionText(chanceShown(play.rules.dice.map(facesOf), play.rules.operation, totalOf(play, state.roll)))} of all rolls come to it.`,
      worked: [best.says],
      move: { kind: 'choose', seat: state.turn, key: best.key },
    };
  },
};

const totalOf = (play: Play<HoldRules>, roll: readonly number[]) =>
  Number(askCards(0, play.rules.operation, roll).answer);

/** Every total the dice make, some twice: the likeliest are there twice until the board is full. */
export function boardOf(rules: HoldRules, seed: number): number[] {
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

function choicesOf(play: Play<HoldRules>, state: HoldState): Choice[] {
  const total = totalOf(play, state.roll ?? []);
  return state.squares.flatMap((square, at) =>
    square.total === total && !square.held
      ? [
          {
            key: String(at),
            says: `${total}${square.seat === null ? '' : `, beside seat ${square.seat + 1}`}`,
            at: { square: at },
          },
        ]
      : [],
  );
}

function act(play: Play<HoldRules>, state: HoldState, move: Move): HoldState {
  switch (move.kind) {
    case 'roll': {
      const roll = rolled(play, state, move, play.rules.dice);
      return {
        ...state,
        draws: state.draws + 1,
        roll,
        asking: ask(askCards(state.turn, play.rules.operation, roll)),
        says: 'Rolled.',
      };
    }
    case 'said': {
      const asking = state.asking as Asking;
      const found = answerAsking(play, state, asking, move);
      if (found.kind === 'again') return { ...state, asking: found.asking };
      const said = { ...state, asking: null, says: `${asking.asked.whole}.` };
      // Whoever said it places the counter; nobody: the turn passes on.
      if (found.kind === 'shown') return passOn(play, said, asking.asked.whole);
      const next = { ...said, turn: found.by };
      return choicesOf(play, next).length > 0
        ? next
        : passOn(play, next, `${asking.asked.whole}, and it is held: the turn passes on`);
    }
    case 'choose':
      return place(play, state, Number(move.key));
    case 'calm':
    case 'claim':
    case 'go':
    case 'leave':
    case 'line':
    case 'pass':
    case 'signal':
    case 'stop':
      return state;
  }
}

function place(play: Play<HoldRules>, state: HoldState, at: number): HoldState {
  const square = state.squares[at] as HeldSquare;
  const mine = square.seat === state.turn;
  const squares = state.squares.map((one, place_) =>
    place_ === at ? { ...one, seat: state.turn, held: mine } : one,
  );
  const counters = state.counters.map((count, seat) => {
    if (seat === state.turn) return count - 1;
    return seat === square.seat ? count + 1 : count;
  });
  const says = mine
    ? `Seat ${state.turn + 1} holds ${square.total}.`
    : square.seat === null
      ? `A counter on ${square.total}.`
      : `The counter of seat ${square.seat + 1} goes back from ${square.total}.`;
  const next = { ...state, squares, counters, roll: null, says };
  if (counters[state.turn] === 0) return { ...next, over: `The counters of seat ${state.turn + 1} are out.` };
  if (squares.every((one) => one.held)) return { ...next, over: 'Every square is held.' };
  return { ...next, turn: nextSeat(play, next, state.turn) };
}

const passOn = (play: Play<HoldRules>, state: HoldState, says: string): HoldState => ({
  ...state,
  roll: null,
  turn: nextSeat(play, state, state.turn),
  says: `${says}.`,
});
