import fc from 'fast-check';
import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { checkLine } from './checkLine.ts';
import { allChoices, sizeOf } from './choice.ts';
import { expressionText, numbersIn, type Sign } from './expression.ts';
import { mostSpent } from './mostSpent.ts';
import { reach } from './reach.ts';

const four: readonly Sign[] = ['+', '-', '*', '/'];

/** Another way: each choice asked of the exhaustive search by itself, every parting of the numbers tried. */
function byReach(numbers: readonly number[], target: number, signs: readonly Sign[]): number {
  const makes = allChoices(numbers.length).filter((choice) => {
    const chosen = numbers.filter((_, at) => (choice >> at) & 1);
    return reach({ numbers: chosen, signs, from: target, to: target, least: chosen.length }).has(target);
  });
  const most = (used: number, from: number): number =>
    makes.slice(from).reduce((best, choice, nth) => {
      if ((choice & used) !== 0) return best;
      return Math.max(best, sizeOf(choice) + most(used | choice, from + nth + 1));
    }, 0);
  return most(0, 0);
}

describe('the most that several lines spend', () => {
  it.each([
    [[6, 2, 4, 3, 9], 6, 5],
    [[1, 1, 1, 1, 1], 9, 0],
    [[5, 5, 5], 5, 3],
    [[7, 2], 5, 2],
    [[], 4, 0],
  ])('of %j to %i: %i cards', (numbers, target, count) => {
    expect(mostSpent({ numbers, target, signs: four }).count).toBe(count);
  });

  it('is what trying every choice finds, by any signs; its lines are true, and no number is used twice', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 0, max: 20 }),
        fc.subarray([...four], { minLength: 1 }),
        (numbers, target, signs) => {
          const spent = mostSpent({ numbers, target, signs });
          expect(spent.count).toBe(byReach(numbers, target, signs));
          const used = spent.lines.flatMap((line) => numbersIn(line));
          expect(used).toHaveLength(spent.count);
          const left = [...numbers];
          for (const one of used) {
            expect(left).toContain(one);
            left.splice(left.indexOf(one), 1);
          }
          for (const line of spent.lines) {
            expect(checkLine(expressionText(line), { numbers, target, signs }).right).toBe(true);
            expect(evaluate(expressionText(line, false))).toBe(target);
          }
        },
      ),
      { numRuns: 300 },
    );
  });

  it('of six and seven numbers too, where large choices are only asked of and not worked out', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 10 }), { minLength: 6, maxLength: 6 }),
        fc.integer({ min: 0, max: 40 }),
        fc.subarray([...four], { minLength: 1 }),
        (numbers, target, signs) => {
          expect(mostSpent({ numbers, target, signs }).count).toBe(byReach(numbers, target, signs));
        },
      ),
      { numRuns: 10 },
    );
    const seven = mostSpent({ numbers: [2, 3, 5, 7, 8, 9, 10], target: 100, signs: four });
    expect(seven.lines.map((line) => evaluate(expressionText(line, false)) as number)).toEqual(
      seven.lines.map(() => 100),
    );
  });

  it('keeps a line to so many numbers where that is asked', () => {
    const ask = { numbers: [6, 2, 4, 3, 3], target: 6, signs: four };
    expect(mostSpent({ ...ask, most: 1 }).count).toBe(1);
    for (const line of mostSpent({ ...ask, most: 2 }).lines)
      expect(numbersIn(line).length).toBeLessThanOrEqual(2);
    expect(mostSpent({ ...ask, most: 2 }).count).toBe(5);
  });

  it('says what it cannot take', () => {
    expect(() => mostSpent({ numbers: [1, 1, 1, 1, 1, 1, 1, 1], target: 3, signs: four })).toThrow(
      'at most 7',
    );
    expect(() => mostSpent({ numbers: [1.5], target: 3, signs: four })).toThrow('whole');
    expect(() => mostSpent({ numbers: [1], target: -3, signs: four })).toThrow('whole');
  });
});

