import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { operations } from '../facts/operation.ts';
import { addFractions, fraction, fractionText } from '../numbers/fraction.ts';
import { createRandom } from '../random/random.ts';
import {
  chanceShown,
  compareHands,
  deckSize,
  handsOf,
  pairExposure,
  resultOf,
  turnExposure,
  waysToChoose,
} from './deckOdds.ts';
import { allRolls, diceWords, dieSides, facesOf, rollDice, rollTrouble } from './dice.ts';
import {
  deckOf,
  numberRecipe,
  packOf,
  ranks,
  recipeWith,
  recipeWords,
  shuffledIds,
  type Deck,
  deckWords,
} from './pack.ts';

const smallDeck = fc
  .array(fc.tuple(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 3 })), {
    minLength: 1,
    maxLength: 3,
  })
  .map((entries) => new Map(entries) as Deck)
  .filter((deck) => deckSize(deck) >= 4);
const listed = (deck: Deck) => [...deck].flatMap(([value, count]) => Array<number>(count).fill(value));

describe('packs', () => {
  it('hold the cards of their recipe, each id its place', () => {
    const pack = packOf(numberRecipe(1, 10));
    expect(pack).toHaveLength(40);
    expect(pack.map((card) => card.id)).toEqual(Array.from({ length: 40 }, (_, at) => at));
    expect([...deckOf(pack)]).toEqual(Array.from({ length: 10 }, (_, at) => [at + 1, 4]));
    expect(deckOf(packOf(numberRecipe(0, 12))).get(0)).toBe(4);
    expect(deckOf(packOf(numberRecipe(0, 13))).get(0)).toBe(2);
    // One colour of a pack is 26 cards (common practice).
    const half = packOf({
      worths: { ...numberRecipe(1, 9).worths, A: 11, '10': 10, J: 10, Q: 10, K: 10 },
      copies: 2,
      signed: false,
    });
    expect(half).toHaveLength(26);
    expect(half.every((card) => card.colour === 'black')).toBe(true);
  });
  it('carry signs by colour where they are signed', () => {
    const pack = packOf(numberRecipe(1, 5, { signed: true }));
    expect(pack.filter((card) => card.worth < 0).every((card) => card.colour === 'red')).toBe(true);
    expect(pack.reduce((sum, card) => sum + card.worth, 0)).toBe(0);
  });
  it('hold fewer or more of some ranks where they were put together for a child', () => {
    const recipe = recipeWith(
      numberRecipe(1, 10),
      new Map([
        [6, 2],
        [7, 6],
        [8, 4],
        [3, 1],
      ]),
    );
    const pack = packOf(recipe);
    expect(Object.fromEntries(deckOf(pack))).toEqual({ 3: 1, 6: 2, 7: 6, 8: 4 });
    expect(pack.map((card) => card.id)).toEqual([...pack.keys()]);
    expect(recipeWords(recipe)).toBe(
      'Take out ace, 2, 4, 5, 9, 10 and the faces. Keep one 3 and two 6s. Add two 7s from a second pack.',
    );
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 8 }), { minLength: 10, maxLength: 10 }), (counts) => {
        fc.pre(counts.some((count) => count > 0));
        const deck = new Map(counts.map((count, at) => [at + 1, count] as const));
        const made = packOf(recipeWith(numberRecipe(1, 10), deck));
        expect(counts.map((_, at) => made.filter((card) => card.worth === at + 1).length)).toEqual(counts);
      }),
    );
    expect(
      deckWords(
        new Map([
          [7, 6],
          [3, 1],
          [6, 2],
          [9, 0],
        ]),
      ),
    ).toBe('one 3, two 6s and six 7s');
    // What stands for any number stays in the pack.
    const wild = { ...numberRecipe(1, 5), wild: true, worths: { A: 1, '2': 2, joker: 0 } };
    expect(Object.fromEntries(deckOf(packOf(recipeWith(wild, new Map([[2, 3]])))))).toEqual({ 0: 2, 2: 3 });
    // Two ranks are worth ten: eight of the first, then of the next.
    const tens = packOf(
      recipeWith({ ...numberRecipe(9, 10), worths: { '9': 9, '10': 10, J: 10 } }, new Map([[10, 10]])),
    );
    expect(tens.map((card) => card.rank).join(' ')).toBe('10 10 10 10 10 10 10 10 J J');
    for (const count of [-1, 9, 1.5])
      expect(() => packOf({ ...numberRecipe(1, 5), counts: { A: count } })).toThrow('up to 8 cards');
  });
  it('are told in table words', () => {
    expect(recipeWords(numberRecipe(1, 10))).toBe('Take out the faces. Ace is 1.');
    expect(recipeWords(numberRecipe(1, 5))).toBe('Take out 6 to 10 and the faces. Ace is 1.');
    expect(recipeWords(numberRecipe(0, 12))).toBe('Ace is 1. Jack is 11. Queen is 12. King is 0.');
    expect(recipeWords(numberRecipe(0, 13))).toBe(
      'Leave the jokers in: each is 0. Ace is 1. Jack is 11. Queen is 12. King is 13.',
    );
    expect(recipeWords({ ...numberRecipe(0, 13), wild: true })).toMatch(
      /^Leave the jokers in: each is any number\./,
    );
    expect(
      recipeWords({
        worths: { ...numberRecipe(2, 10).worths, A: 11, J: 10, Q: 10, K: 10 },
        copies: 2,
        signed: false,
      }),
    ).toBe('Use one colour only. Ace is 11. The faces are 10.');
    expect(recipeWords(numberRecipe(2, 9, { copies: 8 }))).toBe(
      'Shuffle two packs together. Take out ace, 10 and the faces.',
    );
    expect(recipeWords(numberRecipe(1, 13, { signed: true }))).toContain('Black adds, red takes away.');
  });
  it('are shuffled without losing a card, the same for the same seed', () => {
    fc.assert(
      fc.property(fc.integer(), (seed) => {
        const pack = packOf(numberRecipe(1, 10));
        const ids = shuffledIds(pack, createRandom(seed));
        expect([...ids].sort((a, b) => a - b)).toEqual(pack.map((card) => card.id));
        expect(shuffledIds(pack, createRandom(seed))).toEqual(ids);
      }),
    );
  });
  it('cannot be empty or endless', () => {
    expect(() => packOf({ worths: {}, copies: 4, signed: false })).toThrow('1 to 108');
    expect(() => packOf({ worths: { A: 1 }, copies: 9, signed: false })).toThrow('1 to 8');
    expect(ranks).toHaveLength(14);
  });
});

