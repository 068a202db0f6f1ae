import { answerOf, factKey, factKeyText, parseFactKey, type FactKey } from '../../../facts/fact.ts';
import type { Operation } from '../../../facts/operation.ts';
import { factsInRange } from '../../../facts/range.ts';
import { shuffled } from '../../../random/random.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import { askedFact } from '../../askFact.ts';
import { emptyScene, type Game, type Play } from '../../game.ts';
import { chanceOf } from '../../playGame.ts';
import { freshState } from '../../rolled.ts';
import { marksBySeat } from '../../scoring.ts';
import { numberSetting, oneSetting, operationsSetting, yesNo } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';

export interface FactLineRules {
  readonly side: 3 | 4;
  readonly operations: readonly Operation[];
  readonly largest: number;
  /** A square is marked only by solving it. */
  readonly solve: boolean;
  /** Facts that a child wrote for it; null: drawn from the range. */
  readonly own: readonly FactKey[] | null;
}

interface Lies {
  readonly facts: readonly FactKey[];
  readonly marks: readonly (number | null)[];
  readonly winner: number | null;
}
type State = ChoosingState & Lies;

const rules = (over: Partial<FactLineRules>): FactLineRules => ({
  side: 3,
  operations: ['add', 'sub'],
  largest: 10,
  solve: true,
  own: null,
  ...over,
});

export const factLine: Game<FactLineRules, State> = {
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
  ...choosing<FactLineRules, Lies>({
    lay: (play) => {
      const { side, own } = play.rules;
      const list = own && own.length >= side * side ? own : factsOf(play.rules);
      const facts = shuffled(list, chanceOf(play, freshState)).slice(0, side * side);
      return { draws: 1, facts, marks: facts.map(() => null), winner: null };
    },
    asksWhich: (_play, { turn }) => say('whichSquare', { seat: turn }),
    options: (play, { facts, marks, turn }) =>
      facts.flatMap((fact, at): Option[] => {
        if (marks[at] !== null) return [];
        const text = factKeyText(fact);
        // It lay open before it was chosen.
        const asked = askedFact(turn, fact, text, String(answerOf(parseFactKey(fact))), true);
        return [
          {
            key: String(at),
            says: say('square', { text }),
            at: { square: at },
            asks: () => (play.rules.solve ? [asked] : []),
          },
        ];
      }),
    none: () => ({ says: say('boardFull'), next: { over: say('boardFull') } }),
    takes: (play, state, { key }, { by: seat, whole }) => {
      const at = Number(key);
      const marks = state.marks.map((one, square) => (square === at ? seat : one));
      const line = completes(play, marks, at, seat);
      const done = line ? say('lineFor', { seat }) : marks.includes(null) ? null : say('boardFull');
      return {
        marks,
        winner: line ? seat : null,
        says: play.rules.solve ? say('whole', { whole }) : say('marks', { seat }),
        next: done ? { over: done } : 'pass',
      };
    },
    unsaid: (_play, _state, _option, whole) => ({ says: say('whole', { whole }), next: 'pass' }),
  }),
  scene: (play, state) => ({
    ...emptyScene,
    board: {
      name: say('facts'),
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
    const found = bestSquare(play, state);
    if (found === undefined) return null;
    const key = state.facts[found.at] as FactKey;
    const whole = `${factKeyText(key)} = ${answerOf(parseFactKey(key))}`;
    return {
      says: say(found.plan, { whole }),
      worked: [whole],
      move: { kind: 'choose', seat: state.turn, key: String(found.at) },
    };
  },
};

const factsOf = ({ operations, largest }: FactLineRules): FactKey[] =>
  operations.flatMap((operation) =>
    factsInRange(operation, largest)
      .filter((fact) => Math.min(fact.left, fact.right) > 1)
      .map(factKey),
  );

/** Every line of a board: rows, columns, both diagonals. */
function linesOfBoard(side: number): number[][] {
  const range = Array.from({ length: side }, (_, at) => at);
  return [
    ...range.map((row) => range.map((col) => row * side + col)),
    ...range.map((col) => range.map((row) => row * side + col)),
    range.map((at) => at * side + at),
    range.map((at) => at * side + (side - 1 - at)),
  ];
}

const completes = (play: Play<FactLineRules>, marks: Lies['marks'], at: number, seat: number) =>
  linesOfBoard(play.rules.side).some(
    (line) => line.includes(at) && line.every((square) => square === at || marks[square] === seat),
  );

/** A square that completes a line; else one that keeps another from it; else the one on most lines still open. */
function bestSquare(play: Play<FactLineRules>, { marks, turn }: State) {
  const free = [...marks.keys()].filter((at) => marks[at] === null);
  const others = [...Array(play.seats).keys()].filter((seat) => seat !== turn);
  const open = (at: number) =>
    linesOfBoard(play.rules.side).filter(
      (line) => line.includes(at) && line.every((one) => marks[one] === null || marks[one] === turn),
    ).length;
  const wins = free.find((at) => completes(play, marks, at, turn));
  if (wins !== undefined) return { at: wins, plan: 'planCompletes' } as const;
  const keeps = free.find((at) => others.some((seat) => completes(play, marks, at, seat)));
  if (play.against && keeps !== undefined) return { at: keeps, plan: 'planKeeps' } as const;
  const [most] = [...free].sort((a, b) => open(b) - open(a));
  return most === undefined ? undefined : ({ at: most, plan: 'planOpen' } as const);
}
