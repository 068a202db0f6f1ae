import { signedText } from '../../askFact.ts';
import type { Step } from '../../bodies/turns.ts';
import type { Play } from '../../game.ts';
import { ownOf } from '../../ownPacks.ts';
import { nextSeat, seatsIn } from '../../playGame.ts';
import { say } from '../../tell/sentence.ts';
import type { TrueRules } from './layings.ts';
import { cardOf, type TrueLies, type TrueState } from './trueOptions.ts';

/** Whoever has no card left has won. */
export const out = <T>(on: T, seat: number) =>
  ({ ...on, winner: seat, next: { over: say('isOut', { seat }) } }) as const;

/** The card asked for is given, and its line may be laid; where it is not there, the asker draws. */
export function askFor(play: Play<TrueRules>, state: TrueState, seat: number, worth: number): Step<TrueLies> {
  const number = signedText(worth);
  const given = (state.hands[seat] ?? []).find((id) => {
    const card = cardOf(play, id);
    return card.rank !== 'joker' && card.worth === worth;
  });
  if (given === undefined) return { ...drawn(play, state), says: say('hasNone', { seat, number }) };
  const hands = state.hands.map((ids, at) =>
    at === seat ? ids.filter((id) => id !== given) : at === state.turn ? [...ids, given] : ids,
  );
  const on = { hands, given: state.turn, says: say('gives', { seat, number }) };
  return hands[seat]?.length === 0 ? out(on, seat) : ({ ...on, next: 'choose' } as const);
}

export function drawn(play: Play<TrueRules>, state: TrueState): Step<TrueLies> {
  const { turn } = state;
  const [card] = ownOf(play, state.pile, turn);
  const next = nextSeat(play, state, turn);
  if (card === undefined) {
    const passed = state.passed + 1;
    const says = say('passesOn', { seat: turn });
    const ends = passed >= seatsIn(play, state).length;
    return {
      passed,
      given: null,
      says,
      ...(ends ? { turn: next, next: { over: say('nobodyGoesOn') } } : { next: 'pass' }),
    } as const;
  }
  const hands = state.hands.map((ids, seat) => (seat === turn ? [...ids, card] : ids));
  const pile = state.pile.filter((id) => id !== card);
  return { pile, hands, passed: 0, given: null, says: say('draws', { seat: turn }), next: 'pass' } as const;
}
