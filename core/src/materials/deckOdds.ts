import type { Operation } from '../facts/operation.ts';
import { compareFractions, fraction, type Fraction } from '../numbers/fraction.ts';
import type { Deck } from './pack.ts';

/** What cards come to under an operation: larger first under − and ÷; ÷ is the exact quotient, a remainder decides (5 : 2 beats 4 : 2). */
export function resultOf(values: readonly number[], operation: Operation): Fraction {
  const sorted = [...values].sort((a, b) => b - a);
  const [first = 0, ...others] = operation === 'add' || operation === 'mul' ? values : sorted;
  switch (operation) {
    case 'add':
      return fraction(others.reduce((sum, one) => sum + one, first));
    case 'sub':
      return fraction(others.reduce((rest, one) => rest - one, first));
    case 'mul':
      return fraction(others.reduce((product, one) => product * one, first));
    case 'div':
      return others.reduce<Fraction>((rest, one) => fraction(rest.top, rest.bottom * one), fraction(first));
  }
}

/** Chances that the first or the second of two players has the larger result. */
export interface Compared {
  readonly first: Fraction;
  readonly tie: Fraction;
  readonly second: Fraction;
}

/**
 * Two players draw `k` cards each from one shuffled deck and compare: exact, by counting hands. Under ÷ a hand whose smaller
 * card is 0 has no quotient. Throws RangeError when the deck is too small, or nothing can be compared.
 */
export function compareHands(deck: Deck, k: number, operation: Operation): Compared {
  const size = deckSize(deck);
  if (!Number.isInteger(k) || k < 1 || k > 4) throw new RangeError('k should be 1 to 4 cards.');
  if (2 * k > size) throw new RangeError(`Two hands of ${k} need ${2 * k} cards; the deck has ${size}.`);
  let [first, tie, second] = [0, 0, 0];
  for (const [hand, ways] of handsOf(deck, k)) {
    const left = new Map(deck);
    for (const value of hand) left.set(value, (left.get(value) ?? 0) - 1);
    const own = quotientSafe(hand, operation);
    for (const [other, otherWays] of handsOf(left, k)) {
      const theirs = quotientSafe(other, operation);
      const difference = own.top * theirs.bottom - theirs.top * own.bottom;
      if (difference > 0) first += ways * otherWays;
      else if (difference < 0) second += ways * otherWays;
      else tie += ways * otherWays;
    }
  }
  const all = first + tie + second;
  return { first: fraction(first, all), tie: fraction(tie, all), second: fraction(second, all) };
}

function quotientSafe(hand: readonly number[], operation: Operation): Fraction {
  if (operation === 'div' && hand.length > 1 && Math.min(...hand) === 0)
    throw new RangeError('Nothing can be divided by 0: take the 0 out of the deck.');
  return resultOf(hand, operation);
}

/** Every hand of `k` values, with the ways it can be drawn. */
export function handsOf(deck: Deck, k: number): [hand: number[], ways: number][] {
  const values = [...deck].filter(([, count]) => count > 0).sort(([a], [b]) => a - b);
  const out: [number[], number][] = [];
  const draw = (at: number, hand: number[], ways: number) => {
    if (hand.length === k) {
      out.push([hand, ways]);
      return;
    }
    const entry = values[at];
    if (!entry) return;
    const [value, count] = entry;
    for (let taken = 0; taken <= Math.min(count, k - hand.length); taken += 1)
      draw(at + 1, [...hand, ...Array<number>(taken).fill(value)], ways * waysToChoose(count, taken));
  };
  draw(0, [], 1);
  return out;
}

/** Ways to choose `k` of `n`. */
export function waysToChoose(n: number, k: number): number {
  let ways = 1;
  for (let at = 0; at < k; at += 1) ways = (ways * (n - at)) / (at + 1);
  return Math.round(ways);
}

export const deckSize = (deck: Deck): number => [...deck.values()].reduce((sum, count) => sum + count, 0);

/** Expected count of each unordered pair of values `a,b`, a ≤ b, in `deals` consecutive pairs off one shuffled deck. Throws RangeError when the deck runs out. */
export function pairExposure(deck: Deck, deals: number): Map<string, Fraction> {
  const size = deckSize(deck);
  if (!Number.isInteger(deals) || deals < 0 || 2 * deals > size)
    throw new RangeError(`The deck holds ${Math.floor(size / 2)} pairs; ${deals} were asked for.`);
  const out = new Map<string, Fraction>();
  if (size < 2) return out;
  const hands = handsOf(deck, 2).sort(
    ([a], [b]) => (a[0] as number) - (b[0] as number) || (a[1] as number) - (b[1] as number),
  );
  for (const [hand, ways] of hands) out.set(hand.join(','), fraction(ways * deals, waysToChoose(size, 2)));
  return out;
}

/** Expected count of each turned value in `deals` cards off one shuffled deck. Throws RangeError when the deck runs out. */
export function turnExposure(deck: Deck, deals: number): Map<number, Fraction> {
  const size = deckSize(deck);
  if (!Number.isInteger(deals) || deals < 0 || deals > size)
    throw new RangeError(`The deck holds ${size} cards; ${deals} were asked for.`);
  return new Map(
    [...deck]
      .filter(([, count]) => count > 0)
      .sort(([a], [b]) => a - b)
      .map(([value, count]) => [value, fraction(count * deals, size)]),
  );
}

/**
 * The chance that numbers shown at once, each equally likely and on its own (dice, fingers of a hand), come to a value under an
 * operation. Two people showing 1 to 10 fingers each make nine in 8 of 100.
 */
export function chanceShown(
  faces: readonly (readonly number[])[],
  operation: Operation,
  value: number,
): Fraction {
  const shown = faces.reduce<number[][]>(
    (rolls, own) => rolls.flatMap((roll) => own.map((face) => [...roll, face])),
    [[]],
  );
  const wanted = fraction(value);
  const fits = shown.filter((roll) => compareFractions(resultOf(roll, operation), wanted) === 0);
  return fraction(fits.length, shown.length);
}
