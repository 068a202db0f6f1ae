import { answerOf, factKey, factText, type Fact, type FactKey } from '../facts/fact.ts';
import { isOnMap, skillItem } from '../facts/item.ts';
import type { DieSides } from '../materials/dice.ts';
import {
  emptyScene,
  type Choice,
  type Game,
  type GameState,
  type Move,
  type Play,
  type Asking,
} from './game.ts';
import { answerAsking, ask, askingSays } from './asking.ts';
import { nextSeat } from './playGame.ts';
import { freshState, nothingHidden, rolled } from './rolled.ts';
import { namedScores, scoreCount, scoreOf } from './scoring.ts';
import { numberSetting, oneSetting } from './setting.ts';

export interface AddTimesRules {
  readonly dice: readonly DieSides[];
  /** What is done with two of three dice before the third multiplies; null: two dice are multiplied. */
  readonly first: 'add' | 'sub' | null;
  readonly target: number;
}

export interface AddTimesState extends GameState {
  readonly totals: readonly number[];
  readonly roll: readonly number[] | null;
  /** The line chosen, to be said. */
  readonly asking: Asking | null;
  readonly chosen: number;
  readonly turns: number;
}

const three: readonly DieSides[] = [6, 6, 6];

export const addThenTimes: Game<AddTimesRules, AddTimesState> = {
  id: 'add-then-times',
  name: 'Add then times',
  family: 'make',
  told: {
    aim: 'Be the first to reach 400.',
    turn: [
      'Roll three dice. Add two of them and take that times the third.',
      'Which two is your choice: say the line and what it makes.',
      'Add it to your total.',
    ],
    ends: 'When a total reaches the target.',
    example: 'A 2, a 5 and a 6: (2 + 5) × 6 = 42 beats (5 + 6) × 2 = 22.',
  },
  seats: { least: 1, most: 4 },
  minutes: 10,
  steps: [
    {
      name: 'Two dice, times',
      example: 'A 5 and a 6: 5 × 6 = 30 goes to your total.',
      rules: { dice: [6, 6], first: null, target: 150 },
    },
    { name: 'Add two, times the third', rules: { dice: three, first: 'add', target: 400 } },
    {
      name: 'The difference of two, times the third',
      example: 'A 2, a 5 and a 6: (6 − 2) × 5 = 20 beats (5 − 2) × 6 = 18.',
      rules: { dice: three, first: 'sub', target: 200 },
    },
  ],
  settings: [
    oneSetting('dice', 'Dice', [
      [[6, 6], 'two six-sided'],
      [[10, 10], 'two ten-sided'],
      [[6, 6, 6], 'three six-sided'],
      [[10, 10, 10], 'three ten-sided'],
    ]),
    oneSetting('first', 'Of three dice, two are', [
      ['add', 'added'],
      ['sub', 'taken one from the other'],
      [null, 'two dice only, multiplied'],
    ]),
    numberSetting('target', 'Played to', 50, 2000),
  ],
  operations: ({ first }) => (first === null ? ['mul'] : [first, 'mul']),
  materials: ({ dice, target }) => ({ pack: null, dice, others: [`paper for the totals to ${target}`] }),
  setUp: (play) => ({
    ...freshState,
    totals: Array<number>(scoreCount(play)).fill(0),
    roll: null,
    asking: null,
    chosen: 0,
    turns: 0,
  }),
  need: (play, state) => {
    if (state.asking) return { kind: 'say', asked: state.asking.asked, says: askingSays(state.asking) };
    if (state.roll === null)
      return { kind: 'roll', seat: state.turn, dice: play.rules.dice, says: 'Roll the dice.' };
    return { kind: 'choose', seat: state.turn, says: 'Which line?', choices: choicesOf(play, state) };
  },
  act,
  shake: nothingHidden,
  scene: (play, state) => ({
    ...emptyScene,
    dice: state.roll ?? [],
    totals: namedScores(play, state.totals, 'Together'),
    target: play.rules.target,
  }),
  scores: (_play, state) => state.totals,
  best: (play, state) => {
    if (state.asking || state.roll === null) return null;
    const [best] = linesOf(play.rules, state.roll).sort((a, b) => b.value - a.value);
    return best
      ? {
          says: `${best.shown} = ${best.value}`,
          worked: [...best.steps],
          move: { kind: 'choose', seat: state.turn, key: best.shown },
        }
      : null;
  },
};

