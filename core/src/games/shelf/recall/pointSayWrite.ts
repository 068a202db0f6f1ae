import type { RandomSource } from '../../../random/random.ts';
import { askCards } from '../../askFact.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import type { Game, Play } from '../../game.ts';
import { chanceOf } from '../../playGame.ts';
import { freshState } from '../../rolled.ts';
import { emptyScene, type SceneCard } from '../../scene.ts';
import { namedTotals, onePointTo, scoreCount } from '../../scoring.ts';
import { oneSetting, yesNo } from '../../setting.ts';
import { say, type Sentence } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { facts, pointSayWriteWords, setAfter } from './pointSayWriteWords.ts';

export interface TrackRules {
  /** The last number of the track. */
  readonly track: number;
  readonly pips: boolean;
}
export interface TrackLies {
  /** The numbers that are added; those that a child has set so far. */
  readonly added: readonly number[];
  readonly nth: number;
  readonly points: readonly number[];
}
type State = ChoosingState & TrackLies;
type P = Play<TrackRules>;
/** The larger of two numbers that are added on a track to 20. */
const most = 10;

export const pointSayWrite: Game<TrackRules, State> = {
  id: 'point-say-write',
  version: 1,
  family: 'recall',
  seats: { least: 1, most: 4 },
  minutes: 6,
  ...inWords(pointSayWriteWords, [
    { track: 6, pips: true },
    { track: 6, pips: false },
    { track: 8, pips: false },
    { track: 10, pips: false },
    { track: 20, pips: false },
  ]),
  settings: [
    oneSetting('track', 'The track goes to', [
      [6, '6'],
      [8, '8'],
      [10, '10'],
      [20, '20'],
    ]),
    yesNo('pips', 'Pips on the cards'),
  ],
  operations: () => ['add'],
  materials: ({ track }) => ({
    pack: null,
    dice: [],
    others: [`cards from 1 to ${track} in a row`, 'paper'],
  }),
  ...choosing<TrackRules, TrackLies>({
    lay: (play) => ({
      ...{ draws: 1, added: drawn(play.rules, chanceOf(play, freshState)), nth: 1 },
      points: Array<number>(scoreCount(play)).fill(0),
    }),
    asksWhich: (_play, { turn, added }) =>
      added.length < 2
        ? say('setNumber', { seat: turn, nth: added.length + 1 })
        : say('pointTo', { seat: turn }),
    shows: (_play, { turn, added }) => (added.length < 2 ? undefined : askOf(turn, added).shown),
    options: (play, { added, turn }) => {
      const { track } = play.rules;
      if (added.length < 2) {
        const [first] = added;
        const least = first === undefined ? 1 : 0;
        return numbersTo(Math.min(most, track - (first ?? 0) - least)).map((one) =>
          placeOption(play.rules, one),
        );
      }
      const asked = askOf(turn, added);
      return numbersTo(track).map((one): Option => {
        const { item, shown, answer } = asked;
        return String(one) === answer
          ? { ...placeOption(play.rules, one), asks: () => [asked] }
          : { ...placeOption(play.rules, one), claim: { item, shown, answer, given: String(one) } };
      });
    },
    none: (_play, state) => ({ says: state.says, next: 'pass' }),
    fails: (_play, { added, turn }, { claim }) => ({
      says: say('notIt', { given: claim?.given ?? '', shown: askOf(turn, added).shown }),
      next: 'pass',
    }),
    takes: (play, state, { key }, { by, whole }) => {
      if (state.added.length === 2) return onward(play, state, say('whole', { whole }), by);
      const added = [...state.added, Number(key)];
      // Both are set: the next one points.
      return { added, says: say('setSo', { numbers: added }), next: added.length < 2 ? 'choose' : 'pass' };
    },
    unsaid: (play, state, _option, whole) => onward(play, state, say('whole', { whole }), null),
  }),
  scene: (play, { points }) => ({
    ...emptyScene,
    // Cards to be counted; numerals alone stand on a track in rows.
    ...(play.rules.pips
      ? { rows: [{ name: say('track'), seat: null, cards: numbersTo(play.rules.track).map(cardOf) }] }
      : {
          board: {
            name: say('track'),
            across: acrossOf(play.rules),
            squares: numbersTo(play.rules.track).map((one) => ({ text: String(one), mark: null })),
          },
        }),
    totals: namedTotals(play, points, say('factsSaid')),
  }),
  scores: (_play, { points }) => points,
  best: (_play, { added, turn, asking }) =>
    asking || added.length < 2
      ? null
      : {
          ...{ says: say('whole', { whole: askOf(turn, added).whole }), worked: [] },
          move: { kind: 'choose', seat: turn, key: askOf(turn, added).answer as string },
        },
};

/** Rows of five, or two rows of a shorter track. */
const acrossOf = ({ track }: TrackRules) => Math.min(5, track / 2);
const cardOf = (worth: number): SceneCard => ({ id: worth - 1, rank: 'A', colour: 'black', worth });
const numbersTo = (last: number) => Array.from({ length: Math.max(0, last) }, (_, at) => at + 1);
const placeOption = ({ pips }: TrackRules, one: number): Option => ({
  ...{ key: String(one), says: say('asWritten', { text: String(one) }), veiled: true },
  at: pips ? { card: one - 1 } : { square: one - 1 },
});
/** Its numbers lay open before it was pointed at. */
const askOf = (seat: number, added: readonly number[]) => ({
  ...askCards(seat, 'add', added),
  untimed: true as const,
});

/** Two numbers whose total is on the track. */
function drawn({ track }: TrackRules, random: RandomSource): readonly number[] {
  const left = random.int(1, Math.min(most, track - 1));
  return [left, random.int(1, Math.min(most, track - left))];
}

/** A point for whoever said it, and the next fact: one that a child sets after so many. */
function onward(play: P, state: State, says: Sentence, by: number | null) {
  const points = onePointTo(play, state.points, by);
  if (state.nth >= facts) return { points, says, next: { over: say('factsDone', { count: facts }) } };
  const nth = state.nth + 1;
  const added = nth % (setAfter + 1) === 0 ? [] : drawn(play.rules, chanceOf(play, state));
  return { points, nth, added, draws: state.draws + 1, says, next: 'pass' as const };
}
