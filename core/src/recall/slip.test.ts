import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerOf, factKey } from '../facts/fact.ts';
import { operations } from '../facts/operation.ts';
import { factsInRange } from '../facts/range.ts';
import { createRandom, type RandomSource } from '../random/random.ts';
import { slipKinds, slipOf, slipsOf, type SlipKind } from './slip.ts';
import { nearMisses, slipChances, slipPatterns, type ReadSlip } from './slipPattern.ts';
import { remedyOf, slipNames } from './slipTexts.ts';
import { wilsonInterval } from './wilson.ts';

describe('slips', () => {
  it.each([
    ['7+6', '12', 'offByOne'],
    ['7+6', '42', 'otherOperation'],
    ['8-3', '11', 'otherOperation'],
    ['42:6', '36', 'otherOperation'],
    ['7x8', '65', 'digitsSwapped'],
    ['7x6', '24', 'digitsSwapped'],
    ['7+6', '30', 'teenForTy'],
    ['5x6', '13', 'teenForTy'],
    ['8x9', '81', 'nextMultiple'],
    ['8x9', '63', 'nextMultiple'],
    ['42:6', '8', 'quotientOffByOne'],
    ['42:6', '9', 'offByTwo'],
    ['7x8', '58', 'offByTwo'],
    ['15-8', '13', 'smallerFromLarger'],
    ['12-5', '13', 'smallerFromLarger'],
    ['7+8', '25', 'tenOff'],
    ['7x8', '66', 'tenOff'],
    ['8-3', '-5', 'signOfAnswer'],
    ['9+8', '7', 'tenOff'],
    ['9+8', '170', 'unread'],
    ['10x12', '20', 'tenOrHundredLost'],
    ['10x8', '8', 'tenOrHundredLost'],
    ['9x7', '54', 'nextMultiple'],
    ['7x8', '54', 'neighbourFact'],
    ['6+9', '6', 'operandRepeated'],
    ['8+5', '16', 'operandRepeated'],
    ['0x7', '7', 'zeroOneRule'],
    ['7x1', '1', 'zeroOneRule'],
    ['7+0', '0', 'zeroOneRule'],
    ['7-7', '7', 'zeroOneRule'],
    ['7x8', '99', 'unread'],
  ] as const)('%s said %s is %s', (key, given, kind) => {
    expect(slipOf(key, given)).toBe(kind);
  });

  it('reads nothing where nothing was said, or it was right', () => {
    expect(slipOf('7x8', null)).toBeUndefined();
    expect(slipOf('7x8', '')).toBeUndefined();
    expect(slipOf('7x8', '56')).toBeUndefined();
  });

  it('names every wrong answer of every fact, and no right one', () => {
    for (const fact of operations.flatMap((one) => factsInRange(one))) {
      expect(slipOf(factKey(fact), String(answerOf(fact)))).toBeUndefined();
      for (let given = 0; given <= 150; given += 1) {
        if (given !== answerOf(fact)) expect(slipsOf(fact, given).length).toBeGreaterThan(0);
      }
    }
  });

  it('takes an answer of forty digits', () => {
    expect(slipOf('7x8', '9'.repeat(40))).toBe('unread');
  });

  it('has a name for each kind, and an aid that fits the operation', () => {
    for (const kind of slipKinds) {
      expect(slipNames[kind]).toMatch(/^[a-z ]+$/);
      for (const operation of operations) expect(remedyOf(kind, operation)).toMatch(/^[A-Z].*\.$/);
      for (const operation of ['mul', 'div'] as const)
        expect(remedyOf(kind, operation)).not.toMatch(kind === 'signOfAnswer' ? /^$/ : /number line/i);
    }
  });
});

describe('Wilson\u2019s interval', () => {
  // From memory of the published formula, worked out by hand: 5 of 10 is 0.2366 to 0.7634.
  it('holds the share, narrows with more, and is never outside 0 to 1', () => {
    expect(wilsonInterval(5, 10).low).toBeCloseTo(0.2366, 3);
    expect(wilsonInterval(5, 10).high).toBeCloseTo(0.7634, 3);
    expect(wilsonInterval(0, 0)).toEqual({ low: 0, high: 1 });
    fc.assert(
      fc.property(fc.nat(200), fc.nat(200), (a, b) => {
        const of = Math.max(1, a + b);
        const { low, high } = wilsonInterval(a, of);
        expect(low).toBeGreaterThanOrEqual(0);
        expect(high).toBeLessThanOrEqual(1);
        expect(low).toBeLessThanOrEqual(a / of + 1e-12);
        expect(high).toBeGreaterThanOrEqual(a / of - 1e-12);
        // The score test itself: at its ends the share found is z standard errors away (Wilson's definition).
        for (const end of [low, high])
          if (end > 1e-9 && end < 1 - 1e-9)
            expect(Math.abs(a / of - end) / Math.sqrt((end * (1 - end)) / of)).toBeCloseTo(1.959964, 4);
      }),
    );
  });
});

