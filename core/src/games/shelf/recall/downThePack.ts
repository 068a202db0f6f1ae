import {
  cardsById,
  deckOf,
  numberRecipe,
  packOf,
  shuffledIds,
  type Recipe,
} from '../../../materials/pack.ts';
import { askCards } from '../../askFact.ts';
import { turnsOf, type TurnState } from '../../bodies/turns.ts';
import type { Game, Play } from '../../game.ts';
import { shuffled } from '../../../random/random.ts';
import { chanceOf } from '../../playGame.ts';
import { freshState } from '../../rolled.ts';
import { emptyScene } from '../../scene.ts';
import { namedTotals, onePointTo, scoreCount } from '../../scoring.ts';
import { operationSetting, packSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { downThePackWords } from './downThePackWords.ts';

export interface DownRules {
  readonly recipe: Recipe;
  readonly operation: 'add' | 'mul';
}
export interface DownLies {
  readonly pile: readonly number[];
  readonly gone: readonly number[];
  readonly turned: readonly number[];
  readonly points: readonly number[];
}

/** One colour: two of each rank. */
const oneColour = 2;
const faces = (copies: number): DownRules => {
  const { worths } = numberRecipe(2, 10);
  return {
    recipe: numberRecipe(2, 10, { copies, worths: { ...worths, A: 11, J: 10, Q: 10, K: 10 } }),
    operation: 'add',
  };
};
const rules = (most: number, operation: DownRules['operation'] = 'add'): DownRules => ({
  recipe: numberRecipe(1, most, { copies: oneColour }),
  operation,
});

export const downThePack: Game<DownRules, TurnState & DownLies> = {
  id: 'down-the-pack',
  version: 1,
  family: 'recall',
  seats: { least: 1, most: 4 },
  minutes: 4,
  ...inWords(downThePackWords, [
    rules(6),
    rules(8),
    rules(10),
    faces(oneColour),
    faces(2 * oneColour),
    rules(10, 'mul'),
  ]),
  settings: [packSetting(1), operationSetting('operation', ['add', 'mul'])],
  order: (play) => [{ name: say('fromTheTop'), seat: null, cards: cardsOf(play, pileOf(play)) }],
  operations: ({ operation }) => [operation],
  draw: ({ recipe, operation }) => ({ kind: 'pairs', operation, deck: deckOf(packOf(recipe)) }),
  materials: ({ recipe }) => ({ pack: recipe, dice: [], others: [] }),
  ...turnsOf<DownRules, DownLies>({
    lay: (play) => ({
      ...{ draws: 1, pile: pileOf(play), gone: [], turned: [] },
      points: Array<number>(scoreCount(play)).fill(0),
    }),
    opens: () => ({ kind: 'go', says: say('turnTwo') }),
    opened: (play, { pile, gone, turned, turn }) => {
      const lies = { pile: pile.slice(2), gone: [...gone, ...turned], turned: pile.slice(0, 2) };
      const worths = cardsOf(play, lies.turned).map(({ worth }) => worth);
      const asked = askCards(turn, play.rules.operation, worths);
      return { ...lies, says: say('turned'), next: { ask: [asked] } };
    },
    said: (play, { points, pile }, { by, asked: { whole } }) => ({
      points: onePointTo(play, points, by),
      says: say('whole', { whole }),
      next: pile.length < 2 ? { over: say('packOut') } : 'pass',
    }),
  }),
  shake: (_play, state, random) => ({ ...state, pile: shuffled(state.pile, random) }),
  scene: (play, { turned, points }) => ({
    ...emptyScene,
    rows: [{ name: say('open'), seat: null, cards: cardsOf(play, turned) }],
    totals: namedTotals(play, points, say('pairsSaid')),
  }),
  scores: (_play, { points }) => points,
  best: () => null,
};

type P = Play<DownRules>;
const pileOf = (play: P) => shuffledIds(packOf(play.rules.recipe), chanceOf(play, freshState));
const cardsOf = ({ rules }: P, ids: readonly number[]) => cardsById(rules.recipe, ids);