describe('with powers and factorials', () => {
  /** Another way: every value of every choice, from all partings, with factorials of what was made until nothing is new. */
  function valuesBy(
    numbers: readonly number[],
    signs: readonly Sign[],
    cap: number,
  ): Map<string, Set<number>> {
    const known = new Map<string, Set<number>>();
    const valuesOf = (places: readonly number[]): Set<number> => {
      const key = places.join();
      const before = known.get(key);
      if (before) return before;
      const own = new Set<number>();
      if (places.length === 1) own.add(numbers[places[0] as number] as number);
      for (let bits = 1; bits < (1 << places.length) - 1; bits += 1) {
        const left = places.filter((_, at) => (bits >> at) & 1);
        const right = places.filter((_, at) => !((bits >> at) & 1));
        for (const a of valuesOf(left))
          for (const b of valuesOf(right)) {
            if (signs.includes('+')) own.add(a + b);
            if (signs.includes('-') && a >= b) own.add(a - b);
            if (signs.includes('*')) own.add(a * b);
            if (signs.includes('/') && b > 0 && a % b === 0) own.add(a / b);
            if (!(a === 0 && b === 0) && a ** b <= cap) own.add(a ** b);
          }
      }
      for (let grown = -1; grown < own.size;) {
        grown = own.size;
        for (const a of [...own]) {
          let product = 1;
          for (let n = 2; n <= a && product <= cap; n += 1) product *= n;
          if (product <= cap) own.add(product);
        }
      }
      known.set(key, own);
      return own;
    };
    valuesOf([...numbers.keys()]);
    return known;
  }

  const mostBy = (
    numbers: readonly number[],
    target: number,
    signs: readonly Sign[],
    cap: number,
  ): number => {
    const makes = [...valuesBy(numbers, signs, cap)]
      .filter(([, values]) => values.has(target))
      .map(([key]) => key.split(',').reduce((bits, at) => bits | (1 << Number(at)), 0));
    const most = (used: number): number =>
      makes.reduce(
        (best, choice) =>
          (choice & used) === 0 ? Math.max(best, sizeOf(choice) + most(used | choice)) : best,
        0,
      );
    return most(0);
  };

  it('is what trying every choice finds; its lines are true by another reckoner, and within the cap', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 10 }), { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 0, max: 30 }),
        fc.subarray([...four], { minLength: 1 }),
        fc.constantFrom(0, 1, 10, 100, 1000),
        (numbers, target, signs, cap) => {
          const spent = mostSpent({ numbers, target, signs, cap });
          expect(spent.count).toBe(mostBy(numbers, target, signs, cap));
          expect(spent.lines.flatMap((line) => numbersIn(line))).toHaveLength(spent.count);
          for (const line of spent.lines) {
            for (const text of [expressionText(line), expressionText(line, false)])
              expect(checkLine(text, { numbers, target, signs, cap })).toMatchObject({ right: true });
            expect(evaluate(expressionText(line, false))).toBe(target);
          }
        },
      ),
      { numRuns: 150 },
    );
  });

  it.each([
    // 3!; 2³; (3!)! is 720; 3² and 3! + 10 − 7, as the step tells.
    [[3], 6, 100, 1],
    [[2, 3], 8, 100, 2],
    [[3], 720, 1000, 1],
    [[3], 720, 700, 0],
    [[3, 2, 3, 10, 7], 9, 100, 5],
    [[0], 1, 100, 1],
    [[0, 0], 0, 100, 2],
  ])('of %j to %i with a cap of %i: %i cards', (numbers, target, cap, count) => {
    expect(mostSpent({ numbers, target, signs: four, cap }).count).toBe(count);
  });

  it('refuses a cap that is none', () => {
    for (const cap of [-1, 0.5, 10_001])
      expect(() => mostSpent({ numbers: [2], target: 2, signs: four, cap })).toThrow(RangeError);
  });
});
