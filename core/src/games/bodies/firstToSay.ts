import type { Operation } from '../../facts/operation.ts';
import type { DieSides } from '../../materials/dice.ts';
import { deckOf, packOf, shuffledIds, type Card, type Recipe } from '../../materials/pack.ts';
import { shuffled } from '../../random/random.ts';
import type { Game, Play } from '../game.ts';
import type { Asked } from '../need.ts';
import { emptyScene } from '../scene.ts';
import { chanceOf, seatsIn } from '../playGame.ts';
import { scoresFrom } from '../scoring.ts';
import { say, sentences, type Sentence } from '../tell/sentence.ts';
import { turnsOf, type Step, type TurnState } from './turns.ts';

/** What is turned or rolled together, and what it asks: the first to say it takes what lies there. */
export interface FirstToSayRules {
  /** Cards turned together; null: dice are rolled. */
  readonly recipe: Recipe | null;
  readonly dice: readonly DieSides[];
  readonly cards: number;
  /** The operation; the first of several where a signal changes it. */
  readonly operations: readonly Operation[];
  /** Who gives the signal; null: there is none. */
  readonly signal: 'table' | 'child' | null;
}

/** A game of this body: what lies open asks. */
export interface FirstToSay {
  readonly asks: (seat: number, operation: Operation, open: readonly number[]) => Asked;
}

interface LaidOut {
  /** Cards still to be turned, from the top; empty with dice. */
  readonly pile: readonly number[];
  /** What lies open now: worths. */
  readonly open: readonly number[];
  readonly openIds: readonly number[];
  /** What is won with the next right fact, besides what is open: cards, or rolls. */
  readonly lying: number;
  readonly rolls: number;
  readonly won: readonly number[];
  readonly operation: Operation;
}
export type FirstToSayState = TurnState & LaidOut;

/** Rolls of a game with dice. */
export const rollsPlayed = 20;
/** Between two signals, ms, at random. */
const signalAfterMs = [20_000, 40_000] as const;

type Body = Pick<
  Game<FirstToSayRules, FirstToSayState>,
  | 'setUp'
  | 'need'
  | 'act'
  | 'leaves'
  | 'shake'
  | 'scene'
  | 'scores'
  | 'best'
  | 'order'
  | 'materials'
  | 'operations'
  | 'draw'
>;

