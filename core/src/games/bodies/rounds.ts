import { shuffledIds, type Card, type Recipe } from '../../materials/pack.ts';
import type { BestMove, Game, Play } from '../game.ts';
import type { ChoiceBy } from '../need.ts';
import { emptyScene } from '../scene.ts';
import { packedWith, packInPlay } from '../ownPacks.ts';
import { chanceOf, seatsIn } from '../playGame.ts';
import { namedTotals, scoreCount } from '../scoring.ts';
import { say, type Sentence, type Words } from '../tell/sentence.ts';
import { choosing, type ChoosingState, type Option } from './choosing.ts';
import { dealAgain, roundRows, type Round } from './dealing.ts';
import type { Step } from './turns.ts';

/** What a seat had and laid of it, when all have laid. */
export interface LaidBy {
  readonly seat: number;
  readonly digits: readonly number[];
  /** The key of what it laid; null: it left before. */
  readonly key: string | null;
}

/** What a round comes to. */
export interface Settled {
  /** Seats that take the point of it against one another. */
  readonly nearest: readonly number[];
  /** Seats that found the best there was: a point each where they play together. */
  readonly found: readonly number[];
  readonly says: Sentence;
}

/** A game of rounds in which each seat is dealt cards and lays its own; what it comes to is said, and then settled. */
export interface RoundsGame<R> {
  readonly recipe: Recipe;
  readonly rounds: number;
  readonly handSize: (rules: R) => number;
  readonly by: (rules: R) => ChoiceBy;
  /** A number that all look at, beside the cards of a round; null: none. */
  readonly called: (play: Play<R>, round: number) => number | null;
  readonly asksWhich: (rules: R, seat: number, called: number | null) => Words;
  /** Everything that may be laid of some digits, with what is said of it. */
  readonly options: (
    rules: R,
    digits: readonly number[],
    seat: number,
    called: number | null,
  ) => readonly Option[];
  /** What is told of something laid of which nothing is said. */
  readonly laidUnsaid: Sentence;
  readonly settle: (rules: R, laid: readonly LaidBy[], called: number | null) => Settled;
  /** The best that may be laid, by its key. */
  readonly best: (
    rules: R,
    digits: readonly number[],
    called: number | null,
  ) => Omit<BestMove, 'move'> & { readonly key: string };
  /** Throws RangeError for a pack of one's own that cannot be laid. */
  readonly mindsCards?: (cards: readonly Card[]) => void;
}

export interface RoundLies {
  readonly pile: readonly number[];
  readonly gone: readonly number[];
  readonly hands: readonly (readonly number[])[];
  /** What each seat laid, by its key. */
  readonly laid: readonly (string | null)[];
  readonly round: number;
  readonly points: readonly number[];
}
export type RoundState = ChoosingState & RoundLies;

type Body<R> = Pick<
  Game<R, RoundState>,
  'setUp' | 'need' | 'act' | 'leaves' | 'scene' | 'scores' | 'best' | 'order'
>;

