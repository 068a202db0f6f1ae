import { faceDown } from '../faceDown.ts';
import { packOf, shuffledIds, type Card, type Recipe } from '../../materials/pack.ts';
import { compareFractions, type Fraction } from '../../numbers/fraction.ts';
import { shuffled } from '../../random/random.ts';
import type { Game, Play } from '../game.ts';
import type { Asked } from '../need.ts';
import type { Part } from '../../numbers/part.ts';
import { emptyScene, type SceneCard } from '../scene.ts';
import { packInPlay, packOfSeat } from '../ownPacks.ts';
import { chanceOf, seatsIn } from '../playGame.ts';
import { say, sentences, type Sentence, type Words } from '../tell/sentence.ts';
import { turnsOf, type Change, type Step, type TurnState } from './turns.ts';

/** What every game of this body sets: each turns so many cards, and the larger (or smaller) result takes what lies there. */
export interface CompareRules {
  readonly recipe: Recipe;
  /** Cards turned at once. */
  readonly cards: number;
  readonly smaller: boolean;
}

export interface CompareGame<R extends CompareRules> {
  /** What a seat says of its own cards; null: all cards are only compared, which `compares` asks. */
  readonly asks: (rules: R, seat: number, worths: readonly number[]) => Asked | null;
  readonly compares: (rules: R, seat: number, all: readonly (readonly number[])[]) => Asked;
  /** What cards come to, for comparing. */
  readonly value: (rules: R, worths: readonly number[]) => Fraction;
  /** When each has said its own, which of them is largest is asked too, and what they were is shown as parts of wholes. */
  readonly asParts?: (rules: R, worths: readonly number[]) => Part;
  /** Whether cards may be played; those that may not go under the stack, and the next are turned. Left out: all may. */
  readonly fits?: (rules: R, worths: readonly number[]) => boolean;
}

interface LaidOut {
  /** Face down, from the top: each hand's own stack. */
  readonly stacks: readonly (readonly number[])[];
  /** Turned by each hand this turn. */
  readonly turned: readonly (readonly number[])[];
  /** Lying under, for whoever wins. */
  readonly stake: readonly number[];
  readonly won: readonly (readonly number[])[];
  /** Hands whose fact is still to be said this turn. */
  readonly toSay: readonly number[];
  /** Which is the largest is asked, after each has said its own. */
  readonly comparing?: boolean;
  /** What was compared last, by hand. */
  readonly compared?: readonly (readonly number[])[];
}
export type CompareState = TurnState & LaidOut;

const layDown = 3;

type Body<R> = Pick<
  Game<R, CompareState>,
  'setUp' | 'need' | 'act' | 'leaves' | 'shake' | 'scene' | 'scores' | 'best' | 'order' | 'materials'
>;

