import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { bestRoad, roadPoints, type RoadNumber } from './bestRoad.ts';
import { numbersIn, signs, valueOf, type Sign } from './expression.ts';

/** Every state that joining two numbers at a time leads to, tried out one after another: no other code is asked. */
function mostByTrying(numbers: readonly RoadNumber[], target: number, allowed: readonly Sign[]): number {
  let most = Math.max(...numbers.map((one) => roadPoints(target, one)));
  numbers.forEach((a, at) =>
    numbers.forEach((b, other) => {
      if (at === other) return;
      const rest = numbers.filter((_, nth) => nth !== at && nth !== other);
      const made: number[] = [];
      if (allowed.includes('+')) made.push(a.worth + b.worth);
      if (allowed.includes('-') && a.worth >= b.worth) made.push(a.worth - b.worth);
      if (allowed.includes('*')) made.push(a.worth * b.worth);
      if (allowed.includes('/') && b.worth > 0 && a.worth % b.worth === 0) made.push(a.worth / b.worth);
      for (const worth of made)
        most = Math.max(most, mostByTrying([...rest, { worth, of: a.of + b.of }], target, allowed));
    }),
  );
  return most;
}

describe('the best road', () => {
  test('is worth what trying every way to join two numbers finds, and its line makes its value', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ worth: fc.nat(13), of: fc.integer({ min: 1, max: 3 }) }), {
          minLength: 1,
          maxLength: 4,
        }),
        fc.integer({ min: 1, max: 200 }),
        fc.subarray([...signs], { minLength: 1 }),
        (numbers, target, allowed) => {
          const road = bestRoad(numbers, target, allowed);
          expect(road?.points ?? 0).toBe(mostByTrying(numbers, target, allowed));
          if (!road) return;
          expect(valueOf(road.line)).toEqual({ top: road.value, bottom: 1 });
          const left = numbers.map(({ worth }) => worth);
          for (const used of numbersIn(road.line)) left.splice(left.indexOf(used), 1);
          expect(left.length).toBe(numbers.length - numbersIn(road.line).length);
        },
      ),
      { numRuns: 300 },
    );
  });

  test('ten for the target and one for each number used; one less for each it is off; ten off is nothing', () => {
    expect(roadPoints(34, { worth: 34, of: 4 })).toBe(14);
    expect(roadPoints(34, { worth: 31, of: 3 })).toBe(10);
    expect(roadPoints(34, { worth: 43, of: 2 })).toBe(3);
    expect(roadPoints(34, { worth: 44, of: 4 })).toBe(0);
    expect(roadPoints(34, { worth: 24, of: 4 })).toBe(0);
  });
});
