import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerOf } from '../../../facts/fact.ts';
import { operations } from '../../../facts/operation.ts';
import { createRandom } from '../../../random/random.ts';
import { callText, drawCall, fits, makeCard, optionsOf, squareText, type GridRules } from './gridCards.ts';

const anyRules = fc.record({
  side: fc.constantFrom(3 as const, 4 as const, 5 as const),
  operations: fc.subarray([...operations], { minLength: 1 }),
  largest: fc.integer({ min: 6, max: 12 }),
  form: fc.constantFrom('answers' as const, 'facts' as const, 'mixed' as const),
});

describe('the cards of Grid call', () => {
  it('are full, and nothing stands on one twice, whatever the rules', () => {
    fc.assert(
      fc.property(anyRules, fc.integer(), (rules, seed) => {
        const card = makeCard(rules, createRandom(seed));
        expect(card).toHaveLength(rules.side ** 2);
        expect(new Set(card.map(squareText)).size).toBe(card.length);
      }),
    );
  });

  it('are called for so that two calls in three fit for certain, by what does not stand there', () => {
    const rules: GridRules = { side: 3, operations: ['mul'], largest: 10, form: 'mixed' };
    const random = createRandom(11);
    const calls = 900;
    let fitting = 0;
    for (let nth = 0; nth < calls; nth += 1) {
      const card = makeCard(rules, random);
      const call = drawCall(rules, card, random);
      if (card.some((square) => fits(square, call))) fitting += 1;
    }
    // A call at random fits some cards too.
    expect(fitting / calls).toBeGreaterThan(2 / 3);
    expect(fitting / calls).toBeLessThan(0.95);
  });

  it('offer every open square and that nothing fits; what does not hold is a claim with the true answer', () => {
    fc.assert(
      fc.property(anyRules, fc.integer(), (rules, seed) => {
        const random = createRandom(seed);
        const grid = makeCard(rules, random);
        const call = drawCall(rules, grid, random);
        const covered = [0];
        const found = optionsOf({ grids: [grid], covered: [covered], call }, 0);
        expect(found).toHaveLength(grid.length - covered.length + 1);
        const fit = grid.filter((square, at) => !covered.includes(at) && fits(square, call));
        expect(found.filter((one) => one.asks)).toHaveLength(fit.length);
        for (const { key, claim, asks } of found) {
          const square = grid[Number(key)];
          if (key === 'none') expect(claim !== undefined).toBe(fit.length > 0);
          else expect(claim === undefined).toBe(asks !== undefined);
          if (claim && square) {
            expect(claim.given).not.toBe(claim.answer);
            const about = call.calls === 'fact' ? call.fact : square.fact;
            expect(claim.answer).toBe(String(answerOf(about)));
          }
        }
        expect(callText(call)).toBeTruthy();
      }),
    );
  });
});
