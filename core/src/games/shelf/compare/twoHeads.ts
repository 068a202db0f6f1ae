import { layNumber } from '../../../numbers/layNumber.ts';
import { numberRecipe } from '../../../materials/pack.ts';
import { turnsOf, type TurnState } from '../../bodies/turns.ts';
import type { Game } from '../../game.ts';
import type { Asked } from '../../need.ts';
import { nextSeat, seatsIn } from '../../playGame.ts';
import { emptyScene } from '../../scene.ts';
import { namedTotals, scoreCount, scoreOf } from '../../scoring.ts';
import { numberSetting, oneSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { askLine, cardsOf, digitsOf, inOrder, numbersOf, pileOf, type HeadsRules } from './headsLine.ts';
import { rounds, twoHeadsWords } from './twoHeadsWords.ts';

export interface HeadsLie {
  readonly pile: readonly number[];
  readonly gone: readonly number[];
  /** The cards of each number; those of one that is laid lie in its order. */
  readonly hands: readonly (readonly number[])[];
  readonly laid: number;
  /** Who laid first in this round; who has said by now what it comes to; whether somebody had something else. */
  readonly first: number;
  readonly right: readonly number[];
  readonly slipped: boolean;
  readonly rounds: number;
  readonly points: readonly number[];
}
type State = TurnState & HeadsLie;

const rules = (over: Partial<HeadsRules> = {}): HeadsRules => ({
  ...{ recipe: numberRecipe(1, 9), digits: 2, numbers: 2, operation: 'add' },
  ...over,
});

export const twoHeads: Game<HeadsRules, State> = {
  id: 'two-heads',
  version: 1,
  family: 'compare',
  seats: { least: 1, most: 4 },
  minutes: 10,
  ...inWords(twoHeadsWords, [
    rules({ recipe: numberRecipe(1, 4, { copies: 8 }) }),
    rules(),
    rules({ operation: 'sub' }),
    rules({ digits: 3 }),
    rules({ numbers: 3 }),
  ]),
  settings: [
    numberSetting('digits', 'Cards of a number', 2, 3),
    numberSetting('numbers', 'Numbers that are added', 2, 3),
    oneSetting('operation', 'What is done', [
      ['add', 'added'],
      ['sub', 'taken away'],
    ]),
  ],
  order: (play) => [{ name: say('fromTheTop'), seat: null, cards: cardsOf(play, pileOf(play)) }],
  operations: () => [],
  materials: ({ recipe }) => ({ pack: recipe, dice: [], others: ['paper and a pencil each'] }),
  ...turnsOf<HeadsRules, HeadsLie>({
    lay: (play) => ({
      ...{ draws: 1, pile: pileOf(play), gone: [], hands: [], laid: 0, first: 0 },
      ...{ right: [], slipped: false, rounds: 0, points: Array<number>(scoreCount(play)).fill(0) },
    }),
    opens: () => ({ kind: 'go', says: say('dealNext') }),
    opened: (play, { pile, gone, hands, turn, rounds: before }) => {
      const { digits } = play.rules;
      const count = numbersOf(play);
      return {
        hands: Array.from({ length: count }, (_, at) => pile.slice(digits * at, digits * (at + 1))),
        ...{ pile: pile.slice(digits * count), gone: [...gone, ...hands.flat()] },
        ...{ laid: 0, first: turn, right: [], slipped: false, rounds: before + 1 },
        ...{ says: say('round', { round: before + 1 }), next: 'choose' },
      };
    },
    choice: (play, { hands, laid, turn }) => ({
      says: say('laysNth', { seat: turn, nth: laid + 1 }),
      choices: layNumber(digitsOf(play, hands[laid])).map((number) => ({
        key: String(number),
        says: say('asWritten', { text: String(number) }),
      })),
    }),
    chosen: (play, state, { key }) => {
      const hands = state.hands.map((hand, at) => (at === state.laid ? inOrder(play, hand, key) : hand));
      const lies = { hands, laid: state.laid + 1, says: say('numberLaid', { number: key }) };
      if (lies.laid < hands.length)
        return { ...lies, turn: nextSeat(play, state, state.turn), next: 'choose' };
      const seats = seatsIn(play, state);
      const from = Math.max(0, seats.indexOf(state.first));
      const heads = [...seats.slice(from), ...seats.slice(0, from)];
      const [first, ...others] = heads.map((seat) => askLine(play, hands, seat));
      return { ...lies, next: { ask: [first as Asked, ...others] } };
    },
    said: (play, state, { by, asked: { whole }, left }) => {
      // Who has put right what another slipped on need not say it once more.
      const right = by === null ? state.right : [...state.right, by];
      const slipped = state.slipped || by === null || (state.asking?.missed ?? []).length > 0;
      const [first, ...others] = by === null ? [] : left.filter((one) => !right.includes(one.seat));
      if (first) return { right, slipped, says: say('whole', { whole }), next: { ask: [first, ...others] } };
      const heads = slipped ? [] : seatsIn(play, state).map((one) => scoreOf(play, one));
      const change = {
        ...{ right, slipped, turn: state.first },
        points: state.points.map((count, at) => count + heads.filter((one) => one === at).length),
        says: say(slipped ? 'slippedTogether' : 'headsAlike', { whole }),
      };
      const need = play.rules.digits * numbersOf(play);
      if (state.rounds >= rounds) return { ...change, next: { over: say('roundsPlayed', { rounds }) } };
      return { ...change, next: state.pile.length < need ? { over: say('packOut') } : 'pass' };
    },
  }),
  scene: (play, { hands, points }) => ({
    ...emptyScene,
    rows: hands.map((hand, nth) => ({
      ...{ name: say('numberNth', { nth: nth + 1 }), seat: null, cards: cardsOf(play, hand) },
    })),
    totals: namedTotals(play, points, say('together')),
  }),
  scores: (_play, { points }) => points,
  best: () => null,
};
