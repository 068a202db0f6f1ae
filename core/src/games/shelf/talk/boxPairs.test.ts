import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { operations } from '../../../facts/operation.ts';
import { boxRules, comesOutOf, wrongPairOf } from '../../../numbers/inOutRule.ts';
import { createRandom } from '../../../random/random.ts';
import { askBox, makeBox } from './boxPairs.ts';

describe('a rule box', () => {
  it('has one wrong pair by one rule alone, of the operation and size asked for, whatever is drawn', () => {
    fc.assert(
      fc.property(
        fc.integer(),
        fc.constantFrom(...operations),
        fc.integer({ min: 3, max: 12 }),
        fc.integer({ min: 4, max: 6 }),
        (seed, operation, most, pairs) => {
          const box = makeBox({ operations: [operation], most, pairs }, createRandom(seed));
          expect(box.pairs).toHaveLength(pairs);
          expect(box).toMatchObject(wrongPairOf(box.pairs) ?? {});
          expect(box.operation).toBe(operation);
          expect(box.by).toBeLessThanOrEqual(most);
          expect(new Set(box.pairs.map(([goesIn]) => goesIn)).size).toBe(pairs);
          const fits = boxRules.filter(
            (rule) => box.pairs.filter(([goesIn, out]) => comesOutOf(rule, goesIn) !== out).length === 1,
          );
          expect(fits).toEqual([{ operation, by: box.by }]);
          for (const [, out] of box.pairs) expect(out).toBeGreaterThanOrEqual(0);
        },
      ),
      { numRuns: 200 },
    );
  });
  it('asks what should come out, without telling the rule', () => {
    const box = makeBox({ operations: ['mul'], most: 12, pairs: 5 }, createRandom(4));
    const asked = askBox(box, 1);
    const goesIn = box.pairs[box.wrong]?.[0] ?? 0;
    expect(asked.item).toEqual({ kind: 'fact', key: `${goesIn}x${box.by}` });
    expect(asked.shown).toEqual({ id: 'boxGives', values: { goesIn } });
    expect(asked.answer).toBe(String(goesIn * box.by));
  });
});
