import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boxRules, comesOutOf, wrongPairOf, type InOut } from './inOutRule.ts';

describe('an in-and-out box', () => {
  it('has the rules that a child is asked to find, and nothing comes out that is below 0 or not whole', () => {
    expect(boxRules).toHaveLength(20 + 20 + 11 + 11);
    expect(comesOutOf({ operation: 'sub', by: 5 }, 4)).toBeNull();
    expect(comesOutOf({ operation: 'sub', by: 5 }, 5)).toBe(0);
    expect(comesOutOf({ operation: 'div', by: 4 }, 10)).toBeNull();
    expect(comesOutOf({ operation: 'div', by: 4 }, 12)).toBe(3);
    expect(comesOutOf({ operation: 'mul', by: 12 }, 12)).toBe(144);
  });
  it('tells the one rule that fits all but one pair, which is wrong, and what should be there', () => {
    const pairs: InOut[] = [
      [1, 4],
      [2, 5],
      [3, 6],
      [4, 9],
    ];
    expect(wrongPairOf(pairs)).toEqual({ operation: 'add', by: 3, wrong: 3, should: 7 });
  });
  it('tells nothing where no rule fits, where all fit, or where two could be meant', () => {
    expect(
      wrongPairOf([
        [1, 2],
        [3, 9],
        [5, 1],
      ]),
    ).toBeNull();
    expect(
      wrongPairOf([
        [1, 4],
        [2, 5],
        [3, 6],
      ]),
    ).toBeNull();
    // 2 + 2 or 2 × 2, and 4 + 2 or 4 × 3: either may be the wrong one.
    expect(
      wrongPairOf([
        [2, 4],
        [4, 12],
      ]),
    ).toBeNull();
    expect(wrongPairOf([])).toBeNull();
  });
  it('agrees with looking at every rule by hand, whatever goes in', () => {
    const operate = { add: '+', sub: '-', mul: '*', div: '/' } as const;
    fc.assert(
      fc.property(
        fc.constantFrom(...boxRules),
        fc.uniqueArray(fc.integer({ min: 0, max: 40 }), { minLength: 3, maxLength: 6 }),
        fc.nat(),
        fc.integer({ min: -3, max: 3 }).filter((off) => off !== 0),
        (rule, numbers, pick, off) => {
          const pairs = numbers.flatMap((goesIn): InOut[] => {
            const out = comesOutOf(rule, goesIn);
            return out === null ? [] : [[goesIn, out]];
          });
          fc.pre(pairs.length >= 3);
          const wrong = pick % pairs.length;
          const slipped = pairs.map(([a, b], at): InOut =>
            at === wrong ? [a, Math.max(0, b + off)] : [a, b],
          );
          const fits = boxRules.filter((one) => {
            const faults = slipped.filter(([a, b]) => {
              // eslint-disable-next-line @typescript-eslint/no-implied-eval, @typescript-eslint/no-unsafe-call -- reckoned by the language itself, not by ours
              const value = new Function(`return ${a} ${operate[one.operation]} ${one.by}`)() as number;
              return value !== b;
            });
            return faults.length === 1;
          });
          const found = wrongPairOf(slipped);
          if (found) {
            expect(fits).toContainEqual({ operation: found.operation, by: found.by });
            expect(comesOutOf(found, slipped[found.wrong]?.[0] ?? 0)).toBe(found.should);
          } else expect(fits.length).not.toBe(1);
          if (fits.length === 1 && found)
            expect(fits).toEqual([{ operation: found.operation, by: found.by }]);
        },
      ),
    );
  });
});
