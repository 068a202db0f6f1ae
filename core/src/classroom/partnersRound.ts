import { createRandom, mixSeed, shuffled } from '../random/random.ts';
import type { PartnerCard } from './partnerCards.ts';

/** One round of finding partners: who holds which card, and which have been found. Plain data; times are ms of one clock. */
export interface PartnersRound {
  readonly cards: readonly PartnerCard[];
  /** From 1. */
  readonly nth: number;
  /** The card of each child, as its place among the cards; null: waits this round. */
  readonly hands: readonly (number | null)[];
  readonly startedAt: number | null;
  /** Pairs in the order in which they were found, and how long after the start. */
  readonly found: readonly { readonly pair: number; readonly afterMs: number }[];
  /** Time to all found, ms; null: not yet. */
  readonly doneMs: number | null;
}

/** What two cards come to: only the first is a find. */
export type PartnersVerdict = 'together' | 'found' | 'apart' | 'same' | 'noCard' | 'notBegun';

/** Deals the cards to so many children. Of an odd class each waits in turn. Throws RangeError where the cards are not for so many. */
export function dealRound(
  cards: readonly PartnerCard[],
  children: number,
  seed: number,
  nth = 1,
): PartnersRound {
  if (cards.length !== children - (children % 2))
    throw new RangeError(`${cards.length} cards are not for ${children} children.`);
  const order = shuffled(
    cards.map((_, at) => at),
    createRandom(mixSeed(seed, 1000 + nth)),
  );
  const waits = children % 2 === 1 ? (nth - 1) % children : null;
  const hands = Array.from({ length: children }, (_, child) => {
    if (child === waits) return null;
    return order[waits !== null && child > waits ? child - 1 : child] ?? null;
  });
  return { cards, nth, hands, startedAt: null, found: [], doneMs: null };
}

/** The cards change hands, and it begins anew; who waited plays. */
export const swapRound = (round: PartnersRound, seed: number): PartnersRound =>
  dealRound(round.cards, round.hands.length, seed, round.nth + 1);

/** The cards are looked at from now on. */
export const startRound = (round: PartnersRound, at: number): PartnersRound =>
  round.startedAt === null ? { ...round, startedAt: at } : round;

/** Two cards are held side by side, by their numbers. */
export function holdTogether(
  round: PartnersRound,
  [one, other]: readonly [number, number],
  at: number,
): { readonly round: PartnersRound; readonly verdict: PartnersVerdict } {
  const first = round.cards.find(({ number }) => number === one);
  const second = round.cards.find(({ number }) => number === other);
  const say = (verdict: PartnersVerdict) => ({ round, verdict });
  if (round.startedAt === null) return say('notBegun');
  if (!first || !second) return say('noCard');
  if (first === second) return say('same');
  if (first.pair !== second.pair) return say('apart');
  if (round.found.some(({ pair }) => pair === first.pair)) return say('found');
  const afterMs = at - round.startedAt;
  const found = [...round.found, { pair: first.pair, afterMs }];
  const all = found.length === round.cards.length / 2;
  return { round: { ...round, found, doneMs: all ? afterMs : round.doneMs }, verdict: 'together' };
}

/** Everybody stands with a partner, as the grown-up sees it: the time ends here. */
export const allStand = (round: PartnersRound, at: number): PartnersRound =>
  round.startedAt === null || round.doneMs !== null ? round : { ...round, doneMs: at - round.startedAt };
