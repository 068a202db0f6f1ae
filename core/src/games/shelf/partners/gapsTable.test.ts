import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createRandom } from '../../../random/random.ts';
import { shelf } from '../../catalogue.ts';
import { modelMove } from '../../modelPlayer.ts';
import { playMove } from '../../playGame.ts';
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
  it('is all or nothing of a pack that always or never makes ten', () => {
    const only = (worth: number) => ({
      recipe: { worths: { A: worth }, copies: 8, signed: false },
      spaces: 4,
    });
    expect(gapsWon(only(5), 50, 3)).toBe(50);
    expect(gapsWon(only(10), 50, 3)).toBe(50);
    expect(gapsWon(only(4), 50, 3)).toBe(0);
  });
  it('is what the game itself comes to, played by its best moves', () => {
    if (!nine) throw new Error('The steps are gone.');
    const game = shelf['close-the-gaps'];
    const plays = 300;
    let won = 0;
    for (let seed = 1; seed <= plays; seed += 1) {
      const play = { rules: nine, seats: 1, against: false, seed };
      let state = game.setUp(play);
      const player = { right: () => 1, sees: 1, timeMs: 1000 };
      for (;;) {
        const move = modelMove(game, play, state, [player], createRandom(seed));
        if (!move) break;
        state = playMove(game, play, state, move);
      }
      if (state.pile.length === 0) won += 1;
    }
    // Other deals of the same chance: within four standard deviations.
    const share = gapsWon(nine, 4000, 1) / 4000;
    const far = 4 * Math.sqrt((share * (1 - share)) / plays);
    expect(Math.abs(won / plays - share)).toBeLessThan(far);
    expect(far).toBeLessThan(0.12);
  });
});
