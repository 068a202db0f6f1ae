import { describe, expect, it } from 'vitest';
import { drillsToRecord, marksOf, recordDeal } from './testing/recordDeals.ts';
import recorded from './testing/recordedDeals.json' with { type: 'json' };

/*
 * A drill is on record as what was answered; what was dealt and why is worked out again from that whenever it is looked at. So the
 * deal of what lies on record must not change: `npm run record-plays` writes drills that are new here, and tells which others differ.
 */
const kept: Readonly<Record<string, string>> = recorded;

describe('a drill recorded', () => {
  it.each(drillsToRecord())('is dealt the same way again: $name', ({ name, plan, child }) => {
    expect(marksOf(recordDeal(plan, child))).toBe(kept[name]);
  });
  it('is kept of nothing that is no longer there', () => {
    expect(Object.keys(kept)).toEqual(drillsToRecord().map(({ name }) => name));
  });
});

it('a pack is stacked to its end for every sequence, though the cards of the new one are used up', () => {
  for (const { plan, child } of drillsToRecord().filter((one) => one.plan.sequence === 'oneNew')) {
    const [order = '', cards = ''] = recordDeal(plan, child).stacked.split(' | ');
    const facts = order.split(',').filter(Boolean);
    expect(facts.length).toBeGreaterThanOrEqual(Math.min(5, plan.facts.length));
    expect(cards.split(',').filter(Boolean)).toHaveLength(facts.length * (plan.fixed === null ? 2 : 1));
  }
});
