import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createRandom } from '../random/random.ts';
import { glanceOf, glancePatterns, mostScattered } from './glance.ts';

const random = (seed: number) => createRandom(seed);

describe('pips to be looked at', () => {
  it('are as many as they should be, within what is looked at, and none upon another', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...glancePatterns),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 1, max: 5 }),
        fc.integer(),
        (pattern, number, groups, seed) => {
          const parts =
            pattern === 'groups'
              ? Array<number>(groups).fill(number)
              : pattern === 'domino'
                ? [number, groups]
                : [number];
          const { wide, radius, spots, empty } = glanceOf(pattern, parts, random(seed));
          expect(spots.length).toBe(parts.reduce((sum, one) => sum + one, 0));
          expect(empty.length).toBe(pattern === 'ten' ? 10 - number : 0);
          const all = [...spots, ...empty];
          for (const { x, y } of all) {
            expect(x > radius && x < wide - radius && y > radius && y < 1 - radius).toBe(true);
          }
          all.forEach((a, at) =>
            all
              .slice(at + 1)
              .forEach((b) => expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(2.2 * radius)),
          );
        },
      ),
    );
  });

  it('lie scattered in no row: no three on a line, and no three at one height or one below the other', () => {
    for (let seed = 0; seed < 300; seed += 1) {
      const { spots } = glanceOf('scattered', [3 + (seed % (mostScattered - 2))], random(seed));
      spots.forEach((a, i) =>
        spots.slice(i + 1).forEach((b, j) =>
          spots.slice(i + j + 2).forEach((c) => {
            // By the slopes, not by the area: what a ruler laid through two of them would say of the third.
            const [left, middle, right] = [a, b, c].sort((one, other) => one.x - other.x) as [
              typeof a,
              typeof a,
              typeof a,
            ];
            const through = left.y + ((right.y - left.y) * (middle.x - left.x)) / (right.x - left.x);
            const across =
              Math.abs(middle.y - through) * Math.cos(Math.atan2(right.y - left.y, right.x - left.x));
            expect(Math.max(across, 0)).toBeGreaterThan(0.03);
            const ys = [a.y, b.y, c.y];
            expect(Math.max(...ys) - Math.min(...ys)).toBeGreaterThan(0.03);
          }),
        ),
      );
    }
  });

  it('lie in a frame where they do, also where it is full or all ten are of two dominoes', () => {
    expect(glanceOf('ten', [10], random(1)).framed).toBe(true);
    expect(glanceOf('domino', [5, 5], random(1)).framed).toBe(false);
    expect(glanceOf('groups', [5, 5], random(1)).framed).toBe(false);
  });

  it('differ by the seed, and are the same by the same', () => {
    expect(glanceOf('scattered', [5], random(1))).toEqual(glanceOf('scattered', [5], random(1)));
    expect(glanceOf('scattered', [5], random(1))).not.toEqual(glanceOf('scattered', [5], random(2)));
  });

  it('are refused where no such pattern shows them', () => {
    expect(() => glanceOf('dice', [7], random(1))).toThrow(RangeError);
    expect(() => glanceOf('scattered', [9], random(1))).toThrow(RangeError);
  });
});
