import { numberRecipe, packOf, shuffledIds, type Card } from '../../../materials/pack.ts';
import { groupsIn } from '../../../numbers/groupsOf.ts';
import { choosing, type ChoosingState } from '../../bodies/choosing.ts';
import type { Game, Play } from '../../game.ts';
import { chanceOf } from '../../playGame.ts';
import { emptyScene } from '../../scene.ts';
import { namedTotals, scoreCount, scoreOf } from '../../scoring.ts';
import { numberSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { closeTheGapsWords } from './closeTheGapsWords.ts';
import { coverable, coverPlaces, gapsWon, ten, tensTogether, type GapsRules, fourTens } from './gapsTable.ts';
import { group } from './handfulDice.ts';

export interface GapsLies {
  readonly open: readonly number[];
  readonly pile: readonly number[];
  readonly gone: readonly number[];
  readonly laid: readonly number[];
}
type State = ChoosingState & GapsLies;
type P = Play<GapsRules>;

const tens = { '10': ten, J: ten, Q: ten, K: ten } as const;
const rules = (spaces: number): GapsRules => {
  const nine = numberRecipe(1, 9);
  return { recipe: { ...nine, worths: { ...nine.worths, ...tens } }, spaces };
};

export const closeTheGaps: Game<GapsRules, State> = {
  id: 'close-the-gaps',
  version: 1,
  family: 'partners',
  seats: { least: 1, most: 4 },
  minutes: 8,
  ...inWords(closeTheGapsWords, [rules(12), rules(9)]),
  settings: [numberSetting('spaces', 'Spaces', 6, 15)],
  operations: () => ['add'],
  materials: ({ recipe, spaces }) => ({ pack: recipe, dice: [], others: [`${spaces} cards open in rows`] }),
  order: (play) => [
    { name: say('fromTheTop'), seat: null, cards: dealt(play).map((id) => cardOf(play, id)) },
  ],
  comesOut: gapsWon,
  ...choosing<GapsRules, GapsLies>({
    lay: (play) => {
      const ids = dealt(play);
      return {
        open: ids.slice(0, play.rules.spaces),
        pile: ids.slice(play.rules.spaces),
        gone: [],
        laid: Array<number>(scoreCount(play)).fill(0),
        draws: 1,
      };
    },
    opens: (play, { open, pile }) => ({
      kind: 'none',
      next:
        pile.length === 0
          ? { over: say('gapsWon') }
          : coverable(worthsOf(play, open)).length === 0
            ? { over: say('gapsStuck', { left: pile.length }) }
            : 'choose',
    }),
    asksWhich: (_play, { turn, pile }) => say('coverWhich', { seat: turn, left: pile.length }),
    by: () => ({
      kind: 'cards',
      least: 2,
      most: tensTogether,
      done: say('makesTen'),
      hint: say('pickCards'),
    }),
    options: (play, { open, turn }) => {
      const worths = worthsOf(play, open);
      const idsOf = (places: readonly number[]) => places.map((place) => open[place] as number);
      return [
        ...groupsIn(worths, 2, 2).map((places) => ({ ...group(turn, worths, places), cards: idsOf(places) })),
        ...fourTens(turn, worths, idsOf),
      ];
    },
    none: (_play, state) => ({ says: state.says, next: 'pass' }),
    fails: (_play, _state, { claim }) => ({
      says: say('notTen', { shown: claim?.shown ?? '' }),
      next: 'pass',
    }),
    takes: (play, state, { cards = [] }, { by, whole }) => {
      const places = cards.map((id) => state.open.indexOf(id));
      const { open, pile } = coverPlaces(state.open, state.pile, places);
      const own = scoreOf(play, by);
      const more = state.pile.length - pile.length;
      return {
        open,
        pile,
        gone: [...state.gone, ...cards],
        laid: state.laid.map((count, at) => (at === own ? count + more : count)),
        says: say('whole', { whole }),
        next: 'pass',
      };
    },
    unsaid: (_play, _state, _option, whole) => ({ says: say('whole', { whole }), next: 'pass' }),
  }),
  scene: (play, { open, laid }) => ({
    ...emptyScene,
    rows: [
      {
        name: say('gapsOpen'),
        seat: null,
        cards: open.map((id) => {
          const { rank, colour, worth } = cardOf(play, id);
          return { id, rank, colour, worth };
        }),
      },
    ],
    totals: namedTotals(play, laid, say('covered')),
  }),
  scores: (_play, { laid }) => laid,
  best: (play, { stage, open, turn }) => {
    if (stage !== 'choose') return null;
    const [places] = coverable(worthsOf(play, open));
    if (!places) return null;
    const worths = places.map((place) => worthsOf(play, open)[place] as number);
    const line = `${worths.join(' + ')} = ${worths.reduce((sum, one) => sum + one, 0)}`;
    return {
      says: say('asWritten', { text: line }),
      worked: [],
      move: { kind: 'choose', seat: turn, key: [...places].sort((a, b) => a - b).join(' ') },
    };
  },
};

const dealt = (play: P) => shuffledIds(packOf(play.rules.recipe), chanceOf(play, { draws: 0 }));
const cardOf = (play: P, id: number) => packOf(play.rules.recipe)[id] as Card;
const worthsOf = (play: P, ids: readonly number[]) => ids.map((id) => cardOf(play, id).worth);
