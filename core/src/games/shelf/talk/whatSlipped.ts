import { operations } from '../../../facts/operation.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import type { Game } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { chanceOf } from '../../playGame.ts';
import { freshState } from '../../rolled.ts';
import { namedTotals, scoreCount, scoreOf } from '../../scoring.ts';
import { numberSetting, oneSetting, operationsSetting, someSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import {
  askedOf,
  isStaged,
  left,
  makeSlipped,
  slipForms,
  slipStages,
  type SlipForm,
  type Slipped,
  type SlippedRules,
} from './slips.ts';
import { items, whatSlippedWords } from './whatSlippedWords.ts';

interface LaidOut {
  readonly item: Slipped;
  readonly found: readonly string[];
  readonly nth: number;
  readonly points: readonly number[];
  /** Looked at alone, then talked over with a partner: how many of both are done for this one. */
  readonly talked: number;
}
export type SlippedState = ChoosingState & LaidOut;

const next = 'next';
const rules = (forms: readonly SlipForm[], over: Partial<SlippedRules> = {}): SlippedRules => ({
  forms,
  operations: ['add', 'sub'],
  largest: 10,
  stages: 'pairs',
  ...over,
});

export const whatSlipped: Game<SlippedRules, SlippedState> = {
  id: 'what-slipped',
  version: 2,
  family: 'talk',
  seats: { least: 1, most: 4 },
  minutes: 8,
  ...inWords(whatSlippedWords, [
    rules(['fact']),
    rules(['fact'], { operations: ['mul'] }),
    rules(['story'], { operations: ['add', 'sub', 'mul'] }),
    rules(['table'], { operations: ['add', 'mul'] }),
    rules(['place'], { largest: 10 }),
    rules(slipForms, { operations: ['add', 'sub', 'mul', 'div'], largest: 12 }),
  ]),
  settings: [
    someSetting('forms', 'What may slip', [
      ['fact', 'a fact'],
      ['story', 'a story'],
      ['table', 'in and out'],
      ['place', 'tens and ones'],
    ]),
    operationsSetting('operations', operations),
    numberSetting('largest', 'Numbers up to', 5, 12),
    oneSetting('stages', 'Alone, with a partner, together', [
      ['pairs', 'where two or more play'],
      ['always', 'always'],
      ['never', 'together at once'],
    ]),
  ],
  operations: ({ operations: own }) => own,
  materials: () => ({ pack: null, dice: [], others: ['paper'] }),
  ...choosing<SlippedRules, LaidOut>({
    lay: (play) => ({
      draws: 1,
      item: makeSlipped(play.rules, chanceOf(play, freshState)),
      found: [],
      nth: 1,
      points: Array<number>(scoreCount(play)).fill(0),
      talked: 0,
    }),
    opens: (play, { found, talked }) =>
      isStaged(play) && found.length === 0 && talked < slipStages.length
        ? { kind: 'go', says: say(slipStages[talked] ?? 'lookAlone'), unhurried: true }
        : { kind: 'none', next: 'choose' },
    opened: (_play, { talked, says }) => ({
      ...{ talked: talked + 1, says },
      ...(talked + 1 < slipStages.length ? { next: 'again' } : {}),
    }),
    asksWhich: (_play, { found }) => say(found.length === 0 ? 'explainMend' : 'anotherMend'),
    by: () => ({ kind: 'text' }),
    options: (_play, state) => [
      ...left(state).map((one): Option => ({
        ...one,
        veiled: true,
        judged: { ...askedOf(state), given: one.says },
      })),
      { key: 'none', says: say('mendsNothing'), claim: askedOf(state) },
      // The verdict is held until one mend is explained.
      ...(state.found.length > 0 ? [{ key: next, says: say('theNextOne') }] : []),
    ],
    none: (_play, state) => ({ says: state.says, next: 'stay' }),
    takes: (play, state, { key }) => {
      const mend = state.item.mends.find((one) => one.key === key);
      if (mend) {
        const own = scoreOf(play, state.turn);
        const points = state.points.map((count, at) => (at === own ? count + 1 : count));
        const says = say('mended', { mend: mend.says });
        return { found: [...state.found, key], points, says, next: 'pass' };
      }
      if (state.nth >= items)
        return { says: state.says, next: { over: say('talkedOver', { count: items }) } };
      const item = makeSlipped(play.rules, chanceOf(play, state));
      const draws = state.draws + 1;
      return { nth: state.nth + 1, draws, item, found: [], talked: 0, says: say('nextOne'), next: 'pass' };
    },
    unsaid: (_play, state) => ({ says: state.says, next: 'pass' }),
    fails: () => ({ says: say('lookTogether'), next: 'pass' }),
  }),
  scene: (play, state) => ({
    ...emptyScene,
    board: {
      name: say('whatSlipped'),
      across: 1,
      squares: [
        ...state.item.shown.map((text) => ({ text, mark: null })),
        ...state.item.mends
          .filter(({ key }) => state.found.includes(key))
          .map(({ says }) => ({ text: say('mendedLine', { mend: says }), mark: null, found: true as const })),
      ],
    },
    totals: namedTotals(play, state.points, say('mendsFound')),
  }),
  scores: (_play, state) => state.points,
  best: (_play, state) => {
    // Nothing is told while it is thought over.
    if (state.stage === 'open') return null;
    const [first, ...more] = left(state);
    const move = { kind: 'choose', seat: state.turn, key: first?.key ?? next } as const;
    if (!first) return { says: say('everyMend'), worked: [], move };
    const worked = [first, ...more].map((one) => one.says);
    return { says: say('mendsLeft', { left: worked.length }), worked, move };
  },
};