interface RollLine {
  readonly shown: string;
  readonly value: number;
  /** The facts of its steps, those on the map. */
  readonly facts: readonly FactKey[];
  readonly steps: readonly string[];
}

/** Every line of a roll, each once. */
export function linesOf(rules: AddTimesRules, roll: readonly number[]): RollLine[] {
  const lines = new Map<string, RollLine>();
  const put = (shown: string, ...steps: readonly Fact[]) => {
    const value = answerOf(steps.at(-1) as Fact);
    lines.set(shown, {
      shown,
      value,
      facts: steps.map(factKey).filter(isOnMap),
      steps: steps.map((one) => `${factText(one)} = ${answerOf(one)}`),
    });
  };
  if (rules.first === null) {
    const [a = 0, b = 0] = [...roll].sort((x, y) => y - x);
    put(`${a} × ${b}`, { operation: 'mul', left: a, right: b });
    return [...lines.values()];
  }
  for (const third of roll.keys()) {
    const [a = 0, b = 0] = roll.filter((_, at) => at !== third).sort((x, y) => y - x);
    const first: Fact = { operation: rules.first, left: a, right: b };
    const times = roll[third] as number;
    put(`(${factText(first)}) × ${times}`, first, { operation: 'mul', left: answerOf(first), right: times });
  }
  return [...lines.values()];
}

const choicesOf = (play: Play<AddTimesRules>, state: AddTimesState): Choice[] =>
  linesOf(play.rules, state.roll ?? []).map(({ shown }) => ({ key: shown, says: shown }));

/** A line to be said. One of two steps shows both of its facts, but its time is that of the whole. */
function asked(state: AddTimesState, line: RollLine): AddTimesState {
  const answer = String(line.value);
  return {
    ...state,
    chosen: line.value,
    asking: ask({
      seat: state.turn,
      ...(line.steps.length > 1
        ? { item: skillItem('chain'), steps: line.facts, untimed: true }
        : { item: line.facts[0] ? { kind: 'fact', key: line.facts[0] } : skillItem('line:mul') }),
      shown: line.shown,
      answer,
      whole: `${line.shown} = ${answer}`,
    }),
  };
}

function act(play: Play<AddTimesRules>, state: AddTimesState, move: Move): AddTimesState {
  switch (move.kind) {
    case 'roll': {
      const roll = rolled(play, state, move, play.rules.dice);
      const next = {
        ...state,
        roll,
        draws: state.draws + 1,
        turns: state.turns + 1,
        says: `${roll.join(', ')}.`,
      };
      const [line, ...others] = linesOf(play.rules, roll);
      // Where there is nothing to choose, the product is asked at once.
      return line && others.length === 0 ? asked(next, line) : next;
    }
    case 'choose':
      return asked(
        state,
        linesOf(play.rules, state.roll ?? []).find((one) => one.shown === move.key) as RollLine,
      );
    case 'said': {
      const asking = state.asking as Asking;
      const found = answerAsking(play, state, asking, move);
      if (found.kind === 'again') return { ...state, asking: found.asking };
      const by = found.kind === 'said' ? scoreOf(play, found.by) : null;
      const totals = state.totals.map((total, at) => (at === by ? total + state.chosen : total));
      const next = { ...state, totals, asking: null, roll: null, says: `${asking.asked.whole}.` };
      if (by !== null && (totals[by] as number) >= play.rules.target)
        return { ...next, over: `${totals[by]}: the target is reached.` };
      return { ...next, turn: nextSeat(play, state, state.turn) };
    }
    case 'calm':
    case 'claim':
    case 'go':
    case 'leave':
    case 'line':
    case 'pass':
    case 'signal':
    case 'stop':
      return state;
  }
}
