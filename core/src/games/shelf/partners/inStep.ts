import { shuffled } from '../../../random/random.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import type { Game, Play } from '../../game.ts';
import { chanceOf } from '../../playGame.ts';
import { emptyScene } from '../../scene.ts';
import { marksBySeat, namedTotals, scoresFrom } from '../../scoring.ts';
import { numberSetting, oneSetting, yesNo } from '../../setting.ts';
import { say, type Text } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import {
  askedOf,
  nextOf,
  nextTold,
  placeOf,
  stepsOf,
  type InStepLies,
  type InStepRules,
} from './inStepOrder.ts';
import { inStepWords } from './inStepWords.ts';

type State = ChoosingState & InStepLies;
type P = Play<InStepRules>;

const across = 5;
const rules = (table: number, order: InStepRules['order'], named = false): InStepRules => ({
  table,
  times: 10,
  named,
  order,
});

export const inStep: Game<InStepRules, State> = {
  id: 'in-step',
  version: 1,
  family: 'partners',
  seats: { least: 1, most: 4 },
  minutes: 6,
  ...inWords(inStepWords, [
    rules(5, 'up', true),
    rules(5, 'up'),
    rules(5, 'down'),
    rules(5, 'middle'),
    rules(3, 'middle'),
    rules(4, 'middle'),
    rules(6, 'middle'),
    rules(7, 'middle'),
    rules(8, 'middle'),
    rules(9, 'middle'),
  ]),
  settings: [
    numberSetting('table', 'The number', 2, 12),
    numberSetting('times', 'Times, at most', 5, 12),
    yesNo('named', 'The next fact is named'),
    oneSetting('order', 'In step', [
      ['up', 'from the first'],
      ['down', 'from the last, backwards'],
      ['middle', 'from the middle up, then down'],
    ]),
  ],
  operations: () => ['mul'],
  materials: ({ table, times }) => ({
    pack: null,
    dice: [],
    others: [`slips with ${table}, ${2 * table} and on to ${times * table}`],
  }),
  ...choosing<InStepRules, InStepLies>({
    lay: (play) => ({ tiles: shuffled(stepsOf(play), chanceOf(play, { draws: 0 })), laid: [], draws: 1 }),
    asksWhich: (play, state) => say('whichInStep', nextTold(play, state.turn, state)),
    shows: (play, state) => nextTold(play, state.turn, state).fact ?? undefined,
    options: (play, state) => {
      const next = nextOf(play, state);
      const asked = askedOf(play, state.turn, next);
      return state.tiles.flatMap((one, square): Option[] => {
        if (placeOf(play, one) < state.laid.length) return [];
        const text = String(one * play.rules.table);
        const own = {
          key: String(one),
          says: say('asWritten', { text }),
          at: { square },
          veiled: true,
        } as const;
        return one === next
          ? [{ ...own, asks: () => [asked] }]
          : [{ ...own, claim: { item: asked.item, shown: asked.shown, answer: asked.answer, given: text } }];
      });
    },
    none: (_play, state) => ({ says: state.says, next: 'pass' }),
    fails: (_play, _state, { claim }) => ({
      says: say('notNext', { shown: claim?.given ?? '' }),
      next: 'pass',
    }),
    takes: (_play, state, _option, { by, whole }) => laidBy(state, by, whole),
    // Shown, and laid for nobody: the row goes on.
    unsaid: (_play, state, _option, whole) => laidBy(state, null, whole),
  }),
  scene: (play, state) => ({
    ...emptyScene,
    board: {
      name: say('inStepBoard', { table: play.rules.table }),
      across,
      squares: state.tiles.map((one) => {
        const place = placeOf(play, one);
        const laid = place < state.laid.length;
        return {
          text: String(one * play.rules.table),
          mark: laid ? { seat: state.laid[place] ?? null, held: true } : null,
        };
      }),
    },
    totals: namedTotals(play, scoresOf(play, state), say('laidInStep')),
  }),
  scores: scoresOf,
  best: (play, state) => {
    if (state.asking) return null;
    const next = nextOf(play, state);
    const { whole } = askedOf(play, state.turn, next);
    return {
      says: say('whole', { whole }),
      worked: [],
      move: { kind: 'choose', seat: state.turn, key: String(next) },
    };
  },
};

const laidBy = (state: State, by: number | null, whole: Text) => {
  const laid = [...state.laid, by];
  const over = laid.length === state.tiles.length ? say('allInStep') : undefined;
  return { laid, says: say('whole', { whole }), next: over ? { over } : ('pass' as const) };
};

function scoresOf(play: P, { laid }: InStepLies): readonly number[] {
  return scoresFrom(play, marksBySeat(play, laid));
}
