import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gapsLaid } from './gapsLaid.ts';

/** Tries every pair on the table, whichever cards are alike. */
function byTrying(pack: readonly number[], spaces: number, total: number): number {
  const walk = (open: readonly number[], left: readonly number[]): number => {
    let most = 0;
    if (left.length === 0) return 0;
    for (let a = 0; a < open.length; a += 1)
      for (let b = a + 1; b < open.length; b += 1) {
        if ((open[a] as number) + (open[b] as number) !== total) continue;
        const rest = open.filter((_, at) => at !== a && at !== b);
        const next = left.slice(0, 2);
        most = Math.max(most, next.length + walk([...rest, ...next], left.slice(2)));
      }
    return most;
  };
  const first = pack.slice(0, spaces);
  return first.length + walk(first, pack.slice(spaces));
}

describe('the most cards laid into gaps', () => {
  it('fills what is free, then covers pairs by the next one or two', () => {
    expect(gapsLaid([1, 2, 3], 2, 10)).toBe(2);
    expect(gapsLaid([1, 9, 4], 2, 10)).toBe(3);
    expect(gapsLaid([5, 5, 5, 5, 5], 2, 10)).toBe(5);
    expect(gapsLaid([5, 4], 3, 10)).toBe(2);
    expect(gapsLaid([], 3, 10)).toBe(0);
  });
  it('looks ahead as far as trying every pair does', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9 }), { maxLength: 11 }),
        fc.integer({ min: 2, max: 5 }),
        fc.constantFrom(5, 9, 10, 12),
        (pack, spaces, total) => {
          expect(gapsLaid(pack, spaces, total)).toBe(byTrying(pack, spaces, total));
        },
      ),
    );
  });
  it('works out a whole pack, and refuses more than it can', () => {
    const pack = Array.from({ length: 36 }, (_, at) => (at % 9) + 1);
    expect(gapsLaid(pack, 9, 10)).toBe(36);
    expect(() => gapsLaid(Array<number>(61).fill(5), 9, 10)).toThrow('60 cards');
    expect(() => gapsLaid([5], 16, 10)).toThrow('15 spaces');
  });
});
