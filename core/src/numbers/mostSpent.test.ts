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
