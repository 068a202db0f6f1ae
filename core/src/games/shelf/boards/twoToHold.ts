import { chanceShown } from '../../../materials/deckOdds.ts';
import { facesOf, type DieSides } from '../../../materials/dice.ts';
import { fractionText } from '../../../numbers/fraction.ts';
import { askCards } from '../../askFact.ts';
import { turnsOf } from '../../bodies/turns.ts';
import type { Game } from '../../game.ts';
import type { Choice } from '../../need.ts';
import { emptyScene } from '../../scene.ts';
import { scoresFrom } from '../../scoring.ts';
import { oneSetting, operationSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import {
  across,
  type HoldRules,
  type HeldSquare,
  totalOf,
  boardOf,
  type HoldLies,
  type HoldState,
  choicesOf,
  place,
} from './holdBoard.ts';
import { countersEach, twoToHoldWords } from './twoToHoldWords.ts';

const dice: readonly DieSides[] = [6, 6];

export const twoToHold: Game<HoldRules, HoldState> = {
  id: 'two-to-hold',
  version: 2,
  family: 'boards',
  seats: { least: 1, most: 4 },
  minutes: 10,
  ...inWords(twoToHoldWords, [
    { dice, operation: 'add' },
    { dice, operation: 'sub' },
    { dice, operation: 'mul' },
    { dice: [6, 6, 6], operation: 'add' },
  ]),
  settings: [
    oneSetting('dice', 'Dice', [
      [[6, 6], 'two six-sided'],
      [[10, 10], 'two ten-sided'],
      [[12, 12], 'two twelve-sided'],
      [[6, 6, 6], 'three six-sided'],
    ]),
    operationSetting('operation', ['add', 'sub', 'mul']),
  ],
  operations: ({ operation }) => [operation],
  materials: (rules) => ({
    pack: null,
    dice: rules.dice,
    others: ['the board', `${countersEach} counters for each player`],
  }),
  ...turnsOf<HoldRules, HoldLies>({
    lay: (play) => ({
      squares: boardOf(play.rules, play.seed).map((total) => ({ total, seat: null, held: false })),
      counters: Array<number>(play.seats).fill(countersEach),
      roll: null,
    }),
    opens: (play) => ({ kind: 'roll', dice: play.rules.dice }),
    opened: (play, state, roll) => ({
      roll,
      says: say('rolled'),
      next: { ask: [askCards(state.turn, play.rules.operation, roll)] },
    }),
    said: (play, state, { by, asked: { whole } }) => {
      // Whoever said it places the counter; nobody: the turn passes on.
      if (by === null) return { roll: null, says: say('whole', { whole }), next: 'pass' };
      return choicesOf(play, state).length > 0
        ? { turn: by, says: say('whole', { whole }), next: 'choose' }
        : { turn: by, roll: null, says: say('heldPasses', { whole }), next: 'pass' };
    },
    choice: (play, state) => ({
      says: say('placeOn', { total: totalOf(play, state.roll ?? []) }),
      choices: choicesOf(play, state),
    }),
    chosen: (_play, state, choice) => place(state, Number(choice.key)),
  }),
  scene: (_play, state) => ({
    ...emptyScene,
    dice: state.roll ?? [],
    board: {
      name: say('totals'),
      across,
      squares: state.squares.map(({ total, seat, held }) => ({
        text: String(total),
        mark: seat === null ? null : { seat, held },
      })),
    },
    totals: state.counters.map((value, seat) => ({ name: say('countersOf', { seat }), value })),
  }),
  scores: (play, state) =>
    scoresFrom(
      play,
      state.counters.map((_, seat) => state.squares.filter((one) => one.held && one.seat === seat).length),
    ),
  best: (play, state) => {
    if (state.asking || state.roll === null) return null;
    const squareOf = ({ key }: Choice) => state.squares[Number(key)] as HeldSquare;
    const value = (one: Choice) => {
      const { seat } = squareOf(one);
      return seat === state.turn ? 2 : seat === null ? 0 : 1;
    };
    const [best] = [...choicesOf(play, state)].sort((a, b) => value(b) - value(a));
    if (!best) return null;
    const { total, seat: beside } = squareOf(best);
    const chance = fractionText(chanceShown(play.rules.dice.map(facesOf), play.rules.operation, total));
    return {
      says: say('holdWhy', { total, beside, why: (['free', 'back', 'holds'] as const)[value(best)], chance }),
      worked: [best.says],
      move: { kind: 'choose', seat: state.turn, key: best.key },
    };
  },
};