describe('dice', () => {
  it('show their faces, the ten-sided one 0 to 9, each as often as the others', () => {
    expect(facesOf(10)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9]);
    const random = createRandom(5);
    for (const sides of dieSides) {
      const counts = new Map<number, number>();
      for (let nth = 0; nth < 600 * sides; nth += 1) {
        const [shown] = rollDice([sides], random) as [number];
        counts.set(shown, (counts.get(shown) ?? 0) + 1);
      }
      expect([...counts.keys()].sort((a, b) => a - b)).toEqual(facesOf(sides));
      for (const count of counts.values()) expect(Math.abs(count - 600)).toBeLessThan(120);
    }
  });
  it('have 36 rolls of two, 6 of them seven, 11 sums', () => {
    const sums = allRolls([6, 6]).map((roll) => roll.reduce((a, b) => a + b, 0));
    expect(sums).toHaveLength(36);
    expect(sums.filter((sum) => sum === 7)).toHaveLength(6);
    expect(new Set(sums).size).toBe(11);
  });
  it('say what is wrong with a roll given by hand', () => {
    expect(rollTrouble([3, 6], [6, 6])).toBeNull();
    expect(rollTrouble([3, 7], [6, 6])).toBe('A six-sided die shows 1 to 6, not 7.');
    expect(rollTrouble([0], [10])).toBeNull();
    expect(rollTrouble([10], [10])).toBe('A ten-sided die shows 0 to 9, not 10.');
    expect(rollTrouble([1], [6, 6])).toBe('There are 2 dice; 1 numbers were given.');
    expect(diceWords([6, 6, 10])).toBe('two six-sided dice and one ten-sided die');
  });
});

