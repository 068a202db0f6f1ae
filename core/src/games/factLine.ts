import { answerOf, factKeyText, parseFactKey, type FactKey } from '../facts/fact.ts';
import type { Operation } from '../facts/operation.ts';
import { factsInRange } from '../facts/range.ts';
import { factKey } from '../facts/fact.ts';
import { shuffled } from '../random/random.ts';
import { answerAsking, ask, askingSays } from './asking.ts';
import { emptyScene, type Game, type GameState, type Move, type Play, type Asking } from './game.ts';
import { chanceOf, nextSeat } from './playGame.ts';
import { freshState } from './rolled.ts';
import { marksBySeat } from './scoring.ts';
import { numberSetting, oneSetting, operationsSetting, yesNo } from './setting.ts';

export interface FactLineRules {
  readonly side: 3 | 4;
  readonly operations: readonly Operation[];
  readonly largest: number;
  /** A square is marked only by solving it. */
  readonly solve: boolean;
  /** Facts that a child wrote for it; null: drawn from the range. */
  readonly own: readonly FactKey[] | null;
}

export interface FactLineState extends GameState {
  readonly facts: readonly FactKey[];
  readonly marks: readonly (number | null)[];
  /** The square under way, and its fact to be said. */
  readonly at: number | null;
  readonly asking: Asking | null;
  readonly winner: number | null;
}

const rules = (over: Partial<FactLineRules>): FactLineRules => ({
  side: 3,
  operations: ['add', 'sub'],
  largest: 10,
  solve: true,
  own: null,
  ...over,
});

export const factLine: Game<FactLineRules, FactLineState> = {
  id: 'fact-line',
  name: 'Fact line',
  family: 'boards',
  told: {
    aim: 'Mark a whole line of squares: across, down or from corner to corner.',
    turn: [
      'Choose a square and say your plan.',
      'Solve its fact to mark it.',
      'Not right: the partner may solve it and take the square.',
    ],
    ends: 'When a line is marked, or the board is full.',
    example: 'On a square stands 7 × 8: “seven eights are fifty-six”, and the square is yours.',
  },
  seats: { least: 1, most: 4 },
  minutes: 6,
  steps: [
    {
      name: 'Plain, without solving',
      example: 'You take the square in the middle: it is yours. Nothing is solved yet.',
      rules: rules({ solve: false }),
    },
    {
      name: 'Sums and differences',
      example: 'On a square stands 7 + 8: “seven and eight is fifteen”, and the square is yours.',
      rules: rules({}),
    },
    { name: 'Products', rules: rules({ operations: ['mul'] }) },
    { name: 'Four by four', rules: rules({ operations: ['mul'], side: 4 }) },
    { name: 'The child writes the facts', rules: rules({ operations: ['mul'], side: 4, largest: 12 }) },
  ],
  settings: [
    oneSetting('side', 'Board', [
      [3, '3 × 3'],
      [4, '4 × 4'],
    ]),
    operationsSetting('operations', ['add', 'sub', 'mul', 'div']),
    numberSetting('largest', 'Numbers up to', 5, 12),
    yesNo('solve', 'Solve to mark'),
  ],
  operations: ({ operations }) => operations,
  materials: ({ side }) => ({
    pack: null,
    dice: [],
    others: [`a board of ${side} × ${side} facts`, 'counters in two colours'],
  }),
  setUp: (play) => {
    const { side, own } = play.rules;
    const facts = shuffled(
      own && own.length >= side * side ? own : factsOf(play.rules),
      chanceOf(play, freshState),
    ).slice(0, side * side);
    return {
      ...freshState,
      draws: 1,
      facts,
      marks: facts.map(() => null),
      at: null,
      asking: null,
      winner: null,
    };
  },
  need: (_play, state) =>
    state.asking
      ? { kind: 'say', asked: state.asking.asked, says: askingSays(state.asking) }
      : {
          kind: 'choose',
          seat: state.turn,
          says: `Seat ${state.turn + 1}: which square?`,
          choices: state.marks.flatMap((mark, at) =>
            mark === null
              ? [{ key: String(at), says: factKeyText(state.facts[at] as FactKey), at: { square: at } }]
              : [],
          ),
        },
  act,
  scene: (play, state) => ({
    ...emptyScene,
    board: {
      name: 'Facts',
      across: play.rules.side,
      squares: state.facts.map((fact, at) => {
        const seat = state.marks[at] ?? null;
        return { text: factKeyText(fact), mark: seat === null ? null : { seat, held: true } };
      }),
    },
  }),
  scores: (play, state) => {
    const counts = marksBySeat(play, state.marks);
    if (!play.against) return [counts.reduce((a, b) => a + b, 0)];
    return counts.map((_, seat) => (seat === state.winner ? 1 : 0));
  },
  best: (play, state) => {
    if (state.asking) return null;
    const at = bestSquare(play, state);
    if (at === undefined) return null;
    const key = state.facts[at] as FactKey;
    const whole = `${factKeyText(key)} = ${answerOf(parseFactKey(key))}`;
    return {
      says: `${whole}: ${planOf(play, state, at)}.`,
      worked: [whole],
      move: { kind: 'choose', seat: state.turn, key: String(at) },
    };
  },
};

