import { numberRecipe, packOf, shuffledIds, type Card, type Recipe } from '../../../materials/pack.ts';
import { worked, type LineAsk } from '../../../numbers/checkLine.ts';
import { expressionText, type Sign } from '../../../numbers/expression.ts';
import { lengthOf, longestLine } from '../../../numbers/lineFor.ts';
import { making, type MakingState } from '../../bodies/making.ts';
import type { Game, Play } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { chanceOf } from '../../playGame.ts';
import { freshState } from '../../rolled.ts';
import { scoresFrom } from '../../scoring.ts';
import { numberSetting, packSetting, signsSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { intoTheMiddleWords } from './intoTheMiddleWords.ts';

export interface MiddleRules {
  readonly recipe: Recipe;
  /** Cards around the target, 4 to 7. */
  readonly around: number;
  readonly signs: readonly Sign[];
  /** The most cards of a line; the fewest are two. */
  readonly most: number;
}

export interface LaidOut {
  readonly pile: readonly number[];
  readonly around: readonly number[];
  readonly target: number;
  readonly gone: readonly number[];
  readonly won: readonly (readonly number[])[];
}
export type MiddleState = MakingState & LaidOut;

const rules = (over: Partial<MiddleRules> = {}): MiddleRules => ({
  recipe: numberRecipe(1, 10),
  around: 5,
  signs: ['+', '-'],
  most: 2,
  ...over,
});

export const intoTheMiddle: Game<MiddleRules, MiddleState> = {
  id: 'into-the-middle',
  version: 2,
  family: 'make',
  seats: { least: 1, most: 4 },
  minutes: 12,
  ...inWords(intoTheMiddleWords, [
    rules(),
    rules({ most: 5 }),
    rules({ most: 5, signs: ['+', '-', '*', '/'] }),
    rules({ most: 6, around: 6, signs: ['+', '-', '*', '/'] }),
  ]),
  settings: [
    packSetting(1),
    numberSetting('around', 'Cards around the middle', 4, 7),
    numberSetting('most', 'The most cards of a line', 2, 7),
    signsSetting(),
  ],
  order: (play) => {
    const { around, target, pile } = laidOut(play);
    return [
      { name: say('aroundMiddle'), seat: null, cards: around.map((id) => cardOf(play, id)) },
      { name: say('theMiddle'), seat: null, cards: [cardOf(play, target)] },
      { name: say('pileFromTop'), seat: null, cards: pile.map((id) => cardOf(play, id)) },
    ];
  },
  operations: ({ signs }) => (signs.length > 2 ? ['add', 'sub', 'mul', 'div'] : ['add', 'sub']),
  materials: ({ recipe }) => ({ pack: recipe, dice: [], others: [] }),
  ...making<MiddleRules, LaidOut>({
    lay: (play) => ({ ...laidOut(play), draws: 1 }),
    ask: askOf,
    hopeless: (play, { target }) => say('nothingMakesMiddle', { target: worthOf(play, target) }),
    made: (play, state, { used, shown }) => {
      const left = [...state.around];
      const taken = used.map((worth) => {
        const at = left.findIndex((id) => worthOf(play, id) === worth);
        return left.splice(at, 1)[0] as number;
      });
      const won = state.won.map((cards, seat) => (seat === state.turn ? [...cards, ...taken] : cards));
      return {
        ...anotherTarget(play, { ...state, around: left }),
        won,
        says: say('winsBy', { lines: shown, seat: state.turn, count: used.length }),
      };
    },
    another: anotherTarget,
  }),
  scene: (play, state) => ({
    ...emptyScene,
    rows: [
      { name: say('theMiddle'), seat: null, cards: [cardOf(play, state.target)] },
      { name: say('aroundIt'), seat: null, cards: state.around.map((id) => cardOf(play, id)) },
    ],
    totals: counts(state).map((value, seat) => ({ name: say('seat', { seat }), value, pile: true })),
    target: worthOf(play, state.target),
  }),
  scores: (play, state) => scoresFrom(play, counts(state)),
  best: (play, state) => {
    const ask = askOf(play, state);
    const line = longestLine(ask);
    if (!line) return { says: say('nothingHere', { target: ask.target }), worked: [], move: null };
    return {
      says: say('lineWins', { text: expressionText(line), count: lengthOf(line) }),
      worked: [...worked(line)],
      move: { kind: 'line', seat: state.turn, text: expressionText(line, false) },
    };
  },
};

const cardOf = (play: Play<MiddleRules>, id: number) => packOf(play.rules.recipe)[id] as Card;
const worthOf = (play: Play<MiddleRules>, id: number) => cardOf(play, id).worth;
const counts = ({ won }: LaidOut) => won.map((cards) => cards.length);

function askOf(play: Play<MiddleRules>, { around, target }: LaidOut) {
  const { signs, most } = play.rules;
  const numbers = around.map((id) => worthOf(play, id));
  return { numbers, target: worthOf(play, target), signs, least: 2, most } satisfies LineAsk;
}

function laidOut(play: Play<MiddleRules>): LaidOut {
  const ids = shuffledIds(packOf(play.rules.recipe), chanceOf(play, freshState));
  const { around } = play.rules;
  return {
    around: ids.slice(0, around),
    target: ids[around] as number,
    pile: ids.slice(around + 1),
    gone: [],
    won: Array.from({ length: play.seats }, () => []),
  };
}

/** A new card in the middle, and the cards around made up again. */
function anotherTarget(play: Play<MiddleRules>, state: LaidOut) {
  const missing = play.rules.around - state.around.length;
  const around = [...state.around, ...state.pile.slice(0, missing)];
  const [target, ...pile] = state.pile.slice(missing);
  // The pack is out: the last card stays in the middle.
  if (target === undefined) return { around, pile, next: { over: say('packOut') } } as const;
  return { around, pile, target, gone: [...state.gone, state.target], next: 'again' } as const;
}
