import { skillItem } from '../../facts/item.ts';
import { packOf, shuffledIds, type Card, type Recipe } from '../../materials/pack.ts';
import { shuffled } from '../../random/random.ts';
import type { Game, Play } from '../game.ts';
import type { Asked, Claimed } from '../need.ts';
import { emptyScene } from '../scene.ts';
import { chanceOf } from '../playGame.ts';
import { scoresFrom } from '../scoring.ts';
import { say, sentences, type Sentence } from '../tell/sentence.ts';
import { turnsOf, type Step, type TurnState } from './turns.ts';

/** Cards turned onto a pile, which whoever covers it first at the right moment takes. */
export interface WatchRules {
  readonly recipe: Recipe;
  /** Turned at once: two beside each other, or one on the one before. */
  readonly turned: 1 | 2;
}

/** A game in which it is watched for two cards that belong together. */
export interface Watching<R extends WatchRules> {
  /** What is looked for: "Alike?" */
  readonly prompt: (rules: R) => Sentence;
  /** What is said of two cards that belong together. */
  readonly asks: (rules: R, seat: number, two: readonly number[]) => Asked;
  /** What goes on record of whoever covers two that do not; undefined: they do. */
  readonly misses: (rules: R, two: readonly number[]) => Claimed | undefined;
}

interface LaidOut {
  /** Still to be turned, from the top. */
  readonly pile: readonly number[];
  /** Turned onto the pile that is played for, the last on top. */
  readonly lying: readonly number[];
  readonly won: readonly (readonly number[])[];
}
export type WatchState = TurnState & LaidOut;

type Body<R> = Pick<
  Game<R, WatchState>,
  'setUp' | 'need' | 'act' | 'leaves' | 'shake' | 'scene' | 'scores' | 'best' | 'order' | 'materials'
>;

/** Everything of a game of watching but its words, steps and settings. A wrong cover costs a card. */
export function watching<R extends WatchRules>(game: Watching<R>): Body<R> {
  type P = Play<R>;
  const cardsOf = (play: P, ids: readonly number[]): Card[] => {
    const pack = packOf(play.rules.recipe);
    return ids.map((id) => pack[id] as Card);
  };
  /** The two cards that are looked at; fewer while there are none. */
  const seenOf = (play: P, { lying }: Pick<LaidOut, 'lying'>) =>
    cardsOf(play, lying.slice(-2)).map((card) => card.worth);
  const pileOf = ({ rules: { recipe }, seed }: P) =>
    shuffledIds(packOf(recipe), chanceOf({ seed }, { draws: 0 }));
  /** On to the next cards, as long as there are enough. */
  const onward = (play: P, pile: readonly number[], step: Omit<Step<LaidOut>, 'next'>): Step<LaidOut> =>
    ({
      ...step,
      says: step.says,
      next: pile.length >= play.rules.turned ? 'again' : { over: say('packOut') },
    }) as Step<LaidOut>;

  return {
    materials: ({ recipe }) => ({ pack: recipe, dice: [], others: [] }),
    order: (play) => [{ name: say('fromTheTop'), seat: null, cards: cardsOf(play, pileOf(play)) }],
    ...turnsOf<R, LaidOut>({
      turnFollows: true,
      lay: (play) => ({
        draws: 1,
        pile: pileOf(play),
        lying: [],
        won: Array.from({ length: play.seats }, () => []),
      }),
      opens: ({ rules }) => ({ kind: 'go', says: say(rules.turned === 1 ? 'turnCard' : 'turnCards') }),
      opened: (play, state) => {
        const { turned } = play.rules;
        const lying = [...state.lying, ...state.pile.slice(0, turned)];
        const pile = state.pile.slice(turned);
        const lies = { lying, pile, draws: state.draws + 1, says: say('turned') };
        // One card alone is nothing to watch.
        if (lying.length < 2) return onward(play, pile, lies);
        const shown = game.prompt(play.rules);
        return { ...lies, next: { claim: { item: skillItem('cmp'), shown, answer: '', whole: shown } } };
      },
      misses: (play, state) => game.misses(play.rules, seenOf(play, state)),
      unclaimed: (play, state) => onward(play, state.pile, { says: say('liesThere') }),
      claimedBy: (play, state, seat) => {
        const two = seenOf(play, state);
        const asked = { ...game.asks(play.rules, seat, two), untimed: true as const };
        if (!game.misses(play.rules, two)) return { says: state.says, next: { ask: [asked] } };
        // Covered for nothing: a card of one's own goes under the pile.
        const [lost] = state.won[seat] ?? [];
        const won = state.won.map((ids, at) => (at === seat ? ids.slice(1) : ids));
        const lying = lost === undefined ? state.lying : [lost, ...state.lying];
        return onward(play, state.pile, { won, lying, says: say('coveredWrongly', { seat }) });
      },
      said: (play, state, { by, asked: { whole } }) => {
        if (by === null)
          return onward(play, state.pile, { says: sentences(say('whole', { whole }), say('liesThere')) });
        const won = state.won.map((ids, seat) => (seat === by ? [...ids, ...state.lying] : ids));
        const says = sentences(
          say('whole', { whole }),
          say('takes', { seat: by, count: state.lying.length }),
        );
        return onward(play, state.pile, { won, lying: [], turn: by, says });
      },
      leaves: (play, state) =>
        state.asking && state.out.includes(state.asking.asked.seat)
          ? onward(play, state.pile, { says: say('liesThere') })
          : null,
    }),
    shake: (_play, state, random) => ({ ...state, pile: shuffled(state.pile, random) }),
    scene: (play, state) => ({
      ...emptyScene,
      rows: [{ name: say('open'), seat: null, cards: cardsOf(play, state.lying.slice(-2)) }],
      totals: state.won.map((ids, seat) => ({
        name: say('seat', { seat }),
        value: ids.length,
        pile: true,
      })),
    }),
    scores: (play, state) =>
      scoresFrom(
        play,
        state.won.map((ids) => ids.length),
      ),
    best: () => null,
  };
}