function factsOf({ operations, largest }: FactLineRules): FactKey[] {
  return operations.flatMap((operation) =>
    factsInRange(operation, largest)
      .filter((fact) => Math.min(fact.left, fact.right) > 1)
      .map(factKey),
  );
}

/** Every line of a board: rows, columns, both diagonals. */
export function linesOfBoard(side: number): number[][] {
  const range = Array.from({ length: side }, (_, at) => at);
  return [
    ...range.map((row) => range.map((col) => row * side + col)),
    ...range.map((col) => range.map((row) => row * side + col)),
    range.map((at) => at * side + at),
    range.map((at) => at * side + (side - 1 - at)),
  ];
}

const completes = (play: Play<FactLineRules>, marks: readonly (number | null)[], at: number, seat: number) =>
  linesOfBoard(play.rules.side).some(
    (line) => line.includes(at) && line.every((square) => square === at || marks[square] === seat),
  );

/** A square that completes a line; else one that keeps another from it; else the one on most lines still open. */
function bestSquare(play: Play<FactLineRules>, state: FactLineState): number | undefined {
  const free = [...state.marks.keys()].filter((at) => state.marks[at] === null);
  const others = [...Array(play.seats).keys()].filter((seat) => seat !== state.turn);
  const open = (at: number) =>
    linesOfBoard(play.rules.side).filter(
      (line) =>
        line.includes(at) &&
        line.every((square) => state.marks[square] === null || state.marks[square] === state.turn),
    ).length;
  return (
    free.find((at) => completes(play, state.marks, at, state.turn)) ??
    (play.against
      ? free.find((at) => others.some((seat) => completes(play, state.marks, at, seat)))
      : undefined) ??
    [...free].sort((a, b) => open(b) - open(a))[0]
  );
}

function planOf(play: Play<FactLineRules>, state: FactLineState, at: number): string {
  if (completes(play, state.marks, at, state.turn)) return 'it completes a line';
  const other = [...Array(play.seats).keys()].some(
    (seat) => seat !== state.turn && completes(play, state.marks, at, seat),
  );
  return other ? 'it keeps the other from a line' : 'it lies on the most open lines';
}

function act(play: Play<FactLineRules>, state: FactLineState, move: Move): FactLineState {
  if (move.kind === 'choose') {
    const at = Number(move.key);
    if (!play.rules.solve) return mark(play, state, at, state.turn, `Seat ${state.turn + 1} marks a square.`);
    const fact = state.facts[at] as FactKey;
    const answer = String(answerOf(parseFactKey(fact)));
    const shown = factKeyText(fact);
    return {
      ...state,
      at,
      asking: ask({
        seat: state.turn,
        item: { kind: 'fact', key: fact },
        shown,
        answer,
        whole: `${shown} = ${answer}`,
        untimed: true,
      }),
    };
  }
  if (move.kind !== 'said') return state;
  const asking = state.asking as Asking;
  const found = answerAsking(play, state, asking, move);
  if (found.kind === 'again') return { ...state, asking: found.asking };
  const whole = `${asking.asked.whole}.`;
  const rest = { ...state, asking: null, at: null };
  if (found.kind === 'shown') return { ...rest, turn: nextSeat(play, state, state.turn), says: whole };
  return mark(play, rest, state.at as number, found.by, whole);
}

function mark(
  play: Play<FactLineRules>,
  state: FactLineState,
  at: number,
  seat: number,
  says: string,
): FactLineState {
  const marks = state.marks.map((one, square) => (square === at ? seat : one));
  const line = completes(play, marks, at, seat);
  const full = marks.every((one) => one !== null);
  return {
    ...state,
    marks,
    says,
    turn: nextSeat(play, state, state.turn),
    winner: line ? seat : null,
    over: line ? `A line for seat ${seat + 1}.` : full ? 'The board is full.' : null,
  };
}
