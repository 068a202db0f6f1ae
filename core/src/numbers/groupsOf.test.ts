import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bestGroups, groupsIn } from './groupsOf.ts';
import { layNumber } from './layNumber.ts';
import { bestLaid, offGoal } from './numberGoal.ts';

const dice = fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 2, maxLength: 8 });

/** The most numbers that disjoint groups of ten take out, by trying every number as the first of a group or left. */
function mostOut(numbers: readonly number[], most: number): number {
  const [first, ...rest] = numbers;
  if (first === undefined) return 0;
  let best = mostOut(rest, most);
  for (let mask = 1; mask < 1 << rest.length; mask += 1) {
    const own = rest.filter((_, at) => (mask >> at) & 1);
    if (own.length + 1 > most || first + own.reduce((a, b) => a + b, 0) !== 10) continue;
    best = Math.max(
      best,
      own.length +
        1 +
        mostOut(
          rest.filter((_, at) => !((mask >> at) & 1)),
          most,
        ),
    );
  }
  return best;
}

describe('groups taken out of numbers', () => {
  it('are disjoint, make the total, and are as many as can be', () => {
    fc.assert(
      fc.property(dice, fc.integer({ min: 2, max: 5 }), (numbers, most) => {
        const groups = bestGroups(numbers, { total: 10, least: 2, most });
        for (const places of groups) {
          expect(places.length).toBeGreaterThanOrEqual(2);
          expect(places.length).toBeLessThanOrEqual(most);
          expect(places.reduce((sum, at) => sum + (numbers[at] as number), 0)).toBe(10);
        }
        expect(new Set(groups.flat()).size).toBe(groups.flat().length);
        expect(groups.flat().length).toBe(mostOut(numbers, most));
      }),
      { numRuns: 60 },
    );
  });
  it('are listed each once by their numbers', () => {
    expect(groupsIn([4, 6, 4], 2, 2).map((places) => places.map((at) => [4, 6, 4][at]))).toEqual([
      [4, 6],
      [4, 4],
    ]);
    fc.assert(
      fc.property(dice, (numbers) => {
        const all = new Set<string>();
        for (let mask = 0; mask < 1 << numbers.length; mask += 1) {
          const own = numbers.filter((_, at) => (mask >> at) & 1);
          if (own.length >= 2 && own.length <= 3) all.add(own.toSorted().join());
        }
        const found = groupsIn(numbers, 2, 3).map((places) =>
          places
            .map((at) => numbers[at])
            .toSorted()
            .join(),
        );
        expect(found.toSorted()).toEqual([...all].sort());
      }),
      { numRuns: 60 },
    );
  });
  it('are not looked for among more than sixteen numbers', () => {
    expect(() => bestGroups(Array<number>(17).fill(1), { total: 10, least: 2, most: 5 })).toThrow(RangeError);
  });
});

describe('a number laid of digits', () => {
  const digits = fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 1, maxLength: 5 });
  it('is every number that is written with just those digits, and none begins with 0', () => {
    fc.assert(
      fc.property(digits, (own) => {
        const sorted = own.toSorted().join('');
        const from = own.length === 1 ? 0 : 10 ** (own.length - 1);
        const all = Array.from({ length: 10 ** own.length - from }, (_, nth) => from + nth).filter(
          (number) => [...String(number)].sort().join('') === sorted,
        );
        const expected = own.every((one) => one === 0) ? [0] : all;
        expect(layNumber(own).toSorted((a, b) => a - b)).toEqual(expected);
      }),
      { numRuns: 40 },
    );
  });
  it('is the largest, the smallest or the nearest of them', () => {
    fc.assert(
      fc.property(digits, fc.integer({ min: 0, max: 99_999 }), (own, called) => {
        const all = layNumber(own);
        expect(bestLaid({ goal: 'largest', called: null }, own)).toBe(Math.max(...all));
        expect(bestLaid({ goal: 'smallest', called: null }, own)).toBe(Math.min(...all));
        const near = bestLaid({ goal: 'nearest', called }, own);
        expect(Math.abs(near - called)).toBe(Math.min(...all.map((one) => Math.abs(one - called))));
        expect(offGoal({ goal: 'nearest', called }, called)).toBe(0);
      }),
    );
  });
  it('is not laid of more than six digits, nor of anything else', () => {
    expect(() => layNumber([1, 2, 3, 4, 5, 6, 7])).toThrow(RangeError);
    expect(() => layNumber([10])).toThrow(RangeError);
    expect(() => layNumber([1.5])).toThrow(RangeError);
  });
});
