import { factKey, parseFactKey, type FactKey } from '../facts/fact.ts';
import { factOfItem } from '../facts/item.ts';
import { askCards } from '../games/askFact.ts';
import { addFractions, fraction, multiplyFractions, type Fraction } from '../numbers/fraction.ts';
import { deckSize, pairExposure, turnExposure } from '../materials/deckOdds.ts';
import type { Draw } from '../materials/draw.ts';
import { rollExposure } from '../materials/rollOdds.ts';

/** How often each fact comes up in one deal, at least two cards or a roll; what is no fact of the map is in `others`. */
export interface Exposure {
  readonly facts: ReadonlyMap<FactKey, Fraction>;
  readonly others: Fraction;
}

const none = fraction(0);

/**
 * Expected times of each fact in one deal, exact: each pair of cards is as likely as any other wherever it lies in a shuffled
 * pack, so that so many deals show so many times as much. Facts as the table asks them: the larger first under − and ÷; under
 * + and × in the order in which the two were turned, each order as likely. Throws RangeError for a pack of too few cards.
 */
export function exposureOf(draw: Draw): Exposure {
  const facts = new Map<FactKey, Fraction>();
  let others = none;
  for (const [[a = 0, b = 0], share] of deals(draw)) {
    const orders =
      a === b
        ? [[a, b]]
        : [
            [a, b],
            [b, a],
          ];
    const each = multiplyFractions(share, fraction(1, orders.length));
    for (const two of orders) {
      const fact = factOfItem(askCards(0, draw.operation, two).item);
      if (fact === null) others = addFractions(others, each);
      else facts.set(fact, addFractions(facts.get(fact) ?? none, each));
    }
  }
  return { facts, others };
}

/** A fact and its turnaround as one, the smaller number first: two cards lie in either order. Others as they are. */
export function eitherWay(key: FactKey): FactKey {
  const { operation, left, right } = parseFactKey(key);
  return left > right && (operation === 'add' || operation === 'mul')
    ? factKey({ operation, left: right, right: left })
    : key;
}

function* deals(draw: Draw): Generator<readonly [numbers: readonly number[], share: Fraction]> {
  switch (draw.kind) {
    case 'pairs': {
      if (deckSize(draw.deck) < 2) throw new RangeError('Pairs need a pack of two cards or more.');
      for (const [pair, share] of pairExposure(draw.deck, 1)) yield [pair.split(',').map(Number), share];
      return;
    }
    case 'fixed': {
      if (deckSize(draw.deck) < 1) throw new RangeError('The pack has no card left.');
      for (const [value, share] of turnExposure(draw.deck, 1)) yield [[value, draw.number], share];
      return;
    }
    case 'dice':
      for (const [roll, share] of rollExposure(draw.dice, 1)) yield [roll.split(',').map(Number), share];
  }
}

/** The share of play that some facts are, from 0 to 1. */
export function shareOf({ facts }: Exposure, some: ReadonlySet<FactKey>): Fraction {
  let sum = none;
  for (const [fact, share] of facts) if (some.has(fact)) sum = addFractions(sum, share);
  return sum;
}