/** Everything of a game in which stacks are turned and compared, but its words and steps. */
export function compare<R extends CompareRules>(game: CompareGame<R>): Body<R> {
  type P = Play<R>;
  const worths = (play: P, ids: readonly number[]) => cardsOf(play, ids).map((card) => card.worth);
  const able = (play: P, stacks: LaidOut['stacks'], state: CompareState, cards: number) =>
    handsIn(play, state).every((hand) => (stacks[hand] as readonly number[]).length >= cards);

  /** The first cards of a stack that may be played, and the stack without them, what was passed over beneath it; null: none may. */
  const turnOff = (play: P, stack: readonly number[]) => {
    const { rules } = play;
    for (let from = 0; from + rules.cards <= stack.length; from += rules.cards) {
      const off = stack.slice(from, from + rules.cards);
      if (!game.fits || game.fits(rules, worths(play, off)))
        return { off, left: [...stack.slice(from + rules.cards), ...stack.slice(0, from)], passed: from > 0 };
    }
    return null;
  };

  /** Asks the next hand for its fact; when all have said theirs, the turn is settled. */
  const goOn = (play: P, state: CompareState, step: Change<LaidOut>): Step<LaidOut> => {
    const [hand, ...toSay] = step.toSay ?? state.toSay;
    const lies = { ...state, ...step };
    if (hand === undefined) {
      if (!game.asParts || lies.comparing) return settle(play, lies, step);
      const all = handsIn(play, state).map((one) => worths(play, lies.turned[one] ?? []));
      return {
        ...step,
        comparing: true,
        toSay: [],
        next: { ask: [game.compares(play.rules, state.turn, all)] },
      };
    }
    const asked = game.asks(play.rules, seatOf(play, hand), worths(play, lies.turned[hand] ?? []));
    return { ...step, toSay, next: { ask: [asked as Asked] } };
  };

  /** The larger (or smaller) result takes what lies there; alike, each lays three down and turns again. */
  const settle = (play: P, state: CompareState, step: Change<LaidOut>): Step<LaidOut> => {
    const hands = handsIn(play, state);
    const [best, second] = hands
      .map((hand) => ({ hand, value: game.value(play.rules, worths(play, state.turned[hand] ?? [])) }))
      .sort((a, b) => (play.rules.smaller ? 1 : -1) * compareFractions(a.value, b.value));
    const lying = [...state.stake, ...state.turned.flat()];
    const cleared = {
      ...step,
      turned: none(handsOf(play)),
      toSay: [],
      ...(game.asParts
        ? { comparing: false, compared: state.turned.map((cards) => worths(play, cards)) }
        : {}),
    };
    if (best && second && compareFractions(best.value, second.value) !== 0) {
      const won = state.won.map((cards, hand) => (hand === best.hand ? [...cards, ...lying] : cards));
      const taken = {
        ...cleared,
        won,
        stake: [],
        turn: seatOf(play, best.hand),
        says: after(step, say('handTakes', { hand: best.hand, seats: play.seats, cards: lying.length })),
      };
      return able(play, state.stacks, state, play.rules.cards)
        ? { ...taken, next: 'again' }
        : finish(play, { ...state, ...taken }, taken);
    }
    if (!able(play, state.stacks, state, layDown + play.rules.cards))
      return finish(play, { ...state, stake: lying }, { ...cleared, says: after(step, say('alikeTooFew')) });
    const stacks = state.stacks.map((stack, hand) => (hands.includes(hand) ? stack.slice(layDown) : stack));
    const laid = hands.flatMap((hand) => (state.stacks[hand] as readonly number[]).slice(0, layDown));
    return { ...cleared, stacks, stake: [...lying, ...laid], says: after(step, say('alike')), next: 'again' };
  };

  /** What was compared, drawn until the next cards are turned: before, it would tell. */
  const partsOf = ({ rules, seats }: P, { compared, turned }: CompareState) => {
    const { asParts } = game;
    if (!asParts || !compared || turned.flat().length > 0) return {};
    // Of a seat that has left nothing was compared.
    const parts = compared.flatMap((cards, hand) =>
      cards.length > 0 ? [{ ...asParts(rules, cards), seat: hand < seats ? hand : null }] : [],
    );
    return { parts };
  };

  return {
    materials: ({ recipe }) => ({ pack: recipe, dice: [], others: [] }),
    order: (play) =>
      layOut(play).stacks.map((stack, hand) => ({
        name: say('stackOf', { hand, seats: play.seats }),
        seat: hand < play.seats ? hand : null,
        cards: faces(play, stack),
      })),
    ...turnsOf<R, LaidOut>({
      turnFollows: true,
      lay: layOut,
      opens: () => ({ kind: 'go', says: say('turnCards') }),
      opened: (play, state) => {
        const hands = handsIn(play, state);
        // Of a seat that has left nothing lies here any more.
        const turns = state.stacks.map((stack) => turnOff(play, stack));
        if (hands.some((hand) => turns[hand] === null)) return finish(play, state, { says: state.says });
        const turned = turns.map((one) => one?.off ?? []);
        const lies = {
          turned,
          stacks: state.stacks.map((stack, hand) => turns[hand]?.left ?? stack),
          says: say(turns.some((one) => one?.passed) ? 'turnedAgain' : 'turned'),
        };
        const own = hands.map((hand) => worths(play, turned[hand] ?? []));
        if (game.asks(play.rules, state.turn, own[0] ?? []) !== null)
          return goOn(play, state, { ...lies, toSay: hands });
        return { ...lies, next: { ask: [game.compares(play.rules, state.turn, own)] } };
      },
      said: (play, state, { asked: { whole } }) => goOn(play, state, { says: say('whole', { whole }) }),
      // Its cards stay in the game for whoever wins next.
      leaves: (play, state, seat) => {
        const stake = [...state.stake, ...(state.stacks[seat] ?? []), ...(state.turned[seat] ?? [])];
        const without = (piles: LaidOut['stacks']) => piles.map((pile, hand) => (hand === seat ? [] : pile));
        const toSay = state.toSay.filter((hand) => hand !== seat);
        const gone = { stake, stacks: without(state.stacks), turned: without(state.turned), toSay };
        const step = { ...gone, says: state.says };
        if (seatsIn(play, state).length === 1)
          return { ...step, toSay: [], next: { over: say('oneSeatLeft') } };
        // Which is largest is asked anew, without its cards.
        if (state.comparing) return goOn(play, { ...state, ...gone }, { ...step, comparing: false });
        if (state.asking?.asked.seat === seat) return goOn(play, { ...state, ...gone }, step);
        return { ...step, next: state.stage === 'open' ? 'again' : 'stay' };
      },
    }),
    shake: (_play, state, random) => ({
      ...state,
      stacks: state.stacks.map((stack) => shuffled(stack, random)),
    }),
    scene: (play, state) => ({
      ...emptyScene,
      rows: Array.from({ length: handsOf(play) }, (_, hand) => ({
        name: say('hand', { hand, seats: play.seats }),
        seat: hand < play.seats ? hand : null,
        // Turned when its seat is to say it: who sees their cards while another speaks has begun before the clock.
        cards: faces(play, state.turned[hand] ?? []).map((card) =>
          state.toSay.includes(hand) ? faceDown(card) : card,
        ),
      })),
      totals: state.won.map((cards, hand) => ({
        name: say('hand', { hand, seats: play.seats }),
        value: cards.length,
        pile: true,
      })),
      ...partsOf(play, state),
    }),
    scores: (play, state) => state.won.slice(0, play.seats).map((cards) => cards.length),
    best: () => null,
  };
}

