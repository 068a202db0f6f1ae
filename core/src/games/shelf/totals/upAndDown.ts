import { numberRecipe, packOf, shuffledIds } from '../../../materials/pack.ts';
import { turnsOf } from '../../bodies/turns.ts';
import type { Game, Play } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { chanceOf } from '../../playGame.ts';
import { freshState } from '../../rolled.ts';
import { scoreCount, scoreOf } from '../../scoring.ts';
import { numberSetting, oneSetting, yesNo } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { upAndDownWords } from './upAndDownWords.ts';
import {
  type UpDownRules,
  type UpDownLies,
  type UpDownState,
  cardsOf,
  numbersOf,
  count,
} from './upDownCards.ts';

const rules = (over: Partial<UpDownRules> = {}): UpDownRules => ({
  recipe: numberRecipe(1, 10, { signed: true }),
  cards: 2,
  start: 30,
  shown: false,
  below: false,
  twoDigits: false,
  ...over,
});

export const upAndDown: Game<UpDownRules, UpDownState> = {
  id: 'up-and-down',
  version: 1,
  family: 'totals',
  seats: { least: 1, most: 4 },
  minutes: 8,
  ...inWords(upAndDownWords, [
    rules({ shown: true }),
    rules(),
    rules({ cards: 3 }),
    rules({ cards: 3, below: true, start: 10 }),
    rules({ recipe: numberRecipe(1, 9, { signed: true }), twoDigits: true, start: 100 }),
  ]),
  settings: [
    oneSetting('cards', 'Cards of a turn', [
      [2, 'two'],
      [3, 'three'],
    ]),
    numberSetting('start', 'Begins at', 0, 200),
    yesNo('shown', 'The total in sight'),
    yesNo('below', 'Below 0 too'),
  ],
  order: (play) => [{ name: say('fromTheTop'), seat: null, cards: cardsOf(play, pileOf(play)) }],
  operations: () => ['add', 'sub'],
  materials: ({ recipe }) => ({ pack: recipe, dice: [], others: ['paper for the totals'] }),
  ...turnsOf<UpDownRules, UpDownLies>({
    lay: (play) => ({
      draws: 1,
      pile: pileOf(play),
      gone: [],
      turned: [],
      left: 0,
      totals: Array<number>(scoreCount(play)).fill(play.rules.start),
      turns: 0,
    }),
    opens: () => ({ kind: 'go', says: say('turnCards') }),
    opened: (play, state) => {
      const { cards } = play.rules;
      const turned = state.pile.slice(0, cards);
      const lies = {
        pile: state.pile.slice(cards),
        gone: [...state.gone, ...state.turned],
        turned,
        draws: state.draws + 1,
        turns: state.turns + 1,
      };
      return count(play, { ...state, ...lies }, numbersOf(play, turned).length, lies, say('turned'));
    },
    said: (play, state, { by, asked: { whole } }) => {
      const own = scoreOf(play, state.turn);
      const add = numbersOf(play, state.turned).at(-state.left) ?? 0;
      // Nobody could say it: it is shown, and counts for nothing.
      const totals = state.totals.map((total, at) => (at === own && by !== null ? total + add : total));
      return count(play, { ...state, totals }, state.left - 1, { totals }, say('whole', { whole }));
    },
  }),
  scene: (play, { turned, totals, turn }) => ({
    ...emptyScene,
    rows: [{ name: say('seat', { seat: turn }), seat: turn, cards: cardsOf(play, turned) }],
    totals: totals.map((value, seat) => ({
      name: play.against ? say('seat', { seat }) : say('total'),
      value,
      ...(play.rules.shown ? {} : { veiled: true }),
    })),
  }),
  scores: (_play, { totals }) => totals,
  best: () => null,
};

const pileOf = (play: Play<UpDownRules>) =>
  shuffledIds(packOf(play.rules.recipe), chanceOf(play, freshState));