/** Everything of a game in which the first to say it takes what lies there, but its words and steps. */
export function firstToSay({ asks }: FirstToSay): Body {
  const asked = (state: FirstToSayState, seat: number) => asks(seat, state.operation, state.open);
  return {
    operations: ({ operations }) => operations,
    draw: ({ recipe, dice, cards, operations: [operation], signal }) => {
      if (operation === undefined || signal !== null) return null;
      if (recipe) return cards === 2 ? { kind: 'pairs', operation, deck: deckOf(packOf(recipe)) } : null;
      const [one, other, ...more] = dice;
      return one !== undefined && other !== undefined && more.length === 0
        ? { kind: 'dice', operation, dice: [one, other] }
        : null;
    },
    materials: (rules) => ({ pack: rules.recipe, dice: rules.dice, others: [] }),
    order: ({ rules, seed }) =>
      rules.recipe
        ? [{ name: say('fromTheTop'), seat: null, cards: cardsOf(rules.recipe, pileOf(rules.recipe, seed)) }]
        : [],
    ...turnsOf<FirstToSayRules, LaidOut>({
      turnFollows: true,
      lay: ({ rules: { recipe, operations }, seats, seed }) => ({
        draws: 1,
        pile: recipe ? pileOf(recipe, seed) : [],
        open: [],
        openIds: [],
        lying: 0,
        rolls: 0,
        won: Array<number>(seats).fill(0),
        operation: operations[0] as Operation,
      }),
      opens: ({ rules }) =>
        rules.recipe ? { kind: 'go', says: say('turnCards') } : { kind: 'roll', dice: rules.dice },
      opened: (play, state, shown) => {
        const { recipe, cards } = play.rules;
        const ids = recipe ? state.pile.slice(0, cards) : [];
        const open = recipe ? cardsOf(recipe, ids).map((card) => card.worth) : shown;
        const turned = {
          pile: state.pile.slice(ids.length),
          openIds: ids,
          open,
          rolls: state.rolls + (recipe ? 0 : 1),
          ...(recipe ? { draws: state.draws + 1 } : {}),
          says: say('turned'),
        };
        // Alone there is nobody to be first against.
        const [first = 0, ...others] = seatsIn(play, state);
        const { seat: _, ...claim } = asked({ ...state, open }, first);
        return others.length === 0
          ? { ...turned, next: { ask: [{ ...claim, seat: first }] } }
          : { ...turned, next: { claim } };
      },
      unclaimed: (play, state) => letLie(play, state),
      said: (play, state, { by, asked: { whole } }) => {
        if (by === null) return letLie(play, state, say('whole', { whole }));
        const taken = state.lying + openCount(play, state);
        const won = state.won.map((count, seat) => (seat === by ? count + taken : count));
        const says = sentences(say('whole', { whole }), say('takes', { seat: by, count: taken }));
        return ended(play, { ...state, lying: 0 }, { won, open: [], openIds: [], turn: by, says });
      },
      // What lies open is asked with the new sign from now on.
      signalled: (state, { operation }) => {
        const { seat: _, ...claim } = asks(0, operation, state.open);
        return { ...state, operation, claimed: state.claimed && claim, says: say('freeze') };
      },
      leaves: (play, state) =>
        state.asking && state.out.includes(state.asking.asked.seat) ? letLie(play, state) : null,
    }),
    shake: (_play, state, random) => ({ ...state, pile: shuffled(state.pile, random) }),
    scene: ({ rules: { recipe } }, state) => ({
      ...emptyScene,
      rows: recipe ? [{ name: say('open'), seat: null, cards: cardsOf(recipe, state.openIds) }] : [],
      dice: recipe ? [] : state.open,
      totals: state.won.map((value, seat) => ({
        name: say('seat', { seat }),
        value,
        pile: recipe !== null,
      })),
    }),
    scores: (play, state) => scoresFrom(play, state.won),
    best: () => null,
  };
}

const pileOf = (recipe: Recipe, seed: number) =>
  shuffledIds(packOf(recipe), chanceOf({ seed }, { draws: 0 }));

function cardsOf(recipe: Recipe, ids: readonly number[]): Card[] {
  const pack = packOf(recipe);
  return ids.map((id) => pack[id] as Card);
}

const openCount = ({ rules }: Play<FirstToSayRules>, { openIds }: LaidOut) =>
  rules.recipe ? openIds.length : 1;

/** What is open stays for the next winner; `shown` is the whole fact where nobody could say it. */
function letLie(play: Play<FirstToSayRules>, state: FirstToSayState, shown?: Sentence): Step<LaidOut> {
  const says = sentences(shown ?? [], say('liesThere'));
  return ended(
    play,
    { ...state, lying: state.lying + openCount(play, state) },
    { open: [], openIds: [], says },
  );
}

function ended(
  { rules: { recipe, cards } }: Play<FirstToSayRules>,
  { lying, pile, rolls }: FirstToSayState,
  step: Omit<Step<LaidOut>, 'next'> & Pick<Step<LaidOut>, 'says'>,
): Step<LaidOut> {
  if (!recipe) return { ...step, lying, next: rolls < rollsPlayed ? 'again' : { over: say('allRolled') } };
  if (pile.length >= cards) return { ...step, lying, next: 'again' };
  // Too few left to turn: they lie there with the rest.
  return { ...step, lying: lying + pile.length, pile: [], next: { over: say('packOut') } };
}

/** When the next signal comes, ms from the last, and which operation it is for: another than now. */
export function nextSignal(
  play: Play<FirstToSayRules>,
  state: FirstToSayState,
): { readonly afterMs: number; readonly operation: Operation } | null {
  const others = play.rules.operations.filter((one) => one !== state.operation);
  if (play.rules.signal === null || others.length === 0) return null;
  const random = chanceOf({ seed: play.seed + 1 }, state);
  return {
    afterMs: random.int(...signalAfterMs),
    operation: others[random.int(0, others.length - 1)] as Operation,
  };
}
