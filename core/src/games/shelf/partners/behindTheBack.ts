import { fingersChance } from '../../../materials/rollOdds.ts';
import { numberRecipe, packOf } from '../../../materials/pack.ts';
import { askCards } from '../../askFact.ts';
import { turnsOf, type Step, type TurnState } from '../../bodies/turns.ts';
import { faceDown } from '../../faceDown.ts';
import type { Game, Play } from '../../game.ts';
import { chanceOf, nextSeat, seatsIn } from '../../playGame.ts';
import { nothingHidden } from '../../rolled.ts';
import { emptyScene, type SceneRow } from '../../scene.ts';
import { namedTotals, onePointTo, scoreCount } from '../../scoring.ts';
import { numberSetting, oneSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { behindTheBackWords, showings } from './behindTheBackWords.ts';

export interface FingersRules {
  readonly operation: 'add' | 'mul';
  readonly total: number;
}
export interface FingersLie {
  /** Who shows: two seats, or one and the app. */
  readonly pair: readonly [number, number | null];
  readonly shown: readonly number[];
  /** Times shown so far, and how often it came to the total. */
  readonly shows: number;
  readonly fell: number;
  readonly points: readonly number[];
}
type State = TurnState & FingersLie;
type P = Play<FingersRules>;
const most = 10;
/** Fingers are set out as cards of so many. */
const cards = packOf(numberRecipe(1, most, { copies: 1 }));

export const behindTheBack: Game<FingersRules, State> = {
  id: 'behind-the-back',
  version: 1,
  family: 'partners',
  seats: { least: 1, most: 4 },
  minutes: 5,
  ...inWords(behindTheBackWords, [
    { operation: 'add', total: 9 },
    { operation: 'add', total: 12 },
    { operation: 'add', total: 7 },
    { operation: 'mul', total: 24 },
  ]),
  settings: [
    oneSetting('operation', 'They make', [
      ['add', 'a sum'],
      ['mul', 'a product'],
    ]),
    numberSetting('total', 'To come to', 2, 36),
  ],
  operations: ({ operation }) => [operation],
  materials: () => ({ pack: null, dice: [], others: ['two hands each'] }),
  ...turnsOf<FingersRules, FingersLie>({
    lay: (play) => ({
      ...{ pair: [0, play.seats > 1 ? 1 : null], shown: [], shows: 0, fell: 0 },
      points: Array<number>(scoreCount(play)).fill(0),
    }),
    opens: (play) => ({ kind: 'go', says: say('onThree', { ...play.rules, ...oddsOf(play.rules) }) }),
    opened: (play, state) => handsUp(play, state),
    choice: (_play, { turn }) => ({
      says: say('howManyFingers', { seat: turn }),
      choices: cards.map(({ worth }) => ({ key: String(worth), says: say('fingers', { count: worth }) })),
    }),
    chosen: (play, state, { key }) => {
      const shown = [...state.shown, Number(key)];
      const [first, second] = state.pair;
      if (shown.length === 1 && second !== null)
        return { shown, turn: second, says: say('oneIsSet', { seat: first }), next: 'choose' };
      if (shown.length === 1) shown.push(chanceOf(play, state).int(1, most));
      // They say what it comes to by turns.
      const asked = state.pair[state.shows % 2] ?? first;
      return {
        ...{ shown, shows: state.shows + 1, draws: state.draws + 1, says: say('bothShown') },
        next: { ask: [{ ...askCards(asked, play.rules.operation, shown), untimed: true }] },
      };
    },
    said: (play, state, { by, asked: { whole, answer } }) => {
      const comes = Number(answer) === play.rules.total;
      const fell = state.fell + (comes ? 1 : 0);
      const change = {
        fell,
        points: onePointTo(play, state.points, comes ? by : null),
        says: say(comes ? 'itFell' : 'whole', { whole }),
      };
      if (state.shows < showings) return { ...change, next: 'pass' };
      return { ...change, next: { over: say('fellSoOften', { fell, showings, ...oddsOf(play.rules) }) } };
    },
    // Who was to show with one that leaves shows with another.
    leaves: (play, state, seat) =>
      state.stage === 'choose' && state.pair.includes(seat)
        ? { ...handsUp(play, state), says: state.says }
        : null,
  }),
  shake: nothingHidden,
  scene: (play, { pair, shown, points }) => ({
    ...emptyScene,
    // Behind the back until both are set down.
    rows: pair.map((seat, nth): SceneRow => {
      const card = shown.length === 2 ? cards.find(({ worth }) => worth === shown[nth]) : undefined;
      return {
        name: seat === null ? say('partner') : say('seat', { seat }),
        seat,
        cards: [card ? { ...card, id: nth } : faceDown({ id: nth })],
      };
    }),
    totals: namedTotals(play, points, say('together')),
    target: play.rules.total,
  }),
  scores: (_play, { points }) => points,
  best: () => null,
};

/** Who shows now: the seat at turn and the next one, or the app where it is alone. */
function handsUp(play: P, state: State): Step<FingersLie> {
  const alone = seatsIn(play, state).length === 1;
  return {
    ...{ pair: [state.turn, alone ? null : nextSeat(play, state, state.turn)] as const, shown: [] },
    ...{ says: say('handsUp'), next: 'choose' as const },
  };
}

/** In so many of a hundred it comes to the total by chance. */
function oddsOf({ operation, total }: FingersRules) {
  const { top, bottom } = fingersChance(most, total, operation);
  return { perHundred: Math.round((100 * top) / bottom) };
}
