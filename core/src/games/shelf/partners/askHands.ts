import { factKey, type Fact } from '../../../facts/fact.ts';
import { factOr } from '../../../facts/item.ts';
import { displaySigns } from '../../../facts/operation.ts';
import { packOf, type Card, type Recipe } from '../../../materials/pack.ts';
import type { ChoosingState } from '../../bodies/choosing.ts';
import { dealHands } from '../../bodies/dealing.ts';
import type { Play } from '../../game.ts';
import type { Asked } from '../../need.ts';
import { keptBy } from '../../../random/keptBy.ts';
import { packedWith } from '../../ownPacks.ts';
import { nextSeat, seatsIn } from '../../playGame.ts';
import { say } from '../../tell/sentence.ts';
import { handSize } from './askForPartnerWords.ts';

export interface PartnerAskRules {
  readonly recipe: Recipe;
  /** What a card and its partner make. */
  readonly total: number;
  readonly operation: 'add' | 'mul';
  /** All hands lie open. */
  readonly open: boolean;
}

export interface AskLies {
  readonly pile: readonly number[];
  readonly hands: readonly (readonly number[])[];
  readonly won: readonly (readonly number[])[];
}
export type AskState = ChoosingState & AskLies;
type P = Play<PartnerAskRules>;

/** What goes with a number; nothing whole: 0. */
export const partnerOf = ({ operation, total }: PartnerAskRules, worth: number): number =>
  operation === 'add' ? total - worth : total % worth === 0 ? total / worth : 0;

/** The pack without the cards that have no partner in it: those are never dealt. */
export const pairing = keptBy((own: PartnerAskRules): Recipe => {
  const worths = Object.entries(own.recipe.worths);
  const there = new Set(worths.map(([, worth]) => worth));
  return {
    ...own.recipe,
    worths: Object.fromEntries(worths.filter(([, worth]) => there.has(partnerOf(own, worth)))),
  };
});

export function askPartner(own: PartnerAskRules, seat: number, worth: number): Asked {
  const { operation, total } = own;
  const fact: Fact = { operation: operation === 'add' ? 'sub' : 'div', left: total, right: worth };
  const answer = String(partnerOf(own, worth));
  const sign = displaySigns[operation];
  return {
    seat,
    item: factOr(factKey(fact), `bond:${total}`),
    shown: `${worth} ${sign} \u25a1 = ${total}`,
    answer,
    whole: `${worth} ${sign} ${answer} = ${total}`,
    // It lay open before it was chosen.
    untimed: true,
  };
}

/** A card from the pile; it is the next one's turn, or over where nothing is left that pairs. */
export function drawn(play: P, state: AskState) {
  const [card, ...pile] = state.pile;
  const { turn } = state;
  const hands =
    card === undefined
      ? state.hands
      : state.hands.map((hand, seat) => (seat === turn ? [...hand, card] : hand));
  const says = card === undefined ? say('passesOn', { seat: turn }) : say('draws', { seat: turn });
  return ended(play, { ...state, hands, pile }) ?? ({ hands, pile, says, next: 'pass' } as const);
}

/** Nothing that pairs is held, and none is left to draw. */
export function ended(play: P, { hands, pile, won }: AskLies) {
  const held = hands.flat();
  return pile.length > 0 || held.some((id) => hasPartner(play, id, held))
    ? null
    : ({ hands, pile, won, says: say('packOut'), next: { over: say('packOut') } } as const);
}

export const hasPartner = (play: P, id: number, held: readonly number[]): boolean => {
  const wanted = partnerOf(play.rules, cardOf(play, id).worth);
  return held.some((one) => one !== id && cardOf(play, one).worth === wanted);
};

export function others(play: P, state: AskState): number[] {
  const out: number[] = [];
  let seat = nextSeat(play, state, state.turn);
  while (seat !== state.turn && out.length < seatsIn(play, state).length) {
    out.push(seat);
    seat = nextSeat(play, state, seat);
  }
  return out;
}

export const dealt = (play: P) => dealHands(packedWith(play, pairing(play.rules)), handSize, 0);
export const cardOf = (play: P, id: number) => packOf(pairing(play.rules))[id] as Card;
export const faceOf = (play: P, id: number) => {
  const { rank, colour, worth } = cardOf(play, id);
  return { id, rank, colour, worth };
};