/** What was said, and what it came to. */
const after = ({ says }: Change<LaidOut>, came: Sentence): Words =>
  typeof says === 'string' ? came : sentences(says, came);

/** Alone, the pack has a hand of its own, whose facts the player says too. */
const handsOf = (play: Pick<Play<unknown>, 'seats'>): number => Math.max(2, play.seats);
const handsIn = (play: Play<unknown>, state: CompareState): number[] =>
  play.seats === 1 ? [0, 1] : seatsIn(play, state);
const seatOf = (play: Pick<Play<unknown>, 'seats'>, hand: number): number => Math.min(hand, play.seats - 1);
const none = (hands: number): readonly number[][] => Array.from({ length: hands }, () => []);

function cardsOf(play: Play<CompareRules>, ids: readonly number[]): Card[] {
  const pack = packInPlay(play, handsOf(play));
  return ids.map((id) => pack[id] as Card);
}
const faces = (play: Play<CompareRules>, ids: readonly number[]): SceneCard[] =>
  cardsOf(play, ids).map(({ id, rank, colour, worth }) => ({ id, rank, colour, worth }));

/** The pack dealt out; or each hand's own, shuffled, all as long as the shortest. */
function layOut(play: Play<CompareRules>) {
  const hands = handsOf(play);
  const empty = { turned: none(hands), won: none(hands), toSay: [] };
  if (play.packs) {
    const own = Array.from({ length: hands }, (_, hand) =>
      shuffledIds(packOfSeat(play, hand), chanceOf(play, { draws: hand })),
    );
    const least = Math.min(...own.map((ids) => ids.length));
    return {
      ...empty,
      draws: hands,
      says: say('ownPacks'),
      stacks: own.map((ids) => ids.slice(0, least)),
      stake: [],
    };
  }
  const ids = shuffledIds(packOf(play.rules.recipe), chanceOf(play, { draws: 0 }));
  const each = Math.floor(ids.length / hands);
  return {
    ...empty,
    draws: 1,
    says: say('dealtOut'),
    stacks: none(hands).map((_, hand) => ids.slice(hand * each, (hand + 1) * each)),
    // What cannot be dealt evenly goes to the first winner.
    stake: ids.slice(each * hands),
  };
}

/** The cards that still lie there are shared, one each in turn; the rest of the stacks stay with their hands. */
function finish(play: Play<unknown>, state: CompareState, step: Change<LaidOut>): Step<LaidOut> {
  const hands = handsIn(play, state);
  const share = (hand: number) => state.stake.filter((_, at) => hands[at % hands.length] === hand);
  const won = state.won.map((cards, hand) => [...cards, ...(state.stacks[hand] ?? []), ...share(hand)]);
  return {
    ...step,
    won,
    stacks: none(handsOf(play)),
    stake: [],
    toSay: [],
    next: { over: say('packOut') },
  };
}
