import type { DieSides } from '../../../materials/dice.ts';
import { packOf, type Card, type Recipe } from '../../../materials/pack.ts';
import type { LineAsk } from '../../../numbers/checkLine.ts';
import type { Sign } from '../../../numbers/expression.ts';
import type { TurnState } from '../../bodies/turns.ts';
import type { Play } from '../../game.ts';
import { nextSeat, seatsIn } from '../../playGame.ts';
import { numberSetting, oneSetting, packSetting, signsSetting, type Setting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';

export interface SpendRules {
  readonly recipe: Recipe;
  /** Open cards of each. */
  readonly hand: number;
  /** The target is what these show together. */
  readonly dice: readonly DieSides[];
  readonly signs: readonly Sign[];
  /** The most cards of a line. */
  readonly most: number;
  /** The most that a power or a factorial may come to; null, or left out by plays of before: there are none. */
  readonly cap?: number | null;
}

export const spendSettings: readonly Setting[] = [
  packSetting(1),
  numberSetting('hand', 'Open cards of each', 3, 7),
  numberSetting('most', 'The most cards of a line', 1, 7),
  oneSetting('dice', 'Rolled', [
    [[6], 'a die'],
    [[6, 6], 'two dice, together'],
    [[10, 10], 'two ten-sided dice, together'],
    [[20], 'a twenty-sided die'],
  ]),
  signsSetting(),
  oneSetting('cap', 'Powers and factorials', [
    [null, 'not used'],
    [100, 'to 100 at most'],
    [1000, 'to 1 000 at most'],
  ]),
];

export interface SpendLies {
  readonly pile: readonly number[];
  readonly hands: readonly (readonly number[])[];
  readonly spent: readonly (readonly number[])[];
  /** What is to be made; null: it is still to be rolled. */
  readonly target: number | null;
  /** Seats that made nothing of this target, in turn. */
  readonly gaveUp: readonly number[];
  /** Whether the seat at turn has laid a line to this target. */
  readonly laid: boolean;
}
export type SpendState = TurnState & SpendLies;
type P = Play<SpendRules>;

export const cardOf = (play: P, id: number) => packOf(play.rules.recipe)[id] as Card;

export function askOf(play: P, { hands, target, turn }: SpendState) {
  const { signs, most, cap = null } = play.rules;
  const numbers = (hands[turn] ?? []).map((id) => cardOf(play, id).worth);
  return {
    numbers,
    target: target ?? 0,
    signs,
    least: 1,
    most,
    ...(cap === null ? {} : { cap }),
  } satisfies LineAsk;
}

/**
 * Whose hands lie there: of two all; of more, while a line is made, that of the seat at turn, and on a screen of one's own one's own.
 * Twenty cards beside a line leave neither any room on a tablet.
 */
export const seatsShown = (play: P, { stage, turn }: SpendState, from: number | undefined): number[] =>
  [...Array(play.seats).keys()].filter(
    (seat) => play.seats < 3 || stage !== 'line' || seat === turn || seat === from,
  );

/** The hand made up again, and the next to roll; the pack is out where it cannot be. */
export function nextHand(play: P, state: SpendState) {
  const hand = state.hands[state.turn] ?? [];
  const missing = play.rules.hand - hand.length;
  const hands = state.hands.map((ids, seat) =>
    seat === state.turn ? [...ids, ...state.pile.slice(0, missing)] : ids,
  );
  const on = { hands, pile: state.pile.slice(missing), target: null, gaveUp: [], laid: false };
  return state.pile.length < missing
    ? ({ ...on, next: { over: say('packOut') } } as const)
    : ({ ...on, turn: nextSeat(play, state, state.turn), next: 'again' } as const);
}

/** Nobody makes anything of it: each puts a card under the pile for another, so that no hand is stuck. None is left: over. */
export function changedHands(play: P, state: SpendState) {
  const seats = seatsIn(play, state);
  const fresh = { target: null, gaveUp: [], laid: false };
  if (state.pile.length < seats.length) return { ...fresh, next: { over: say('packOut') } } as const;
  const hands = state.hands.map((hand, seat) => {
    const at = seats.indexOf(seat);
    return at < 0 ? hand : [...hand.slice(1), state.pile[at] as number];
  });
  const under = seats.flatMap((seat) => (state.hands[seat] ?? []).slice(0, 1));
  return { ...fresh, hands, pile: [...state.pile.slice(seats.length), ...under], next: 'pass' } as const;
}
