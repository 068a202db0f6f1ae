import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import type { FactKey } from '../facts/fact.ts';
import { createRandom } from '../random/random.ts';
import { eitherWay, exposureOf } from './exposure.ts';
import { fitPack, fitPacks, whyShort, type FittedPack } from './fitPack.ts';
import type { PackWish } from './packWish.ts';

/** Shares of play of a pack by an enumeration of its cards two by two; facts and turnarounds as one. */
function sharesOf(deck: ReadonlyMap<number, number>, fixed: number | null): Map<FactKey, number> {
  const cards = [...deck].flatMap(([value, count]) => Array<number>(count).fill(value));
  const out = new Map<FactKey, number>();
  const shown =
    fixed === null
      ? cards.flatMap((a, at) => cards.slice(at + 1).map((b) => [a, b] as const))
      : cards.map((a) => [a, fixed] as const);
  for (const [a, b] of shown) {
    const key: FactKey = `${Math.min(a, b)}x${Math.max(a, b)}`;
    out.set(key, (out.get(key) ?? 0) + 1 / shown.length);
  }
  return out;
}

const shareOf = (shares: Map<FactKey, number>, some: readonly FactKey[]) =>
  [...new Set(some.map(eitherWay))].reduce((sum, key) => sum + (shares.get(key) ?? 0), 0);

const meets = (wish: PackWish, deck: ReadonlyMap<number, number>): boolean => {
  const shares = sharesOf(deck, wish.fixed);
  const known = wish.known.filter((key) => !wish.want.map(eitherWay).includes(eitherWay(key)));
  return (
    wish.want.every((key) => (shares.get(eitherWay(key)) ?? 0) * wish.deals >= wish.times - 1e-9) &&
    shareOf(shares, known) >= wish.knownShare - 1e-9
  );
};

function everyDeck({ ranks, copies, mostCards, leastCards, fixed }: PackWish): Map<number, number>[] {
  const least = Math.max(leastCards, fixed === null ? 2 : 1);
  return ranks
    .reduce<number[][]>(
      (all, _) => all.flatMap((own) => Array.from({ length: copies + 1 }, (__, count) => [...own, count])),
      [[]],
    )
    .filter((own) => {
      const cards = own.reduce((a, b) => a + b, 0);
      return cards >= least && cards <= mostCards;
    })
    .map(
      (own) =>
        new Map(own.flatMap((count, at) => (count > 0 ? [[ranks[at] as number, count] as const] : []))),
    );
}

const ranks = [2, 5, 7, 8];
const products = ranks.flatMap((a) => ranks.map((b): FactKey => `${a}x${b}`));
const wish = fc
  .record({
    want: fc.uniqueArray(fc.constantFrom(...products), { minLength: 1, maxLength: 4 }),
    known: fc.uniqueArray(fc.constantFrom(...products), { maxLength: 10 }),
    times: fc.integer({ min: 1, max: 12 }),
    knownShare: fc.constantFrom(0, 0.3, 0.5, 0.8),
    copies: fc.integer({ min: 1, max: 3 }),
    mostCards: fc.integer({ min: 4, max: 12 }),
    leastCards: fc.integer({ min: 0, max: 4 }),
    fixed: fc.constantFrom(null, null, 7),
  })
  .map((one): PackWish => ({ operation: 'mul', deals: 40, ranks, ...one }));

const inLimits = ({ copies, mostCards, leastCards }: PackWish, { deck, cards }: FittedPack) => {
  expect([...deck.values()].reduce((a, b) => a + b, 0)).toBe(cards);
  expect(cards).toBeLessThanOrEqual(mostCards);
  expect(cards).toBeGreaterThanOrEqual(leastCards);
  for (const [rank, count] of deck) {
    expect(ranks).toContain(rank);
    expect(count).toBeGreaterThanOrEqual(1);
    expect(count).toBeLessThanOrEqual(copies);
  }
};

