import { factKey, factKeyText } from '../../../facts/fact.ts';
import type { DieSides } from '../../../materials/dice.ts';
import { askedFact, askSum } from '../../askFact.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import type { Game, Play } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { seatsIn } from '../../playGame.ts';
import { namedTotals, scoreCount, scoreOf } from '../../scoring.ts';
import { diceSetting, numberSetting } from '../../setting.ts';
import { turnsFrom, stretchTotals } from '../../stretch.ts';
import { say, sentences } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { stretchOrFoldWords } from './stretchOrFoldWords.ts';

export interface StretchRules {
  readonly target: number;
  readonly die: DieSides;
}

export interface LaidOut {
  /** One for each seat against one another, one for all together. */
  readonly totals: readonly number[];
  readonly roll: number | null;
  readonly winner: number | null;
}

export const stretchOrFold: Game<StretchRules, ChoosingState & LaidOut> = {
  id: 'stretch-or-fold',
  version: 2,
  family: 'totals',
  seats: { least: 1, most: 4 },
  minutes: 8,
  ...inWords(stretchOrFoldWords, [
    { target: 24, die: 6 },
    { target: 36, die: 6 },
    { target: 60, die: 6 },
    { target: 60, die: 10 },
  ]),
  settings: [numberSetting('target', 'Target', 10, 200), diceSetting('die', 1)],
  operations: () => ['add', 'mul', 'div'],
  materials: ({ die }) => ({ pack: null, dice: [die], others: ['paper for the total'] }),
  ...choosing<StretchRules, LaidOut>({
    lay: (play) => ({ totals: Array<number>(scoreCount(play)).fill(0), roll: null, winner: null }),
    opens: (play) => ({ kind: 'roll', dice: [play.rules.die] }),
    opened: (_play, _state, [roll = 1]) => ({ roll, says: say('aCard', { worth: roll }) }),
    asksWhich: (_play, { roll }) => say('stretchOrFold', { roll: roll ?? 0 }),
    options: optionsOf,
    none: (_play, { roll }) => ({ roll: null, says: say('noMove', { roll: roll ?? 0 }), next: 'pass' }),
    takes: (play, state, { key }, { by, whole }) => {
      const own = scoreOf(play, by);
      const add = Number(key) - (state.totals[scoreOf(play, state.turn)] as number);
      const total = (state.totals[own] as number) + add;
      // Taken over by another it is added to their own.
      const said =
        whole === askSum(by, total - add, add).whole
          ? [say('whole', { whole })]
          : sentences(say('whole', { whole }), say('addsOwn', { seat: by, add, total }));
      // One who takes another's turn may be too near the target for it.
      if (total > play.rules.target)
        return {
          roll: null,
          says: sentences(say('whole', { whole }), say('tooFar', { seat: by })),
          next: 'pass',
        };
      const totals = state.totals.map((one, at) => (at === own ? total : one));
      if (total < play.rules.target) return { totals, roll: null, says: said, next: 'pass' };
      const alone = !play.against || seatsIn(play, state).length === 1;
      const over = say('exactly', { target: play.rules.target, seat: alone ? null : by });
      return { totals, roll: null, winner: by, turn: by, says: said, next: { over } };
    },
    leftFor: (play, state, { key }, by) => {
      const total = state.totals[scoreOf(play, by)] as number;
      const add = Number(key) - totalOf(play, state);
      return total + add > play.rules.target ? [] : [askSum(by, total, add)];
    },
    unsaid: (_play, _state, _option, whole) => ({ roll: null, says: say('whole', { whole }), next: 'pass' }),
  }),
  scene: (play, state) => ({
    ...emptyScene,
    dice: state.roll === null ? [] : [state.roll],
    totals: namedTotals(play, state.totals, say('together')),
    target: play.rules.target,
  }),
  scores: (play, state) =>
    play.against ? state.totals.map((_, seat) => (seat === state.winner ? 1 : 0)) : [state.totals[0] ?? 0],
  best: (play, state) => {
    if (state.roll === null || state.asking) return null;
    const turns = turnsFrom(play.rules.target, play.rules.die);
    const turnsTo = ({ key }: Option) => turns[Number(key)] as number;
    const [best] = optionsOf(play, state).sort((a, b) => turnsTo(a) - turnsTo(b));
    if (!best) return null;
    return {
      says: sentences(
        say('turnsToGo', { how: howOf(play, state, best), roll: state.roll, turns: turnsTo(best) }),
      ),
      worked: [best.says],
      move: { kind: 'choose', seat: state.turn, key: best.key },
    };
  },
};

const totalOf = (play: Play<StretchRules>, { totals, turn }: ChoosingState & LaidOut) =>
  totals[scoreOf(play, turn)] as number;
const howOf = (play: Play<StretchRules>, state: ChoosingState & LaidOut, { key }: Pick<Option, 'key'>) =>
  Number(key) - totalOf(play, state) === 2 * (state.roll ?? 0) ? ('stretch' as const) : ('fold' as const);

/** The double or the half, each said before the new total is. */
function optionsOf(play: Play<StretchRules>, state: ChoosingState & LaidOut): Option[] {
  const { roll, turn } = state;
  if (roll === null) return [];
  const total = totalOf(play, state);
  return stretchTotals(total, play.rules.target, roll).map((next): Option => {
    const add = next - total;
    const how = howOf(play, state, { key: String(next) });
    const fact = factKey(
      how === 'stretch'
        ? { operation: 'mul', left: 2, right: roll }
        : { operation: 'div', left: roll, right: 2 },
    );
    return {
      key: String(next),
      // What it comes to is the child's to say.
      says: say(how, { roll }),
      at: { total: next },
      asks: () => [askedFact(turn, fact, factKeyText(fact), String(add), true), askSum(turn, total, add)],
    };
  });
}
