import { skillItem } from '../../../facts/item.ts';
import type { DieSides } from '../../../materials/dice.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import type { Game } from '../../game.ts';
import type { Asked } from '../../need.ts';
import { emptyScene } from '../../scene.ts';
import { nothingHidden } from '../../rolled.ts';
import { namedTotals, scoreCount, scoreOf } from '../../scoring.ts';
import { numberSetting, oneSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { addThenTimesWords } from './addThenTimesWords.ts';
import { type AddTimesRules, type RollLine, linesOf } from './rollLines.ts';

export interface LaidOut {
  readonly totals: readonly number[];
  readonly roll: readonly number[] | null;
}

const three: readonly DieSides[] = [6, 6, 6];

export const addThenTimes: Game<AddTimesRules, ChoosingState & LaidOut> = {
  id: 'add-then-times',
  version: 2,
  family: 'make',
  seats: { least: 1, most: 4 },
  minutes: 10,
  ...inWords(addThenTimesWords, [
    { dice: [6, 6], first: null, target: 150 },
    { dice: three, first: 'add', target: 400 },
    { dice: three, first: 'sub', target: 200 },
  ]),
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
  ...choosing<AddTimesRules, LaidOut>({
    lay: (play) => ({ totals: Array<number>(scoreCount(play)).fill(0), roll: null }),
    opens: (play) => ({ kind: 'roll', dice: play.rules.dice }),
    opened: (_play, _state, roll) => ({ roll, says: say('theRoll', { roll }) }),
    asksWhich: () => say('whichLine'),
    options: (play, { roll, turn }) =>
      linesOf(play.rules, roll ?? []).map((line): Option => {
        const text = say('asWritten', { text: line.shown });
        return { key: line.shown, says: text, asks: () => [asked(turn, line)] };
      }),
    // Where there is nothing to choose, the product is asked at once.
    oneIsDone: true,
    none: (_play, state) => ({ says: state.says, next: 'pass' }),
    takes: (play, state, { key }, { by, whole }) => {
      const value = linesOf(play.rules, state.roll ?? []).find((one) => one.shown === key)?.value ?? 0;
      const own = scoreOf(play, by);
      const totals = state.totals.map((total, at) => (at === own ? total + value : total));
      const total = totals[own] as number;
      return {
        totals,
        roll: null,
        says: say('whole', { whole }),
        next: total >= play.rules.target ? { over: say('targetReached', { total }) } : 'pass',
      };
    },
    unsaid: (_play, _state, _option, whole) => ({ roll: null, says: say('whole', { whole }), next: 'pass' }),
  }),
  shake: nothingHidden,
  scene: (play, state) => ({
    ...emptyScene,
    dice: state.roll ?? [],
    totals: namedTotals(play, state.totals, say('together')),
    target: play.rules.target,
  }),
  scores: (_play, state) => state.totals,
  best: (play, state) => {
    if (state.asking || state.roll === null) return null;
    const [best] = linesOf(play.rules, state.roll).sort((a, b) => b.value - a.value);
    return best
      ? {
          says: say('asWritten', { text: `${best.shown} = ${best.value}` }),
          worked: [...best.steps],
          move: { kind: 'choose', seat: state.turn, key: best.shown },
        }
      : null;
  },
};

/** A line to be said. One of two steps shows both of its facts, but its time is that of the whole. */
function asked(seat: number, { shown, value, facts, steps }: RollLine): Asked {
  const [fact] = facts;
  const told = { seat, shown, answer: String(value), whole: `${shown} = ${value}` };
  if (steps.length > 1) return { ...told, item: skillItem('chain'), steps: facts, untimed: true };
  return { ...told, item: fact === undefined ? skillItem('line:mul') : { kind: 'fact', key: fact } };
}
