import { numberRecipe, packOf, shuffledIds } from '../../../materials/pack.ts';
import { bestRoad, roadPoints } from '../../../numbers/bestRoad.ts';
import { checkLine, saysItself, type LineAsk } from '../../../numbers/checkLine.ts';
import { expressionText, firstStep, signs, stepLines } from '../../../numbers/expression.ts';
import { nearest } from '../../../numbers/nearest.ts';
import { roundRows } from '../../bodies/dealing.ts';
import { turnsOf } from '../../bodies/turns.ts';
import type { Game, Play } from '../../game.ts';
import { chanceOf } from '../../playGame.ts';
import { emptyScene } from '../../scene.ts';
import { scoresFrom } from '../../scoring.ts';
import { numberSetting, oneSetting, packSetting, signsSetting } from '../../setting.ts';
import { operationOfSign } from '../../signOperation.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { longRoadWords, rounds } from './longRoadWords.ts';
import { joins, onward, roadClock, stops } from './roadSteps.ts';
import {
  askLine,
  dealtRound,
  targetCards,
  targetOf,
  cardsLeft,
  type Joined,
  type RoadLies,
  type RoadRules,
  type RoadState,
} from './roadNumbers.ts';

type P = Play<RoadRules>;
const rules = (over: Partial<RoadRules>): RoadRules => ({
  ...{ recipe: numberRecipe(1, 10), numbers: 4, most: 50, signs: [...signs] },
  ...over,
});
const shuffledPile = ({ rules: { recipe }, seed }: P) =>
  shuffledIds(packOf(recipe), chanceOf({ seed }, { draws: 0 }));
const askOf = ({ rules: { signs } }: P, { has }: RoadState) =>
  ({ numbers: has.map(({ worth }) => worth), signs, least: 2, most: 2, saidAfter: true }) satisfies LineAsk;

export const longRoad: Game<RoadRules, RoadState> = {
  id: 'long-road',
  version: 1,
  family: 'make',
  seats: { least: 1, most: 4 },
  minutes: 12,
  ...inWords(longRoadWords, [
    rules({}),
    rules({ numbers: 5, most: 100 }),
    rules({ recipe: numberRecipe(1, 12), numbers: 6, most: 999 }),
  ]),
  settings: [
    packSetting(1),
    numberSetting('numbers', 'Numbers of each', 4, 6),
    oneSetting('most', 'Target', [
      [50, 'to 50'],
      [100, 'to 100'],
      [999, 'to 999'],
    ]),
    signsSetting(),
  ],
  operations: ({ signs }) => signs.map((sign) => operationOfSign[sign]),
  materials: ({ recipe }) => ({ pack: recipe, dice: [], others: ['digit cards 0 to 9, four of each'] }),
  order: (play) => [
    ...roundRows(play, shuffledPile(play), play.rules.numbers, rounds),
    {
      ...{ name: say('roadTargets'), seat: null },
      cards: Array.from({ length: rounds }, (_, nth) => targetCards(play, nth + 1)).flat(),
    },
  ],
  ...turnsOf<RoadRules, RoadLies>({
    lay: (play) => {
      const none = { pile: shuffledPile(play), draws: 1, out: [], gone: [], hands: [], round: 0 };
      return { ...dealtRound(play, none), points: Array<number>(play.seats).fill(0) };
    },
    opens: (_play, { target }) =>
      target === null ? { kind: 'go', says: say('turnTarget') } : { kind: 'none', next: 'line' },
    opened: (play, state) => {
      const target = targetOf(play, state.round);
      return { target, ...onward(play, { ...state, target }, say('theTargetIs', { target })) };
    },
    line: (play, state) => ({
      ...{ says: say('joinTwo', { target: state.target ?? 0 }), ask: askOf(play, state) },
      ...{ before: state.lines, mayPass: true, passSays: say('stopHere') },
    }),
    written: (play, state, text) => {
      const line = checkLine(text, askOf(play, state));
      if (!line.right) return { says: say('lineFault', { fault: line.fault }), next: 'stay' };
      const asked = askLine(state.turn, line.expression);
      const joining: Joined = { used: line.used, worth: line.value.top, whole: asked.whole };
      return saysItself(text)
        ? joins(play, { ...state, joining })
        : { joining, says: state.says, next: { ask: [asked] } };
    },
    // Said by whomever, or shown: the number lies there.
    said: (play, state) => joins(play, state),
    passed: (play, state) => stops(play, state, []),
    // The road of whoever leaves ends where it was, for nothing.
    leaves: (play, state, seat) =>
      state.walker === seat ? onward(play, { ...state, joining: null }, state.says) : null,
  }),
  // A road is gone by its own numbers alone; between rounds everyone looks at theirs.
  scene: (play, state, from) => ({
    ...emptyScene,
    rows: [...Array(play.seats).keys()]
      .filter((seat) => state.walker === null || seat === state.walker || seat === from)
      .map((seat) => ({ name: say('handOf', { seat }), seat, cards: cardsLeft(play, state, seat) })),
    totals: state.points.map((value, seat) => ({ name: say('seat', { seat }), value })),
    target: state.target,
  }),
  clock: (_play, { round, walker, target }) => (target === null ? null : roadClock(round, walker)),
  scores: (play, { points }) => scoresFrom(play, points),
  best: (play, { stage, has, target, turn }) => {
    if (stage !== 'line' || target === null) return null;
    const road = bestRoad(has, target, play.rules.signs);
    if (!road) return { says: say('roadNowhere'), worked: [], move: { kind: 'pass', seat: turn } };
    const near = nearest(
      has.map(({ worth }) => worth),
      target,
      play.rules.signs,
    );
    const first = firstStep(road.line);
    return {
      says: say('roadBest', {
        worth: road.value,
        points: road.points,
        of: road.points - roadPoints(target, { worth: road.value, of: 0 }),
      }),
      worked: [
        ...stepLines(road.line),
        say('roadNearest', { line: expressionText(near.expression), worth: near.value }),
      ],
      move: first
        ? { kind: 'line', seat: turn, text: expressionText(first, false) }
        : { kind: 'pass', seat: turn },
    };
  },
};
