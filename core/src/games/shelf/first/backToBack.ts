import { factKey, type Fact } from '../../../facts/fact.ts';
import { factOr } from '../../../facts/item.ts';
import { displaySigns } from '../../../facts/operation.ts';
import { cardsById, numberRecipe, packOf, shuffledIds, type Recipe } from '../../../materials/pack.ts';
import { turnsOf, type TurnState } from '../../bodies/turns.ts';
import { faceDown } from '../../faceDown.ts';
import type { Game, Play } from '../../game.ts';
import type { Asked } from '../../need.ts';
import { emptyScene, type SceneRow } from '../../scene.ts';
import { chanceOf, nextSeat } from '../../playGame.ts';
import { freshState } from '../../rolled.ts';
import { scoresFrom } from '../../scoring.ts';
import { oneSetting, packSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { backToBackWords } from './backToBackWords.ts';

export interface BackRules {
  readonly recipe: Recipe;
  /** What the caller says of the two. */
  readonly operation: 'add' | 'mul';
}

export interface BackLies {
  readonly pile: readonly number[];
  readonly gone: readonly number[];
  /** The card of the seat at turn, which it cannot see, and the one that it sees; none before they are shown. */
  readonly shown: readonly number[];
  readonly points: readonly number[];
}

const rules = (most: number, operation: BackRules['operation'] = 'add'): BackRules => ({
  recipe: numberRecipe(1, most),
  operation,
});

export const backToBack: Game<BackRules, TurnState & BackLies> = {
  id: 'back-to-back',
  version: 1,
  family: 'first',
  seats: { least: 1, most: 4 },
  minutes: 8,
  ...inWords(backToBackWords, [rules(5), rules(10), rules(5, 'mul'), rules(10, 'mul'), rules(12, 'mul')]),
  settings: [
    packSetting(1),
    oneSetting('operation', 'Called', [
      ['add', 'the sum'],
      ['mul', 'the product'],
    ]),
  ],
  order: (play) => [{ name: say('fromTheTop'), seat: null, cards: cardsOf(play, pileOf(play)) }],
  operations: ({ operation }) => (operation === 'add' ? ['sub', 'add'] : ['div', 'mul']),
  materials: ({ recipe }) => ({ pack: recipe, dice: [], others: [] }),
  ...turnsOf<BackRules, BackLies>({
    lay: (play) => ({
      draws: 1,
      pile: pileOf(play),
      gone: [],
      shown: [],
      points: Array<number>(play.seats).fill(0),
    }),
    opens: () => ({ kind: 'go', says: say('showTwo') }),
    opened: (play, { pile, gone, shown, turn }) => {
      const lies = { pile: pile.slice(2), gone: [...gone, ...shown], shown: pile.slice(0, 2) };
      return { ...lies, says: say('turned'), next: { ask: [askOwn(play, lies.shown, turn)] } };
    },
    said: (_play, { points, pile }, { by, asked: { whole } }) => ({
      points: points.map((one, seat) => (seat === by ? one + 1 : one)),
      says: say('whole', { whole }),
      next: pile.length < 2 ? { over: say('packOut') } : 'pass',
    }),
  }),
  scene: (play, state) => ({
    ...emptyScene,
    rows: rowsOf(play, state),
    totals: state.points.map((value, seat) => ({ name: say('seat', { seat }), value })),
  }),
  scores: (play, { points }) => scoresFrom(play, points),
  best: () => null,
};

/** One's own card lies face down; what the other shows lies open. Alone, the other is the pack. */
function rowsOf(play: Play<BackRules>, state: TurnState & BackLies): SceneRow[] {
  const [own, seen] = cardsOf(play, state.shown);
  const other = play.seats === 1 ? 1 : nextSeat(play, state, state.turn);
  const told = state.asking === null;
  return [
    {
      name: say('hand', { hand: state.turn, seats: play.seats }),
      seat: state.turn,
      cards: own ? [told ? own : faceDown(own)] : [],
    },
    {
      name: say('hand', { hand: other, seats: play.seats }),
      seat: other < play.seats && other !== state.turn ? other : null,
      cards: seen ? [seen] : [],
    },
  ];
}

/** What the caller said of both, and what is seen of it: the other number is asked. */
function askOwn(play: Play<BackRules>, ids: readonly number[], seat: number): Asked {
  const [own = 0, seen = 0] = cardsOf(play, ids).map((card) => card.worth);
  const { operation } = play.rules;
  const called = operation === 'add' ? own + seen : own * seen;
  const fact: Fact = { operation: operation === 'add' ? 'sub' : 'div', left: called, right: seen };
  return {
    seat,
    item: factOr(factKey(fact), operation === 'add' ? 'line:sub' : 'quot:rem'),
    shown: `${seen} ${displaySigns[operation]} \u25a1 = ${called}`,
    answer: String(own),
    whole: `${seen} ${displaySigns[operation]} ${own} = ${called}`,
  };
}

const pileOf = (play: Play<BackRules>) => shuffledIds(packOf(play.rules.recipe), chanceOf(play, freshState));

const cardsOf = ({ rules }: Play<BackRules>, ids: readonly number[]) => cardsById(rules.recipe, ids);
