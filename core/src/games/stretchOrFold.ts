import { factKey } from '../facts/fact.ts';
import type { DieSides } from '../materials/dice.ts';
import { emptyScene, type Choice, type Game, type GameState, type Move, type Play } from './game.ts';
import { nextSeat, seatsIn } from './playGame.ts';
import { freshState, rolled } from './rolled.ts';
import { expectedTurns, stretchTotals } from './stretch.ts';
import { namedScores, scoreCount, scoreOf } from './scoring.ts';
import { diceSetting, numberSetting } from './setting.ts';
import { tell } from './tell/sentence.ts';

export interface StretchRules {
  readonly target: number;
  readonly die: DieSides;
}

export interface StretchState extends GameState {
  /** One for each seat against one another, one for all together. */
  readonly totals: readonly number[];
  readonly roll: number | null;
  readonly turns: number;
  readonly winner: number | null;
}

export const stretchOrFold: Game<StretchRules, StretchState> = {
  id: 'stretch-or-fold',
  name: 'Stretch or fold',
  family: 'totals',
  told: {
    aim: 'Land on the target exactly.',
    turn: [
      'Roll the die. Double it, or halve it if it is even.',
      'Add that to the total and say the new one.',
      'Never over the target. Who can move must; who cannot waits.',
    ],
    ends: 'When a total lands on the target.',
    example: 'At 20 of 24 a 4 comes up: doubled it makes 28, too far; halved it makes 22.',
  },
  seats: { least: 1, most: 4 },
  minutes: 8,
  steps: [
    { name: 'To 24', rules: { target: 24, die: 6 } },
    {
      name: 'To 36',
      example: 'At 30 of 36 a 4 comes up: doubled it makes 38, too far; halved it makes 32.',
      rules: { target: 36, die: 6 },
    },
    {
      name: 'To 60',
      example: 'At 54 of 60 a 4 comes up: doubled it makes 62, too far; halved it makes 56.',
      rules: { target: 60, die: 6 },
    },
    {
      name: 'To 60 with a ten-sided die',
      example: 'At 50 of 60 an 8 comes up: doubled it makes 66, too far; halved it makes 54.',
      rules: { target: 60, die: 10 },
    },
  ],
  settings: [numberSetting('target', 'Target', 10, 200), diceSetting('die', 1)],
  operations: () => ['add', 'mul', 'div'],
  materials: ({ die }) => ({ pack: null, dice: [die], others: ['paper for the total'] }),
  setUp: (play) => ({
    ...freshState,
    totals: Array<number>(scoreCount(play)).fill(0),
    roll: null,
    turns: 0,
    winner: null,
  }),
  need: (play, state) =>
    state.roll === null
      ? { kind: 'roll', seat: state.turn, dice: [play.rules.die], says: 'Roll the die.' }
      : {
          kind: 'choose',
          seat: state.turn,
          says: `${state.roll}: stretch or fold?`,
          choices: choicesOf(play, state),
        },
  act,
  scene: (play, state) => ({
    ...emptyScene,
    dice: state.roll === null ? [] : [state.roll],
    totals: namedScores(play, state.totals, 'Together'),
    target: play.rules.target,
  }),
  scores: (play, state) =>
    play.against ? state.totals.map((_, seat) => (seat === state.winner ? 1 : 0)) : [state.totals[0] ?? 0],
  best: (play, state) => {
    if (state.roll === null) return null;
    const turns = expectedTurns(play.rules.target, play.rules.die);
    const [best] = choicesOf(play, state).sort(
      (a, b) => (turns[Number(a.key)] as number) - (turns[Number(b.key)] as number),
    );
    if (!best) return null;
    return {
      says: `${tell(best.says)}: ${(turns[Number(best.key)] as number).toFixed(1)} turns to go on average.`,
      worked: [best.says],
      move: { kind: 'choose', seat: state.turn, key: best.key },
    };
  },
};

const totalOf = (play: Play<StretchRules>, state: StretchState) =>
  state.totals[scoreOf(play, state.turn)] as number;

function choicesOf(play: Play<StretchRules>, state: StretchState): Choice[] {
  const total = totalOf(play, state);
  const roll = state.roll as number;
  return stretchTotals(total, play.rules.target, roll).map((next): Choice => {
    const add = next - total;
    const doubled = add === 2 * roll;
    return {
      key: String(next),
      // What it comes to is the child's to say.
      says: doubled ? `Stretch: double ${roll}` : `Fold: half of ${roll}`,
      at: { total: next },
      fact: factKey(
        doubled ? { operation: 'mul', left: 2, right: roll } : { operation: 'div', left: roll, right: 2 },
      ),
    };
  });
}

/** "double 4 is 8, 12 + 8 = 20" */
function stretchWords(play: Play<StretchRules>, state: StretchState, next: number): string {
  const [total, roll] = [totalOf(play, state), state.roll as number];
  const add = next - total;
  return `${add === 2 * roll ? `double ${roll}` : `half of ${roll}`} is ${add}, ${total} + ${add} = ${next}`;
}

function act(play: Play<StretchRules>, state: StretchState, move: Move): StretchState {
  if (move.kind === 'roll') {
    const [roll = 1] = rolled(play, state, move, [play.rules.die]);
    const next = { ...state, roll, draws: state.draws + 1, turns: state.turns + 1 };
    if (choicesOf(play, next).length > 0) return { ...next, says: `A ${roll}.` };
    return {
      ...next,
      roll: null,
      turn: nextSeat(play, state, state.turn),
      says: `A ${roll}: no move, the turn passes on.`,
    };
  }
  if (move.kind !== 'choose') return state;
  const total = Number(move.key);
  const totals = state.totals.map((one, at) => (at === scoreOf(play, state.turn) ? total : one));
  const says = stretchWords(play, state, total);
  const landed = total === play.rules.target;
  return {
    ...state,
    totals,
    roll: null,
    turn: landed ? state.turn : nextSeat(play, state, state.turn),
    says,
    winner: landed ? state.turn : null,
    over: landed
      ? `${play.rules.target} exactly${play.against && seatsIn(play, state).length > 1 ? ` by seat ${state.turn + 1}` : ''}.`
      : null,
  };
}