describe('chances off a deck', () => {
  it('of two hands compared are those of a count of every draw, card by card', () => {
    fc.assert(
      fc.property(smallDeck, fc.constantFrom(1, 2), fc.constantFrom(...operations), (deck, k, operation) => {
        const cards = listed(deck);
        const counts = { first: 0, tie: 0, second: 0 };
        const draw = (taken: readonly number[]) => {
          if (taken.length < 2 * k) {
            cards.forEach((_, at) => taken.includes(at) || draw([...taken, at]));
            return;
          }
          const plain = (hand: number[]) => {
            const [high, low] = [Math.max(...hand), Math.min(...hand)];
            if (hand.length === 1) return high;
            return { add: high + low, sub: high - low, mul: high * low, div: high / low }[operation];
          };
          const [a, b] = [
            plain(taken.slice(0, k).map((at) => cards[at] as number)),
            plain(taken.slice(k).map((at) => cards[at] as number)),
          ];
          counts[Math.abs(a - b) < 1e-9 ? 'tie' : a > b ? 'first' : 'second'] += 1;
        };
        draw([]);
        const all = counts.first + counts.tie + counts.second;
        const found = compareHands(deck, k, operation);
        for (const name of ['first', 'tie', 'second'] as const)
          expect(fractionText(found[name])).toBe(fractionText(fraction(counts[name], all)));
      }),
      { numRuns: 40 },
    );
  });
  it('add up to one, and are the same for both players', () => {
    for (const operation of operations)
      for (const k of [1, 2, 3]) {
        const { first, tie, second } = compareHands(deckOf(packOf(numberRecipe(1, 10))), k, operation);
        expect(fractionText(addFractions(addFractions(first, tie), second))).toBe('1');
        expect(first).toEqual(second);
      }
  });
  it('two cards off a pack 1-9 make ten in 70 of 630 pairs', () => {
    const pairs = handsOf(deckOf(packOf(numberRecipe(1, 9))), 2);
    const ways = (fits: (hand: number[]) => boolean) =>
      pairs.reduce((sum, [hand, count]) => sum + (fits(hand) ? count : 0), 0);
    expect(ways(() => true)).toBe(630);
    expect(ways(([a, b]) => (a as number) + (b as number) === 10)).toBe(70);
    expect(waysToChoose(36, 2)).toBe(630);
  });
  it('of numbers shown at once are those of a count: nine on fingers in 8 of 100, seven on two dice in 6 of 36', () => {
    const fingers = Array.from({ length: 10 }, (_, at) => at + 1);
    expect(fractionText(chanceShown([fingers, fingers], 'add', 9))).toBe('2/25');
    expect(chanceShown([fingers, fingers], 'add', 9)).toEqual(fraction(8, 100));
    expect(fractionText(chanceShown([facesOf(6), facesOf(6)], 'add', 7))).toBe('1/6');
    for (const operation of ['add', 'sub', 'mul'] as const) {
      // By a count of its own, face by face, for every value there is.
      const counts = new Map<number, number>();
      for (const a of facesOf(6))
        for (const b of facesOf(8)) {
          const value = operation === 'add' ? a + b : operation === 'mul' ? a * b : Math.abs(a - b);
          counts.set(value, (counts.get(value) ?? 0) + 1);
        }
      for (const [value, count] of counts)
        expect(chanceShown([facesOf(6), facesOf(8)], operation, value)).toEqual(fraction(count, 48));
    }
    expect(fractionText(chanceShown([facesOf(6)], 'add', 7))).toBe('0');
  });
  it('of a pair in consecutive deals are those of a count of every order', () => {
    fc.assert(
      fc.property(smallDeck, (deck) => {
        const cards = listed(deck).slice(0, 6);
        const small: Deck = cards.reduce(
          (map, card) => map.set(card, (map.get(card) ?? 0) + 1),
          new Map<number, number>(),
        );
        const counts = new Map<string, number>();
        const turns = new Map<number, number>();
        let orders = 0;
        const lay = (order: readonly number[]) => {
          if (order.length < cards.length) {
            cards.forEach((_, at) => order.includes(at) || lay([...order, at]));
            return;
          }
          orders += 1;
          const shown = order.map((at) => cards[at] as number);
          for (const at of [0, 2]) {
            const key = [shown[at] as number, shown[at + 1] as number].sort((a, b) => a - b).join(',');
            counts.set(key, (counts.get(key) ?? 0) + 1);
          }
          turns.set(shown[0] as number, (turns.get(shown[0] as number) ?? 0) + 1);
        };
        lay([]);
        const found = pairExposure(small, 2);
        expect([...found.keys()].sort()).toEqual([...counts.keys()].sort());
        for (const [key, count] of counts)
          expect(fractionText(found.get(key) ?? fraction(0))).toBe(fractionText(fraction(count, orders)));
        for (const [value, count] of turns)
          expect(fractionText(turnExposure(small, 1).get(value) ?? fraction(0))).toBe(
            fractionText(fraction(count, orders)),
          );
      }),
      { numRuns: 12 },
    );
  });
  it('end where the deck does, and where nothing can be divided', () => {
    const deck: Deck = new Map([
      [0, 2],
      [5, 2],
    ]);
    expect(() => compareHands(deck, 3, 'add')).toThrow('Two hands of 3 need 6 cards; the deck has 4.');
    expect(() => compareHands(deck, 2, 'div')).toThrow('divided by 0');
    expect(() => pairExposure(deck, 3)).toThrow('2 pairs');
    expect(() => turnExposure(deck, 5)).toThrow('4 cards');
    expect(resultOf([2, 9], 'sub')).toEqual(fraction(7));
    expect(resultOf([4, 10], 'div')).toEqual(fraction(5, 2));
  });
});
