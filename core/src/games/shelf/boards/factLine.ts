import { answerOf, factKey, factKeyText, parseFactKey, type FactKey } from '../../../facts/fact.ts';
import type { Operation } from '../../../facts/operation.ts';
import { factsInRange } from '../../../facts/range.ts';
import { shuffled } from '../../../random/random.ts';
import { askedFact } from '../../askFact.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import { markedBoard } from '../../bodies/markedBoard.ts';
import type { Game } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { chanceOf } from '../../playGame.ts';
import { freshState } from '../../rolled.ts';
import { marksBySeat } from '../../scoring.ts';
import { numberSetting, oneSetting, operationsSetting, yesNo, factsSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { factLineWords } from './factLineWords.ts';
import { completes, planFor } from './lineBoard.ts';

export interface FactLineRules {
  readonly side: 3 | 4;
  readonly operations: readonly Operation[];
  readonly largest: number;
  /** A square is marked only by solving it. */
  readonly solve: boolean;
  /** Facts that a child wrote for it; none, or null: drawn from the range. */
  readonly own: readonly FactKey[] | null;
}

export interface LaidOut {
  readonly facts: readonly FactKey[];
  readonly marks: readonly (number | null)[];
  readonly winner: number | null;
}
type State = ChoosingState & LaidOut;

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
  version: 2,
  family: 'boards',
  seats: { least: 1, most: 4 },
  minutes: 6,
  ...inWords(factLineWords, [
    rules({ solve: false }),
    rules({}),
    rules({ operations: ['mul'] }),
    rules({ operations: ['mul'], side: 4 }),
    rules({ operations: ['mul'], side: 4, largest: 12, own: [] }),
  ]),
  settings: [
    oneSetting('side', 'Board', [
      [3, '3 × 3'],
      [4, '4 × 4'],
    ]),
    operationsSetting('operations', ['add', 'sub', 'mul', 'div']),
    numberSetting('largest', 'Numbers up to', 5, 12),
    yesNo('solve', 'Solve to mark'),
    factsSetting('own', 'Facts as the child wrote them', 16),
  ],
  operations: ({ operations }) => operations,
  materials: ({ side }) => ({
    pack: null,
    dice: [],
    others: [`a board of ${side} × ${side} facts`, 'counters in two colours'],
  }),
  ...choosing<FactLineRules, LaidOut>({
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
            says: say('asWritten', { text }),
            at: { square: at },
            asks: () => (play.rules.solve ? [asked] : []),
          },
        ];
      }),
    none: () => ({ says: say('boardFull'), next: { over: say('boardFull') } }),
    takes: (play, state, { key }, { by: seat, whole }) => {
      const at = Number(key);
      const marks = state.marks.map((one, square) => (square === at ? seat : one));
      const line = completes(play.rules.side, marks, at, seat);
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
    board: markedBoard(say('facts'), play.rules.side, state.facts.map(factKeyText), state.marks),
  }),
  scores: (play, state) => {
    const counts = marksBySeat(play, state.marks);
    if (!play.against) return [counts.reduce((a, b) => a + b, 0)];
    return counts.map((_, seat) => (seat === state.winner ? 1 : 0));
  },
  best: (play, state) => {
    if (state.asking) return null;
    const found = planFor(play.rules.side, state.marks, state.turn, play.against ? play.seats : 0);
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
