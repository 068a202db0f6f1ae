import { skillItem } from '../../../facts/item.ts';
import { turnsOf, type Next, type TurnState } from '../../bodies/turns.ts';
import type { Game } from '../../game.ts';
import type { Asked } from '../../need.ts';
import { nextSeat } from '../../playGame.ts';
import { nothingHidden } from '../../rolled.ts';
import { emptyScene } from '../../scene.ts';
import { marksBySeat, namedTotals, scoresFrom } from '../../scoring.ts';
import { numberSetting, oneSetting, yesNo } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { roundTheCircleWords } from './roundTheCircleWords.ts';

export interface CircleRules {
  /** Counted from the number before the first that is said, to the last. */
  readonly from: number;
  readonly to: number;
  /** Whose multiples are a word, and the word. */
  readonly of: number;
  readonly word: string;
  /** The number that was said last stands there. */
  readonly shown: boolean;
}
export interface CircleLies {
  /** Who said each number so far; null: nobody could, and it was told. */
  readonly said: readonly (number | null)[];
}
type State = TurnState & CircleLies;

const rules = (of: number, over: Partial<CircleRules> = {}): CircleRules => ({
  ...{ from: 0, to: 30, of, word: 'clap', shown: false },
  ...over,
});

export const roundTheCircle: Game<CircleRules, State> = {
  id: 'round-the-circle',
  version: 1,
  family: 'talk',
  seats: { least: 1, most: 4 },
  minutes: 5,
  ...inWords(roundTheCircleWords, [
    rules(5, { shown: true }),
    rules(5),
    rules(10, { to: 40 }),
    rules(2, { to: 20 }),
    rules(3),
    rules(4),
    rules(6, { to: 36 }),
    rules(7, { to: 42 }),
    rules(5, { from: 30, to: 0 }),
  ]),
  settings: [
    numberSetting('from', 'From', 0, 100),
    numberSetting('to', 'To', 0, 100),
    numberSetting('of', 'The word for multiples of', 2, 12),
    oneSetting(
      'word',
      'The word',
      ['clap', 'hop', 'hush', 'plum', 'tick'].map((one) => [one, one] as const),
    ),
    yesNo('shown', 'The last number in sight'),
  ],
  operations: () => [],
  materials: () => ({ pack: null, dice: [], others: ['a circle of children'] }),
  ...turnsOf<CircleRules, CircleLies>({
    lay: () => ({ said: [] }),
    opens: (play, state) => ({ kind: 'none', next: nextOf(play.rules, state, state.turn) }),
    said: (play, state, { by, asked: { whole } }) => {
      const said = [...state.said, by];
      const at = numberOf(play.rules, said.length);
      return {
        said,
        says: say('whole', { whole }),
        next: at === play.rules.to ? { over: say('circleDone', { to: at }) } : 'pass',
      };
    },
    // Whoever is next in the circle goes on.
    leaves: (play, state, seat) =>
      state.asking?.asked.seat === seat
        ? {
            ...{ says: state.says, turn: nextSeat(play, state, seat) },
            next: nextOf(play.rules, state, nextSeat(play, state, seat)),
          }
        : null,
  }),
  shake: nothingHidden,
  scene: (play, { said }) => ({
    ...emptyScene,
    board: {
      name: say('circleOf', { word: play.rules.word }),
      across: Math.ceil(Math.sqrt(count(play.rules))),
      squares: Array.from({ length: count(play.rules) }, (_, at) => ({
        text: at < said.length ? written(play.rules, numberOf(play.rules, at + 1)) : '',
        mark: null,
      })),
    },
    // What was said last is told on request.
    totals: [
      {
        ...{ name: say('countedTo'), value: numberOf(play.rules, said.length) },
        ...(play.rules.shown ? {} : { veiled: true }),
      },
      ...namedTotals(play, scoresFrom(play, marksBySeat(play, said)), say('together')),
    ],
  }),
  scores: (play, { said }) => scoresFrom(play, marksBySeat(play, said)),
  best: () => null,
};

/** Numbers that are said. */
const count = ({ from, to }: CircleRules) => Math.abs(to - from);
/** The number that is said as the nth, from 1. */
const numberOf = ({ from, to }: CircleRules, nth: number) => from + Math.sign(to - from) * nth;
const isWord = ({ of }: CircleRules, number: number) => number % of === 0;

/** What lies there of a number that was said: the word; the number itself only where it is to be in sight. */
const written = (own: CircleRules, number: number) =>
  isWord(own, number) ? own.word : own.shown ? String(number) : '\u00b7';

/** The number after one that was said, or the word; where the last is reached it is over. */
function nextOf(own: CircleRules, { said }: CircleLies, seat: number): Next {
  const last = numberOf(own, said.length);
  if (last === own.to) return { over: say('circleDone', { to: last }) };
  const number = numberOf(own, said.length + 1);
  const word = isWord(own, number);
  const asked: Asked = {
    seat,
    item: skillItem(`count:${word ? own.of : 1}`),
    shown: own.shown ? say('afterNumber', { number: last }) : say('whatIsNext'),
    answer: word ? say('circleWord', { word: own.word }) : String(number),
    whole: word ? say('wordFor', { word: own.word, number }) : String(number),
    untimed: true,
  };
  return { ask: [asked] };
}
