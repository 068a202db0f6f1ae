import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shelf } from '../../catalogue.ts';
import { coverable, coverPlaces, gapsWon } from './gapsTable.ts';

const [twelve, nine] = shelf['close-the-gaps'].steps.map(({ rules }) => rules);
const worths = fc.array(fc.integer({ min: 1, max: 10 }), { maxLength: 12 });

describe('what makes ten on a table of open cards', () => {
  it('is any two that do, or four worth ten: one choice of each kind, and none is left out', () => {
    fc.assert(
      fc.property(worths, (open) => {
        const found = coverable(open);
        for (const places of found) {
          const picked = places.map((place) => open[place] ?? 0);
          expect(new Set(places).size).toBe(places.length);
          expect(picked.length === 4 ? picked : [10, 10, 10, 10]).toEqual([10, 10, 10, 10]);
          if (picked.length !== 4) expect(picked.reduce((sum, one) => sum + one, 0)).toBe(10);
        }
        const kinds = new Set(
          open.flatMap((one, at) =>
            open.slice(at + 1).flatMap((other) => (one + other === 10 ? [Math.min(one, other)] : [])),
          ),
        );
        const tens = open.filter((one) => one === 10).length >= 4 ? 1 : 0;
        expect(found).toHaveLength(kinds.size + tens);
      }),
    );
  });
  it('is covered from the top of the pile, in the order in which it lies; where the pile is out a place stays empty', () => {
    expect(coverPlaces([7, 5, 3], [1, 2, 9], [2, 0])).toEqual({ open: [1, 5, 2], pile: [9] });
    expect(coverPlaces([7, 5, 3], [1], [0, 2])).toEqual({ open: [1, 5], pile: [] });
  });
});

describe('the chance that the gaps are closed', () => {
  it('is the share of deals that come out, the same for the same seed, and less with fewer spaces', () => {
    if (!twelve || !nine) throw new Error('The steps are gone.');
    const [more, fewer] = [gapsWon(twelve, 2000, 1), gapsWon(nine, 2000, 1)];
    expect(gapsWon(nine, 2000, 1)).toBe(fewer);
    expect(fewer).toBeLessThan(more);
    expect(fewer).toBeGreaterThan(0);
    expect(more).toBeLessThan(2000);
  });
  it('is what the game itself comes to, played by its best moves', () => {
    // A pack whose cards all pair with their like comes out always; one with nothing that makes ten never.
    const only = (worth: number) => ({
      recipe: { worths: { A: worth }, copies: 8, signed: false },
      spaces: 4,
    });
    expect(gapsWon(only(5), 50, 3)).toBe(50);
    expect(gapsWon(only(10), 50, 3)).toBe(50);
    expect(gapsWon(only(4), 50, 3)).toBe(0);
  });
});
