import { numberRecipe } from '../../../materials/pack.ts';
import { checkLine } from '../../../numbers/checkLine.ts';
import { expressionText } from '../../../numbers/expression.ts';
import { mostSpent } from '../../../numbers/mostSpent.ts';
import { dealHands } from '../../bodies/dealing.ts';
import { turnsOf } from '../../bodies/turns.ts';
import type { Game } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { seatsIn } from '../../playGame.ts';
import { scoresFrom } from '../../scoring.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import {
  askOf,
  cardOf,
  changedHands,
  nextHand,
  seatsShown,
  spendSettings,
  type SpendLies,
  type SpendRules,
  type SpendState,
} from './spendHands.ts';
import { spendTheHandWords } from './spendTheHandWords.ts';

const rules = (over: Partial<SpendRules>): SpendRules => ({
  recipe: numberRecipe(1, 6),
  ...{ hand: 5, dice: [6], signs: ['+', '-'], most: 1, cap: null },
  ...over,
});

const toTen = { recipe: numberRecipe(1, 10), most: 7 };

export const spendTheHand: Game<SpendRules, SpendState> = {
  id: 'spend-the-hand',
  version: 1,
  family: 'make',
  seats: { least: 1, most: 4 },
  minutes: 12,
  ...inWords(spendTheHandWords, [
    rules({}),
    rules({ most: 2 }),
    rules({ ...toTen, dice: [6, 6] }),
    rules({ ...toTen, dice: [6, 6], signs: ['+', '-', '*', '/'] }),
    rules({ ...toTen, hand: 6, dice: [10, 10], signs: ['+', '-', '*', '/'] }),
    rules({ ...toTen, hand: 6, dice: [10, 10], signs: ['+', '-', '*', '/'], cap: 100 }),
  ]),
  settings: spendSettings,
  operations: ({ signs }) => (signs.length > 2 ? ['add', 'sub', 'mul', 'div'] : ['add', 'sub']),
  materials: ({ recipe, dice }) => ({ pack: recipe, dice, others: [] }),
  order: (play) => {
    const { hands, pile } = dealHands(play, play.rules.hand, 0);
    return [...hands, pile].map((ids, seat) => ({
      name: seat < play.seats ? say('handOf', { seat }) : say('pileFromTop'),
      seat: seat < play.seats ? seat : null,
      cards: ids.map((id) => cardOf(play, id)),
    }));
  },
  ...turnsOf<SpendRules, SpendLies>({
    lay: (play) => {
      const { draws, hands, pile } = dealHands(play, play.rules.hand, 0);
      return { draws, hands, pile, spent: hands.map(() => []), target: null, gaveUp: [], laid: false };
    },
    opens: (play, { target }) =>
      target === null ? { kind: 'roll', dice: play.rules.dice } : { kind: 'none', next: 'line' },
    opened: (_play, _state, roll) => {
      const target = roll.reduce((sum, one) => sum + one, 0);
      return { target, says: say('theRoll', { roll }), next: 'line' };
    },
    line: (play, state) => ({
      says: say('spendFor', { target: state.target ?? 0 }),
      ask: askOf(play, state),
      mayPass: true,
    }),
    written: (play, state, text) => {
      const line = checkLine(text, askOf(play, state));
      if (!line.right) return { says: say('lineFault', { fault: line.fault }), next: 'stay' };
      const left = [...(state.hands[state.turn] ?? [])];
      const used = line.used.map((worth) => {
        const at = left.findIndex((id) => cardOf(play, id).worth === worth);
        return left.splice(at, 1)[0] as number;
      });
      const hands = state.hands.map((hand, seat) => (seat === state.turn ? left : hand));
      const spent = state.spent.map((ids, seat) => (seat === state.turn ? [...ids, ...used] : ids));
      const says = say('spends', { lines: line.shown, seat: state.turn, count: used.length });
      const on = { hands, spent, laid: true, says };
      // With cards left another line may follow; with none the turn is done.
      return left.length > 0 ? { ...on, next: 'line' } : { ...on, ...nextHand(play, { ...state, ...on }) };
    },
    passed: (play, state) => {
      const says = say('passesOn', { seat: state.turn });
      if (state.laid) return { says, ...nextHand(play, state) };
      const gaveUp = [...state.gaveUp, state.turn];
      // The target passes on; nobody makes it: another is rolled.
      if (!seatsIn(play, state).every((seat) => gaveUp.includes(seat))) return { gaveUp, says, next: 'pass' };
      return { says: say('nobodyMakes', { target: state.target ?? 0 }), ...changedHands(play, state) };
    },
    leaves: (_play, state, seat) => {
      const hands = state.hands.map((hand, at) => (at === seat ? [] : hand));
      const pile = [...state.pile, ...(state.hands[seat] ?? [])];
      const gaveUp = state.gaveUp.filter((one) => one !== seat);
      const laid = state.laid && state.turn !== seat;
      return { hands, pile, gaveUp, laid, says: state.says, next: state.stage === 'line' ? 'line' : 'again' };
    },
  }),
  scene: (play, state, from) => ({
    ...emptyScene,
    rows: seatsShown(play, state, from).map((seat) => ({
      name: say('handOf', { seat }),
      seat,
      cards: (state.hands[seat] ?? []).map((id) => cardOf(play, id)),
    })),
    totals: state.spent.map((ids, seat) => ({ name: say('seat', { seat }), value: ids.length, pile: true })),
    target: state.target,
  }),
  scores: (play, { spent }) =>
    scoresFrom(
      play,
      spent.map((ids) => ids.length),
    ),
  best: (play, state) => {
    if (state.stage !== 'line') return null;
    const { lines, count } = mostSpent(askOf(play, state));
    const [first] = lines;
    const texts = lines.map((line) => expressionText(line));
    if (!first)
      return {
        says: say('nothingHere', { target: state.target ?? 0 }),
        worked: [],
        move: { kind: 'pass', seat: state.turn },
      };
    return {
      says: say('spendsMost', { lines: texts, count }),
      worked: texts,
      move: { kind: 'line', seat: state.turn, text: expressionText(first, false) },
    };
  },
};
