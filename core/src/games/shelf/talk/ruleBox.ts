import { skillItem } from '../../../facts/item.ts';
import { operations } from '../../../facts/operation.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import type { Game, Play } from '../../game.ts';
import { chanceOf } from '../../playGame.ts';
import { freshState } from '../../rolled.ts';
import { emptyScene } from '../../scene.ts';
import { namedTotals, onePointTo, scoreCount } from '../../scoring.ts';
import { numberSetting, operationsSetting } from '../../setting.ts';
import { say, type Sentence } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { askBox, makeBox, type Box, type BoxRules } from './boxPairs.ts';
import { boxes, ruleBoxWords } from './ruleBoxWords.ts';

export interface BoxLies {
  readonly box: Box;
  readonly nth: number;
  readonly points: readonly number[];
}
type State = ChoosingState & BoxLies;

const rules = (over: Partial<BoxRules> = {}): BoxRules => ({
  operations: ['add'],
  most: 12,
  pairs: 5,
  ...over,
});

export const ruleBox: Game<BoxRules, State> = {
  id: 'rule-box',
  version: 1,
  family: 'talk',
  seats: { least: 1, most: 4 },
  minutes: 8,
  ...inWords(ruleBoxWords, [
    rules({ most: 5 }),
    rules(),
    rules({ operations: ['sub'], most: 8 }),
    rules({ operations: ['mul'], most: 5 }),
    rules({ operations: ['mul'] }),
    rules({ operations: ['div'] }),
    rules({ operations }),
  ]),
  settings: [
    operationsSetting('operations', operations),
    numberSetting('most', 'Its number, at most', 3, 12),
    numberSetting('pairs', 'Pairs of a box', 4, 6),
  ],
  operations: (own) => own.operations,
  materials: () => ({ pack: null, dice: [], others: ['paper'] }),
  ...choosing<BoxRules, BoxLies>({
    lay: (play) => ({
      draws: 1,
      box: makeBox(play.rules, chanceOf(play, freshState)),
      nth: 1,
      points: Array<number>(scoreCount(play)).fill(0),
    }),
    asksWhich: (_play, { turn }) => say('whichPair', { seat: turn }),
    options: (_play, { box, turn }) =>
      box.pairs.map(([x, y], at): Option => {
        const own = {
          key: String(at),
          says: say('inOut', { x, y }),
          at: { square: at },
          veiled: true,
        } as const;
        if (at === box.wrong) return { ...own, asks: () => [askBox(box, turn)] };
        const [goesIn, out] = box.pairs[box.wrong] ?? [0, 0];
        const claim = {
          item: skillItem('mend'),
          shown: say('whichPairSlipped'),
          answer: say('inOut', { x: goesIn, y: out }),
          given: own.says,
        };
        return { ...own, claim };
      }),
    none: (_play, state) => ({ says: state.says, next: 'pass' }),
    fails: (_play, { box }, { key }) => {
      const [x, y] = box.pairs[Number(key)] ?? [0, 0];
      return { says: say('pairFits', { x, y }), next: 'pass' };
    },
    takes: (play, state, _option, { by, whole }) => nextBox(play, state, say('whole', { whole }), by),
    unsaid: (play, state, _option, whole) => nextBox(play, state, say('whole', { whole }), null),
  }),
  scene: (play, { box, points }) => ({
    ...emptyScene,
    board: {
      name: say('ruleBox'),
      across: 1,
      squares: box.pairs.map(([x, y]) => ({ text: say('inOut', { x, y }), mark: null })),
    },
    totals: namedTotals(play, points, say('boxesMended')),
  }),
  scores: (_play, { points }) => points,
  best: (_play, { box, turn, asking }) => {
    if (asking) return null;
    return {
      says: say('boxDoes', {
        operation: box.operation,
        by: box.by,
        goesIn: box.pairs[box.wrong]?.[0] ?? 0,
        should: box.should,
      }),
      worked: [],
      move: { kind: 'choose', seat: turn, key: String(box.wrong) },
    };
  },
};

/** A point for whoever said it, and the next box; after the last it is over. */
function nextBox(play: Play<BoxRules>, state: State, says: Sentence, by: number | null) {
  const points = onePointTo(play, state.points, by);
  if (state.nth >= boxes) return { points, says, next: { over: say('boxesDone', { count: boxes }) } };
  const box = makeBox(play.rules, chanceOf(play, state));
  return { points, box, nth: state.nth + 1, draws: state.draws + 1, says, next: 'pass' as const };
}
