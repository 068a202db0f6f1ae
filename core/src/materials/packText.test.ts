import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { packText, readPack } from './packText.ts';

describe('a pack in an address', () => {
  it('is read as it was written, numbers that are not there left out', () => {
    const counts = fc.uniqueArray(
      fc.tuple(fc.integer({ min: 0, max: 144 }), fc.integer({ min: 0, max: 8 })),
      {
        selector: ([value]) => value,
        minLength: 1,
      },
    );
    fc.assert(
      fc.property(counts, (entries) => {
        const there = entries.filter(([, count]) => count > 0).sort(([a], [b]) => a - b);
        expect([...(readPack(packText(new Map(entries))) ?? [])]).toEqual(
          there.length > 0 ? there : [[0, 0]],
        );
      }),
    );
  });
  it.each([null, '', '7', '7:9', '7:-1', 'A:2', '7:2,', '7:2;8:1', '1e3:2'])('is none in %s', (text) => {
    expect(readPack(text)).toBeNull();
  });
});