describe('a pack put together to a wish', () => {
  it('is found exactly where some pack meets it, of all there are, and is told as its cards show', () => {
    fc.assert(
      fc.property(wish, (one) => {
        const any = everyDeck(one).some((deck) => meets(one, deck));
        const { pack, why } = fitPack(one);
        expect(pack !== null).toBe(any);
        expect(why === null).toBe(any);
        for (const found of fitPacks(one)) {
          inLimits(one, found);
          expect(found.meets).toBe(meets(one, found.deck));
          expect(whyShort(one, found) === '').toBe(found.meets);
          const shares = sharesOf(found.deck, one.fixed);
          for (const [key, times] of found.expected)
            expect(times.top / times.bottom).toBeCloseTo((shares.get(key) ?? 0) * one.deals, 9);
          expect(found.wantShare.top / found.wantShare.bottom).toBeCloseTo(shareOf(shares, one.want), 9);
        }
      }),
      { numRuns: 150 },
    );
  });
  it('is found among more ways than can be tried, nearly always where one is there', () => {
    const random = createRandom(11);
    const many = Array.from({ length: 10 }, (_, at) => at + 1);
    let [found, tried] = [0, 0];
    while (tried < 40) {
      const deck = new Map(
        many.map((rank) => [rank, random.int(0, 3)] as const).filter(([, count]) => count > 0),
      );
      const cards = [...deck.values()].reduce((a, b) => a + b, 0);
      if (cards < 8) continue;
      const shares = sharesOf(deck, null);
      const keys = [...shares.keys()];
      const want = Array.from(
        { length: random.int(1, 5) },
        () => keys[random.int(0, keys.length - 1)] as FactKey,
      );
      const known = keys.filter((key) => !want.includes(key) && random.unit() < 0.8);
      const asked: PackWish = {
        ...{ operation: 'mul', deals: 50, ranks: many, copies: 4, fixed: null, want, known },
        ...{ mostCards: cards, leastCards: Math.min(8, cards) },
        times: 49 * Math.min(...want.map((key) => shares.get(key) as number)),
        knownShare: 0.99 * shareOf(shares, known),
      };
      tried += 1;
      const { pack } = fitPack(asked);
      if (pack) {
        found += 1;
        expect(meets(asked, pack.deck)).toBe(true);
      }
    }
    expect(found).toBeGreaterThanOrEqual(38);
  });
  it('shows a set at three times the play of the ordinary pack, known ones beside it', () => {
    const all = Array.from({ length: 10 }, (_, at) => at + 1);
    const set: FactKey[] = all.map((a): FactKey => `${a}x7`);
    const known: FactKey[] = all.flatMap((a) => [1, 2, 5, 10].map((b): FactKey => `${a}x${b}`));
    const ordinary = sharesOf(new Map(all.map((rank) => [rank, 4])), null);
    expect(shareOf(ordinary, set)).toBeLessThan(0.21);
    const [best] = fitPacks({
      ...{ operation: 'mul', want: set.slice(2), times: 1, deals: 60, known, knownShare: 0.2 },
      ...{ ranks: all, copies: 8, mostCards: 30, leastCards: 12, fixed: null },
    }).sort((a, b) => b.wantShare.top / b.wantShare.bottom - a.wantShare.top / a.wantShare.bottom);
    expect(shareOf(sharesOf((best as FittedPack).deck, null), set)).toBeGreaterThan(0.6);
  });
  it('gives the same packs for the same wish, up to three, each other', () => {
    fc.assert(
      fc.property(wish, (one) => {
        const packs = fitPacks(one);
        expect(fitPacks(one)).toEqual(packs);
        expect(packs.length).toBeLessThanOrEqual(3);
        expect(new Set(packs.map(({ deck }) => JSON.stringify([...deck]))).size).toBe(packs.length);
      }),
      { numRuns: 30 },
    );
  });
  it('goes by the larger number first where it is taken away or divided', () => {
    const { pack } = fitPack({
      ...{ operation: 'div', want: ['56:7'], times: 2, deals: 20, known: [], knownShare: 0, fixed: 7 },
      ...{ ranks: [14, 21, 56], copies: 4, mostCards: 8, leastCards: 4 },
    });
    const shown = exposureOf({ kind: 'fixed', operation: 'div', deck: (pack as FittedPack).deck, number: 7 });
    const share = shown.facts.get('56:7');
    expect((pack as FittedPack).expected.get('56:7')).toEqual({
      top: (20 * (share?.top ?? 0)) / (20 % (share?.bottom ?? 1) === 0 ? (share?.bottom ?? 1) : 1),
      bottom: 20 % (share?.bottom ?? 1) === 0 ? 1 : share?.bottom,
    });
  });
});
