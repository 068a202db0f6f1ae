import { answerOf } from '../../../facts/fact.ts';
import { askCards } from '../../askFact.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import type { Game, Play } from '../../game.ts';
import { freshState } from '../../rolled.ts';
import { emptyScene } from '../../scene.ts';
import { marksBySeat } from '../../scoring.ts';
import { numberSetting, oneSetting } from '../../setting.ts';
import { say, type Sentence } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { completes, planFor } from './lineBoard.ts';
import { anew, closed, drawn, kindOf, largest, type NumbersLie, type OddRules } from './oddNumbers.ts';
import { oddLineWords } from './oddLineWords.ts';

type State = ChoosingState & NumbersLie;
type P = Play<OddRules>;
const side = 3;

const rules = (first: number | null, second = 2, most = 10): OddRules => ({ first, second, most });

export const oddLine: Game<OddRules, State> = {
  id: 'odd-line',
  version: 1,
  family: 'boards',
  seats: { least: 1, most: 2 },
  minutes: 6,
  ...inWords(oddLineWords, [
    rules(null),
    rules(null, 2, 20),
    rules(2, 5),
    rules(3, 4),
    rules(6, 7),
    rules(8, 9),
  ]),
  settings: [
    oneSetting('first', 'One lays', [
      [null, 'odd numbers, the other even ones'],
      ...[2, 3, 4, 5, 6, 7, 8, 9].map((one) => [one, `multiples of ${one}`] as const),
    ]),
    numberSetting('second', 'The other, where not even: multiples of', 2, largest),
    numberSetting('most', 'Odd and even up to', 10, 20),
  ],
  operations: ({ first }) => [first === null ? 'add' : 'mul'],
  materials: () => ({ pack: null, dice: [], others: [`a board of ${side} × ${side}`, 'slips or a pencil'] }),
  ...choosing<OddRules, NumbersLie>({
    lay: (play) => ({
      ...{ draws: 1, nth: 0, fact: drawn(play, { ...freshState, nth: 0 }), winner: null },
      ...{ numbers: Array<null>(side * side).fill(null), marks: Array<null>(side * side).fill(null) },
    }),
    asksWhich: (_play, { turn }) => say('whichSquare', { seat: turn }),
    options: (_play, { numbers, fact, turn }) =>
      numbers.flatMap((number, square): Option[] =>
        number !== null
          ? []
          : [
              {
                ...{ key: String(square), says: say('freeSquare', { nth: square + 1 }), at: { square } },
                asks: () => [askCards(turn, fact.operation, [fact.left, fact.right])],
              },
            ],
      ),
    none: () => ({ says: say('boardFull'), next: { over: say('boardFull') } }),
    takes: (play, state, { key }, { by, whole }) => {
      const kind = kindOf(play, state);
      // Said by the other it lies there for nobody.
      return laid(
        play,
        state,
        Number(key),
        !play.against || by === state.turn ? kind : null,
        say('whole', { whole }),
      );
    },
    unsaid: (play, state, _option, whole) => ({
      ...anew(play, state),
      says: say('whole', { whole }),
      next: 'pass',
    }),
    // What was to be laid was of the kind of who left.
    leaves: (play, state, seat) =>
      state.stage === 'say' && state.chooser !== seat
        ? null
        : {
            ...{ fact: drawn(play, state), draws: state.draws + 1 },
            ...{ says: state.says, next: 'choose' },
          },
  }),
  scene: (play, { numbers, marks }) => ({
    ...emptyScene,
    board: {
      name: say('oddBoard'),
      across: side,
      squares: numbers.map((number, at) => {
        const seat = marks[at] ?? null;
        return {
          text: number === null ? '' : String(number),
          mark: seat === null ? null : { seat, held: true },
        };
      }),
    },
    totals: play.against
      ? marksBySeat(play, marks).map((value, seat) => ({
          name: say('laysKind', { seat, first: play.rules.first, second: play.rules.second }),
          value,
        }))
      : [{ name: say('together'), value: marks.filter((mark) => mark !== null).length }],
  }),
  scores: (play, { marks, winner }) => {
    const counts = marksBySeat({ seats: 2 }, marks);
    if (!play.against) return [counts.reduce((a, b) => a + b, 0)];
    return Array.from({ length: play.seats }, (_, seat) => (seat === winner ? 1 : 0));
  },
  best: (play, state) => {
    if (state.stage !== 'choose') return null;
    const found = planFor(side, closed(state), kindOf(play, state), 2);
    if (found === undefined) return null;
    const says = say(found.plan, { whole: String(found.at + 1) });
    return { says, worked: [], move: { kind: 'choose', seat: state.turn, key: String(found.at) } };
  },
};

function laid(play: P, state: State, at: number, kind: number | null, says: Sentence) {
  const numbers = state.numbers.map((number, square) => (square === at ? answerOf(state.fact) : number));
  const marks = state.marks.map((mark, square) => (square === at ? kind : mark));
  const line = kind !== null && completes(side, marks, at, kind);
  const over = line ? say('lineOfKind', { kind, first: play.rules.first, second: play.rules.second }) : null;
  const change = { ...anew(play, state), numbers, marks, winner: line ? kind : null };
  if (over) return { ...change, says, next: { over } };
  return { ...change, says, next: numbers.includes(null) ? ('pass' as const) : { over: say('boardFull') } };
}