/** Everything of a game of rounds but its words, steps and settings. */
export function inRounds<R extends object>(game: RoundsGame<R>): Body<R> {
  type P = Play<R>;
  const { recipe, rounds } = game;
  const packed = (play: P) => packedWith(play, recipe);
  const cardOf = (play: P, id: number) => packInPlay(packed(play))[id] as Card;
  const worthsOf = (play: P, { hands }: RoundLies, seat: number) =>
    (hands[seat] ?? []).map((id) => cardOf(play, id).worth);
  const shuffledPile = (play: P) => {
    const cards = packInPlay(packed(play));
    game.mindsCards?.(cards);
    return shuffledIds(cards, chanceOf(play, { draws: 0 }));
  };
  /** A round: new hands, and nothing laid yet. */
  const dealt = (play: P, state: Round & { readonly round: number }) => ({
    ...dealAgain(packed(play), state, game.handSize(play.rules)),
    laid: Array<null>(play.seats).fill(null),
    round: state.round + 1,
    says: say('round', { round: state.round + 1 }),
  });
  /** The first seat still to lay; undefined when all have. */
  const toLay = (play: P, state: RoundState) =>
    seatsIn(play, state).find((seat) => (state.laid[seat] ?? null) === null);

  /** The next seat to lay; else points: to the nearest, or together one for each that found the best there was. */
  const onward = (play: P, state: RoundState, change: Partial<RoundLies>, says: Words): Step<RoundLies> => {
    const turn = toLay(play, state);
    if (turn !== undefined) return { ...change, turn, says, next: 'choose' };
    const laid = seatsIn(play, state).map((seat) => ({
      seat,
      digits: worthsOf(play, state, seat),
      key: state.laid[seat] ?? null,
    }));
    const settled = game.settle(play.rules, laid, game.called(play, state.round));
    const points = play.against
      ? state.points.map((count, seat) => (settled.nearest.includes(seat) ? count + 1 : count))
      : [(state.points[0] ?? 0) + settled.found.length];
    return { ...change, points, says: settled.says, next: 'again' };
  };
  /** What a seat laid lies there; the next seat lays, or the round is settled. */
  const lies = (play: P, state: RoundState, { key }: Option, says: Sentence) => {
    const laid = state.laid.map((one, seat) => (seat === state.turn ? key : one));
    return onward(play, { ...state, laid }, { laid }, says);
  };

  return {
    order: (play) => roundRows(packed(play), shuffledPile(play), game.handSize(play.rules), rounds),
    ...choosing<R, RoundLies>({
      lay: (play) => {
        const none = { pile: shuffledPile(play), draws: 1, out: [], gone: [], hands: [], round: 0 };
        return { ...dealt(play, none), points: Array<number>(scoreCount(play)).fill(0) };
      },
      opens: (play, state) =>
        toLay(play, state) === undefined
          ? { kind: 'go', says: say('dealNext') }
          : { kind: 'none', next: 'choose' },
      opened: (play, state) =>
        state.round >= rounds
          ? { says: state.says, next: { over: say('roundsPlayed', { rounds }) } }
          : { ...dealt(play, state), turn: seatsIn(play, state)[0] ?? 0, next: 'choose' },
      asksWhich: (play, { turn, round }) => game.asksWhich(play.rules, turn, game.called(play, round)),
      by: game.by,
      options: (play, state) =>
        game.options(
          play.rules,
          worthsOf(play, state, state.turn),
          state.turn,
          game.called(play, state.round),
        ),
      none: (_play, state) => ({ says: state.says, next: 'stay' }),
      takes: (play, state, option, { whole }) =>
        lies(play, state, option, whole === '' ? game.laidUnsaid : say('whole', { whole })),
      // It lies there all the same; what it comes to is shown.
      unsaid: (play, state, option, whole) => lies(play, state, option, say('whole', { whole })),
      leaves: (play, state, seat) => {
        const its = state.chooser === seat || state.asking?.asked.seat === seat;
        return state.stage === 'open' || (state.stage === 'say' && !its)
          ? { says: state.says, next: 'stay' }
          : onward(play, state, {}, state.says);
      },
    }),
    scene: (play, state) => ({
      ...emptyScene,
      rows: state.hands.map((hand, seat) => ({
        name: say('seat', { seat }),
        seat,
        cards: hand.map((id) => cardOf(play, id)),
      })),
      totals: namedTotals(play, state.points, say('together')),
      target: game.called(play, state.round),
    }),
    scores: (_play, state) => state.points,
    best: (play, state) => {
      if (state.stage !== 'choose') return null;
      const { key, ...best } = game.best(
        play.rules,
        worthsOf(play, state, state.turn),
        game.called(play, state.round),
      );
      return { ...best, move: { kind: 'choose', seat: state.turn, key } };
    },
  };
}