describe('patterns', () => {
  const all = operations.flatMap((one) => factsInRange(one));
  const slipFrom = (key: string, given: number): ReadSlip => ({
    id: `${key}${given}`,
    fact: key,
    given: String(given),
    kind: slipOf(key, String(given)) ?? 'unread',
  });
  const anyOf = <T>(list: readonly T[], random: RandomSource): T => list[random.int(0, list.length - 1)] as T;
  const atRandom = (random: RandomSource): ReadSlip => {
    const fact = anyOf(all, random);
    return slipFrom(factKey(fact), anyOf(nearMisses(fact), random));
  };

  it('weigh every near miss alike, and only those', () => {
    for (const fact of all) {
      const misses = nearMisses(fact);
      expect(misses).not.toContain(answerOf(fact));
      expect(misses.every((one) => one >= 0)).toBe(true);
      expect(misses.length).toBeGreaterThanOrEqual(12);
      const shares = [...slipChances(factKey(fact)).values()];
      expect(shares.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9);
    }
    // 7 x 8: within 12 of 56 there are 24, and beyond them the results 42 and 72 of neighbours; one more and one less are off by one.
    expect(nearMisses({ operation: 'mul', left: 7, right: 8 })).toHaveLength(26);
    expect(slipChances('7x8').get('offByOne')).toBeCloseTo(2 / 26, 9);
  });

  it('are named falsely in under 5 of 100 children who err at random', () => {
    const random = createRandom(20261129);
    for (const count of [5, 10, 20, 40]) {
      const named = Array.from({ length: 1000 }, () =>
        slipPatterns(Array.from({ length: count }, () => atRandom(random))),
      ).filter((one) => one.length > 0).length;
      expect(named / 1000, `${count} slips`).toBeLessThan(0.05);
    }
  });

  it('name the mechanism of a child of whose slips seven in ten are made by it, in 80 of 100 at ten slips', () => {
    const random = createRandom(7);
    const kinds = slipKinds.filter((one): one is Exclude<SlipKind, 'unread'> => one !== 'unread');
    for (const kind of kinds) {
      // Facts in which the mechanism can be seen at all, with what it makes of them.
      const made = all.flatMap((fact) =>
        [...nearMisses(fact), -answerOf(fact), ...Array.from({ length: 13 }, (_, by) => by * 12)]
          .filter((given) => slipsOf(fact, given)[0] === kind)
          .map((given) => [factKey(fact), given] as const),
      );
      const named = Array.from({ length: 300 }, () =>
        slipPatterns(
          Array.from({ length: 10 }, () =>
            random.unit() < 0.7 ? slipFrom(...anyOf(made, random)) : atRandom(random),
          ),
        ),
      ).filter((one) => one[0]?.kind === kind).length;
      expect(named / 300, kind).toBeGreaterThanOrEqual(0.8);
    }
  });

  it('need five slips of the kind, look at the last twenty, and say what chance would give', () => {
    const of = (count: number) => Array.from({ length: count }, () => slipFrom('7x8', 57));
    expect(slipPatterns([...of(4), ...Array.from({ length: 6 }, () => slipFrom('7x8', 99))])).toEqual([]);
    const [found] = slipPatterns(of(5));
    expect(found).toMatchObject({ kind: 'offByOne', of: 5 });
    expect(found?.byChance).toBeCloseTo(10 / 26, 9);
    expect(slipPatterns([...of(8), ...Array.from({ length: 20 }, () => slipFrom('7x8', 99))])).toEqual([]);
    // What cannot be read makes no pattern, however often.
    expect(slipPatterns(Array.from({ length: 20 }, () => slipFrom('7x8', 99)))).toEqual([]);
  });
});
