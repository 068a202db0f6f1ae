import { parseFactKey, type FactKey } from '../facts/fact.ts';
import { beginDrill, dealAfter } from './dealDrill.ts';
import type { DrillPlan } from './drill.ts';

/** Cards of each number in one pack: four suits. King stands for 0, jack for 11, queen for 12. */
export const copiesInPack = 4;

/** What a card is called at the table. */
export function cardName(value: number): string {
  switch (value) {
    case 0:
      return 'king (0)';
    case 1:
      return 'ace (1)';
    case 11:
      return 'jack (11)';
    case 12:
      return 'queen (12)';
    case 13:
      return 'joker (13)';
    default:
      return String(value);
  }
}

/** The cards a fact shows beside a fixed number, or by itself; null when real cards cannot show it. */
export function cardsOfFact(fact: FactKey, fixed: number | null): readonly number[] | null {
  const { operation, left, right } = parseFactKey(fact);
  if (fixed === null) return left <= 13 && right <= 13 ? [left, right] : null;
  switch (operation) {
    case 'add':
    case 'mul':
      return [right];
    case 'sub':
      return [left - fixed];
    case 'div':
      return [left / fixed];
  }
}

/** An order for a real pack. */
export interface OrderedPack {
  /** The facts in the order the cards show them. */
  readonly order: readonly FactKey[];
  /** The cards from the top, as they are stacked. */
  readonly cards: readonly number[];
}

/**
 * Stacks a real pack in the order the drill would deal, as far as one pack has the cards: each fact as the drill foresees it,
 * passing over one whose cards are used up. Fewer than `cardsMost` cards come out when nothing else fits.
 */
export function stackPack(plan: DrillPlan, cardsMost: number): OrderedPack {
  const left = new Map<number, number>();
  const take = (cards: readonly number[]): boolean => {
    const after = new Map(left);
    for (const card of cards) {
      const copies = after.get(card) ?? (card === 13 ? 2 : copiesInPack);
      if (copies === 0) return false;
      after.set(card, copies - 1);
    }
    after.forEach((copies, card) => left.set(card, copies));
    return true;
  };
  const order: FactKey[] = [];
  const stack: number[] = [];
  let pool = { ...plan, chain: null, order: null, most: Infinity } as DrillPlan;
  let reading = beginDrill(pool);
  while (reading.next && stack.length < cardsMost) {
    const { fact } = reading.next;
    const cards = cardsOfFact(fact, plan.fixed);
    if (cards && stack.length + cards.length <= cardsMost && take(cards)) {
      order.push(fact);
      stack.push(...cards);
      reading = dealAfter(pool, reading, { fact, class: 'recalled' });
    } else {
      // Its cards are used up: it is left out, and the drill looked at afresh without it.
      const facts = pool.facts.filter((one) => one.fact !== fact);
      if (facts.length === 0) break;
      pool = { ...pool, facts };
      reading = order.reduce(
        (at, dealt) => dealAfter(pool, force(at, dealt), { fact: dealt, class: 'recalled' }),
        beginDrill(pool),
      );
    }
  }
  return { order, cards: stack };
}

/** The reading with this fact as the one dealt. */
function force(reading: ReturnType<typeof beginDrill>, fact: FactKey): ReturnType<typeof beginDrill> {
  return reading.next && reading.next.fact !== fact
    ? { ...reading, next: { ...reading.next, fact } }
    : reading;
}
