import { evaluate, fraction as exact, type Fraction as Exact } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { answerOf, parseFactKey } from '../facts/fact.ts';
import { isOnMap } from '../facts/item.ts';
import { dieSides, facesOf } from '../materials/dice.ts';
import { fractionText } from '../numbers/fraction.ts';
import { eitherWay, exposureOf, shareOf } from './exposure.ts';

const text = (value: Exact) => (value.d === 1n ? `${value.n}` : `${value.n}/${value.d}`);

/** Every order of some cards, each as likely: what lies on top is what is turned. */
function everyOrder(cards: readonly number[]): number[][] {
  if (cards.length === 0) return [[]];
  return cards.flatMap((card, at) =>
    everyOrder([...cards.slice(0, at), ...cards.slice(at + 1)]).map((rest) => [card, ...rest]),
  );
}

describe('how often facts come up', () => {
  it('in pairs off a pack is what every order of its cards comes to, wherever the pair lies', () => {
    const cards = [2, 2, 5, 6, 0];
    const deck = new Map([
      [0, 1],
      [2, 2],
      [5, 1],
      [6, 1],
    ]);
    const orders = everyOrder(cards);
    for (const operation of ['add', 'sub', 'mul'] as const) {
      const found = exposureOf({ kind: 'pairs', operation, deck });
      for (const from of [0, 2]) {
        const counts = new Map<string, number>();
        for (const order of orders) {
          const [a, b] = order.slice(from, from + 2) as [number, number];
          const [left, right] = operation === 'sub' && b > a ? [b, a] : [a, b];
          const key = `${left}${{ add: '+', sub: '-', mul: 'x' }[operation]}${right}`;
          counts.set(key, (counts.get(key) ?? 0) + 1);
        }
        expect(
          Object.fromEntries([...found.facts].map(([key, share]) => [key, fractionText(share)])),
        ).toEqual(
          Object.fromEntries([...counts].map(([key, count]) => [key, text(exact(count, orders.length))])),
        );
      }
    }
  });
  it('is hypergeometric: two of some cards among all, reckoned by mathjs', () => {
    const deck = new Map([
      [7, 4],
      [8, 3],
      [2, 9],
    ]);
    const { facts } = exposureOf({ kind: 'pairs', operation: 'mul', deck });
    const two = evaluate('combinations(16, 2)') as number;
    expect(fractionText(facts.get('7x7') as never)).toBe(
      text(exact(evaluate('combinations(4, 2)') as number, two)),
    );
    expect(fractionText(facts.get('7x8') as never)).toBe(text(exact(12, 2 * two)));
    expect(facts.get('8x7')).toEqual(facts.get('7x8'));
  });
  it('with a number that stays, and of dice, is the share of cards and of rolls', () => {
    const deck = new Map([
      [3, 4],
      [10, 1],
      [4, 0],
    ]);
    const fixed = exposureOf({ kind: 'fixed', operation: 'sub', deck, number: 7 });
    expect([...fixed.facts].map(([key, share]) => [key, fractionText(share)])).toEqual([
      ['7-3', '4/5'],
      ['10-7', '1/5'],
    ]);
    for (const sides of dieSides) {
      const rolls = facesOf(sides).flatMap((a) => facesOf(sides).map((b) => `${a}+${b}`));
      const dice = exposureOf({ kind: 'dice', operation: 'add', dice: [sides, sides] });
      for (const key of new Set(rolls)) {
        const share = exact(rolls.filter((one) => one === key).length, rolls.length);
        if (isOnMap(key)) expect(fractionText(dice.facts.get(key) as never)).toBe(text(share));
      }
    }
  });
  it('leaves out what is no fact of the map, and comes to one in all', () => {
    const deck = new Map([
      [3, 4],
      [8, 2],
      [0, 2],
    ]);
    const found = exposureOf({ kind: 'pairs', operation: 'div', deck });
    // 8 : 3 leaves a remainder, 3 : 0 is nothing.
    for (const key of found.facts.keys()) expect(Number.isInteger(answerOf(parseFactKey(key)))).toBe(true);
    expect(found.others.top).toBeGreaterThan(0);
    const all = shareOf(found, new Set(found.facts.keys()));
    expect(all.top / all.bottom + found.others.top / found.others.bottom).toBeCloseTo(1, 12);
    expect(fractionText(shareOf(found, new Set()))).toBe('0');
  });
  it('cannot be told of too few cards', () => {
    expect(() => exposureOf({ kind: 'pairs', operation: 'add', deck: new Map([[3, 1]]) })).toThrow(
      /two cards/,
    );
    expect(() => exposureOf({ kind: 'fixed', operation: 'add', deck: new Map(), number: 3 })).toThrow(
      /no card left/,
    );
  });
  it('takes a fact and its turnaround as one under + and × alone', () => {
    expect(['8x7', '7x8', '9+2', '9-2', '56:7'].map((key) => eitherWay(key as never))).toEqual([
      ...['7x8', '7x8', '2+9', '9-2', '56:7'],
    ]);
  });
});
