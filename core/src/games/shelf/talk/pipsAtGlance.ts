import { turnsOf, type TurnState } from '../../bodies/turns.ts';
import type { Game } from '../../game.ts';
import { seatsIn } from '../../playGame.ts';
import { nothingHidden } from '../../rolled.ts';
import { emptyScene } from '../../scene.ts';
import { namedTotals, onePointTo, scoreCount } from '../../scoring.ts';
import { numberSetting, oneSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { askGlance, fitsTen, glanceAt, partsOf, type GlanceRules, type Parts } from './glances.ts';
import { looks, pipsAtGlanceWords } from './pipsAtGlanceWords.ts';

export interface GlanceLies {
  /** What was shown last, and the draw it came by; null: nothing yet. */
  readonly seen: { readonly parts: Parts; readonly draw: number } | null;
  readonly looked: number;
  readonly points: readonly number[];
}
type State = TurnState & GlanceLies;

const rules = (over: Partial<GlanceRules>): GlanceRules => ({
  ...{ pattern: 'dice', most: 10, forMs: 2000, asks: 'count' },
  ...over,
});

export const pipsAtGlance: Game<GlanceRules, State> = {
  id: 'pips-at-a-glance',
  version: 1,
  family: 'talk',
  seats: { least: 1, most: 4 },
  onScreenAlone: true,
  minutes: 5,
  ...inWords(pipsAtGlanceWords, [
    rules({ most: 6 }),
    rules({ pattern: 'ten' }),
    rules({ pattern: 'ten', forMs: 500 }),
    rules({ pattern: 'scattered', most: 6, forMs: 1500 }),
    rules({ pattern: 'domino', most: 6, forMs: 1500 }),
    rules({ pattern: 'ten', forMs: 1500, asks: 'bond' }),
    rules({ most: 6, forMs: 1500, asks: 'double' }),
    rules({ pattern: 'groups', most: 5 }),
  ]),
  settings: [
    oneSetting('pattern', 'Pips', [
      ['dice', 'like on dice'],
      ['ten', 'in a ten frame'],
      ['scattered', 'scattered'],
      ['domino', 'two domino halves'],
      ['groups', 'in groups'],
    ]),
    numberSetting('most', 'The most, in a half or group', 3, 10),
    oneSetting('forMs', 'Shown for', [
      [500, 'half a second'],
      [1000, 'a second'],
      [1500, 'a second and a half'],
      [2000, 'two seconds'],
    ]),
    oneSetting('asks', 'Asked for', [
      ['count', 'how many'],
      ['bond', 'what is missing to ten'],
      ['double', 'its double'],
    ]),
  ],
  operations: ({ pattern, asks }) => (pattern === 'groups' && asks === 'count' ? ['mul'] : ['add']),
  materials: () => ({
    pack: null,
    dice: [],
    others: ['nothing: the screen shows the pips, and is turned to the children'],
  }),
  ...turnsOf<GlanceRules, GlanceLies>({
    lay: (play) => {
      if (!fitsTen(play.rules))
        throw new RangeError('More than ten may be seen: nothing is missing to ten then.');
      return { seen: null, looked: 0, points: Array<number>(scoreCount(play)).fill(0) };
    },
    opens: () => ({ kind: 'go', says: say('lookNow') }),
    opened: (play, state) => {
      const parts = partsOf(play, state.draws, state.seen?.parts ?? null);
      return {
        ...{ seen: { parts, draw: state.draws }, looked: state.looked + 1, draws: state.draws + 1 },
        says: say('lookHere'),
        next: { ask: [askGlance(play, state.turn, state.draws, parts)] },
      };
    },
    said: (play, state, { by, asked }) => {
      const on = { points: onePointTo(play, state.points, by), says: say('whole', { whole: asked.whole }) };
      return state.looked < looks * seatsIn(play, state).length
        ? { ...on, next: 'pass' }
        : { ...on, next: { over: say('turnsPlayed', { turns: looks }) } };
    },
  }),
  shake: nothingHidden,
  scene: (play, { seen, stage, points }) => ({
    ...emptyScene,
    // What was shown lies there to be counted once something was said of it.
    ...(seen && stage !== 'say' ? { glance: glanceAt(play, seen.draw, seen.parts) } : {}),
    totals: namedTotals(play, points, say('seenRight')),
  }),
  scores: (_play, { points }) => points,
  best: () => null,
};
