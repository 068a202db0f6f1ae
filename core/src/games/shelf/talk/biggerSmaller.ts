import { skillItem } from '../../../facts/item.ts';
import { numberRecipe } from '../../../materials/pack.ts';
import { shuffled } from '../../../random/random.ts';
import { askLarger } from '../../askFact.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import type { Game, Play } from '../../game.ts';
import type { Asked } from '../../need.ts';
import { emptyScene } from '../../scene.ts';
import { namedTotals, onePointTo, scoreCount } from '../../scoring.ts';
import { oneSetting, packSetting, yesNo } from '../../setting.ts';
import { say, type Sentence } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { cardsOf, pileOf, turnedUp, worthsOf, type BiggerLies, type BiggerRules } from './biggerCards.ts';
import { biggerSmallerWords, turns } from './biggerSmallerWords.ts';

type State = ChoosingState & BiggerLies;
type P = Play<BiggerRules>;

const rules = (most: number, over: Partial<BiggerRules> = {}): BiggerRules => ({
  ...{ recipe: numberRecipe(1, most), cards: 2, smaller: false, counted: true },
  ...over,
});

export const biggerSmaller: Game<BiggerRules, State> = {
  id: 'bigger-smaller',
  version: 1,
  family: 'talk',
  seats: { least: 1, most: 4 },
  minutes: 5,
  ...inWords(biggerSmallerWords, [
    rules(5),
    rules(10),
    rules(10, { smaller: true }),
    rules(10, { cards: 3, counted: false }),
    rules(10, { cards: 3, counted: false, smaller: true }),
  ]),
  settings: [
    packSetting(1),
    oneSetting('cards', 'Cards', [
      [2, 'two'],
      [3, 'three'],
    ]),
    yesNo('smaller', 'The smaller is asked for'),
    yesNo('counted', 'Its pips are counted'),
  ],
  order: (play) => [{ name: say('fromTheTop'), seat: null, cards: cardsOf(play, pileOf(play)) }],
  operations: () => [],
  materials: ({ recipe }) => ({ pack: recipe, dice: [], others: [] }),
  ...choosing<BiggerRules, BiggerLies>({
    lay: (play) => ({
      ...{ draws: 1, pile: pileOf(play), gone: [], open: [], turns: 0 },
      points: Array<number>(scoreCount(play)).fill(0),
    }),
    opens: () => ({ kind: 'go', says: say('turnCards') }),
    opened: (play, state) => ({ ...turnedUp(play, state), says: say('turned') }),
    asksWhich: (play, { turn }) => say('pointLarger', { seat: turn, smaller: play.rules.smaller }),
    options: (play, state) => {
      const asked = askOf(play, state);
      const best = worthsOf(play, state).indexOf(Number(asked.answer));
      return state.open.map((card, at): Option => {
        const worth = String(worthsOf(play, state)[at]);
        const own = {
          key: String(card),
          says: say('asWritten', { text: worth }),
          at: { card },
          veiled: true,
        } as const;
        if (at === best)
          return { ...own, asks: () => [play.rules.counted ? countOf(state.turn, worth) : asked] };
        return {
          ...own,
          claim: { item: asked.item, shown: asked.shown, answer: asked.answer, given: worth },
        };
      });
    },
    none: (_play, state) => ({ says: state.says, next: 'pass' }),
    fails: (play, _state, { claim }) => ({
      says: say('notLarger', { given: claim?.given ?? '', smaller: play.rules.smaller }),
      next: 'choose',
    }),
    takes: (play, state, _option, { by, whole }) => onward(play, state, say('whole', { whole }), by),
    unsaid: (play, state, _option, whole) => onward(play, state, say('whole', { whole }), null),
  }),
  shake: (_play, state, random) => ({ ...state, pile: shuffled(state.pile, random) }),
  scene: (play, { open, points }) => ({
    ...emptyScene,
    rows: [{ name: say('open'), seat: null, cards: cardsOf(play, open) }],
    totals: namedTotals(play, points, say('pointedTo')),
  }),
  scores: (_play, { points }) => points,
  best: (play, state) =>
    state.stage === 'choose'
      ? {
          ...{ says: say('whole', { whole: askOf(play, state).whole }), worked: [] },
          move: {
            kind: 'choose',
            seat: state.turn,
            key: String(state.open[worthsOf(play, state).indexOf(Number(askOf(play, state).answer))]),
          },
        }
      : null,
};

const askOf = (play: P, state: State): Asked => ({
  ...askLarger(state.turn, worthsOf(play, state), play.rules.smaller),
  untimed: true,
});
const countOf = (seat: number, worth: string): Asked => ({
  ...{ seat, item: skillItem('cnt'), shown: say('howManyPips'), answer: worth },
  ...{ whole: say('pipsCounted', { count: Number(worth) }), untimed: true },
});

/** A point for whoever said it; after so many turns, or when too few cards are left, it is over. */
function onward(play: P, state: State, says: Sentence, by: number | null) {
  const points = onePointTo(play, state.points, by);
  const left = new Set(cardsOf(play, state.pile).map(({ worth }) => worth)).size;
  if (state.turns >= turns) return { points, says, next: { over: say('turnsDone', { count: turns }) } };
  return { points, says, next: left < play.rules.cards ? { over: say('packOut') } : ('pass' as const) };
}
