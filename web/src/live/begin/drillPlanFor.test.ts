import fc from 'fast-check';
import { findPathway, operations, parseFactKey, type FactSet, type Operation } from '@veldrift/core';
import { dealSchema } from '@veldrift/wire';
import { describe, expect, it } from 'vitest';
import { madePupil } from '../../testing/rows.ts';
import { drillPlanFor, firstDrill, type DrillChoice } from './drillPlanFor.ts';

const sets = operations.flatMap((operation) =>
  (findPathway('strategy')?.sets[operation] ?? []).map((set) => [operation, set] as const),
);
const anySet = fc.constantFrom(...sets);
const anyChoice = (set: FactSet): fc.Arbitrary<DrillChoice> =>
  fc.record({
    form: fc.constantFrom('set' as const, 'oneNumber' as const, 'pairs' as const),
    sequence: fc.constantFrom('withdraw' as const, 'oneNew' as const),
    most: fc.constantFrom(20, 40, 60),
    fixed: fc.integer({ min: 1, max: 12 }),
    mixed: fc.boolean(),
    called: fc.boolean(),
    hidden: fc.constantFrom('result' as const, 'right' as const),
    ranks: fc.constantFrom(5, 10, 12),
    chain: fc.boolean(),
    pack: fc.constant(firstDrill(set).pack),
    toll: fc.constant(firstDrill(set).toll),
  });
const anyDrill = anySet.chain(([operation, set]) =>
  anyChoice(set).map((choice) => ({ operation, set, choice })),
);
const plan = (operation: Operation, set: FactSet, choice: DrillChoice) =>
  drillPlanFor(madePupil('Nim', { operation, setId: set.id }), set, choice, 7, 20_000);

describe('the plan of a drill', () => {
  it('of the set alone begins with a number that facts of the set share', () => {
    for (const [operation, set] of sets) {
      const { fixed } = firstDrill(set);
      expect(fixed).toBeLessThanOrEqual(12);
      const shared = set.practises.filter((key) => {
        const { left, right } = parseFactKey(key);
        return left === fixed || right === fixed;
      });
      expect(shared.length, `${operation} ${set.id}`).toBeGreaterThan(0);
    }
  });
  it('asks facts of what was chosen, whatever was chosen', () => {
    fc.assert(
      fc.property(anyDrill, ({ operation, set, choice }) => {
        const made = plan(operation, set, choice);
        const asked = made.plan.facts.map((one) => parseFactKey(one.fact));
        expect(asked.length).toBeGreaterThan(0);
        expect(new Set(made.plan.facts.map((one) => one.fact)).size).toBe(asked.length);
        expect(asked.every((one) => one.operation === operation)).toBe(true);
        if (choice.form === 'oneNumber' && !choice.mixed)
          expect(asked.every(({ left, right }) => left === choice.fixed || right === choice.fixed)).toBe(
            true,
          );
        if (choice.form === 'pairs' && (operation === 'add' || operation === 'mul'))
          expect(asked.every(({ left, right }) => left <= choice.ranks && right <= choice.ranks)).toBe(true);
        // A wild card called in turn comes round evenly.
        if (choice.form === 'oneNumber' && choice.called) {
          const order = made.plan.order ?? [];
          expect(order).toHaveLength(choice.most);
          const counts = [...new Set(order)].map((fact) => order.filter((one) => one === fact).length);
          expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
        } else expect(made.plan.order).toBeNull();
      }),
      { numRuns: 150 },
    );
  });
  it('can be kept: its deal and title pass the server’s schema', async () => {
    await fc.assert(
      fc.asyncProperty(anyDrill, async ({ operation, set, choice }) => {
        const { deal, title } = plan(operation, set, choice);
        await expect(dealSchema.validate(JSON.parse(JSON.stringify(deal)))).resolves.toMatchObject({
          form: choice.form,
          operation,
        });
        expect(title.length).toBeGreaterThan(4);
        expect(title.length).toBeLessThanOrEqual(120);
      }),
      { numRuns: 60 },
    );
  });
});
