import { describe, expect, it } from 'vitest';
import { pathways } from '../facts/pathway.ts';
import {
  drillOutlook,
  drillPool,
  earlierFacts,
  isPatchy,
  mostEarlierFacts,
  mostHoles,
  wasAsked,
  type TriedFact,
} from './drillPool.ts';

const tried = (over: Partial<TriedFact> = {}): TriedFact => ({
  state: 'recalled',
  evidence: 3,
  dueDay: 100,
  ...over,
});

describe('what a drill may draw on', () => {
  it('knows what is recalled, what is due, and what is not known', () => {
    const pool = drillPool(
      ['7x7', '8x8', '9x9', '6x6'],
      [],
      { '7x7': tried(), '8x8': tried({ dueDay: 120 }), '9x9': tried({ state: 'missed', dueDay: null }) },
      110,
    );
    expect(pool.map((one) => [one.fact, one.known, one.due, one.evidence])).toEqual([
      ['7x7', true, true, 3],
      ['8x8', true, false, 3],
      ['9x9', false, false, 3],
      ['6x6', false, false, 0],
    ]);
    expect(drillOutlook(pool)).toEqual({ due: 1, fresh: 2, unasked: 1 });
  });
  it('calls never asked only what is on no record: answers without evidence were asked all the same', () => {
    const pool = drillPool(
      ['7x7', '8x8', '9x9'],
      ['2x2'],
      { '7x7': tried({ state: 'untried', evidence: 0, dueDay: null }) },
      0,
    );
    expect(pool.map((one) => [one.fact, one.asked])).toEqual([
      ['7x7', true],
      ['8x8', false],
      ['9x9', false],
      ['2x2', false],
    ]);
    // Untried facts of sets passed are taken as known: they are not among those not yet known.
    expect(drillOutlook(pool)).toEqual({ due: 0, fresh: 3, unasked: 2 });
    // A plan kept before this was told: evidence is all there is to go by.
    expect(wasAsked({ fact: '7x7', known: false, ofSet: true, evidence: 2, due: false })).toBe(true);
    expect(wasAsked({ fact: '7x7', known: false, ofSet: true, evidence: 0, due: false })).toBe(false);
  });
  it('takes along known facts of earlier sets, the due first; untried ones of sets passed count as known', () => {
    const pool = drillPool(
      ['7x7'],
      ['2x3', '2x4', '2x5', '2x6', '2x3'],
      { '2x4': tried({ dueDay: 90 }), '2x5': tried({ state: 'slipped', dueDay: null }) },
      100,
    );
    expect(pool.slice(1).map((one) => one.fact)).toEqual(['2x4', '2x3', '2x6']);
    const many = drillPool(['7x7'], pathways[0]?.sets.mul.flatMap((set) => set.practises) ?? [], {}, 0);
    expect(many).toHaveLength(1 + mostEarlierFacts);
  });
  it('carries facts of earlier sets that slipped along to be learnt, as many as asked, the nearest set first', () => {
    const slipped = tried({ state: 'slipped', dueDay: null });
    const states = {
      '2x3': slipped,
      '2x4': tried(),
      '2x5': slipped,
      '2x6': tried({ state: 'nearly' }),
      '2x7': slipped,
    };
    const earlier = ['2x3', '2x4', '2x5', '2x6', '2x7', '2x8'];
    const pool = drillPool(['7x7'], earlier, states, 0, 2);
    expect(pool.filter((one) => !one.known).map((one) => one.fact)).toEqual(['7x7', '2x3', '2x5']);
    expect(drillPool(['7x7'], earlier, states, 0).filter((one) => !one.known)).toHaveLength(1);
  });
  it('looks for holes first where what is known has some: more of those found, and the unasked before the due', () => {
    const earlier = Array.from({ length: 24 }, (_, at) => `2x${at}`);
    const short = tried({ state: 'missed', dueDay: null });
    const states = (holes: number, met: number) =>
      Object.fromEntries(earlier.slice(0, met).map((fact, at) => [fact, at < holes ? short : tried()]));
    expect(isPatchy(earlier, states(1, 8))).toBe(true);
    expect(isPatchy(earlier, states(1, 9))).toBe(false);
    expect(isPatchy(earlier, states(3, 7))).toBe(false);
    expect(isPatchy([...earlier, ...earlier], states(1, 9))).toBe(false);
    expect(isPatchy(earlier, { ...states(1, 8), '2x23': tried({ evidence: 0 }) })).toBe(true);
    for (const state of ['kept', 'secure', 'nearly'] as const)
      expect(isPatchy(earlier, { ...states(1, 8), '2x0': tried({ state }) })).toBe(false);
    const pool = drillPool(['7x7'], earlier, states(10, 12), 200, 4);
    expect(pool.filter((one) => !one.known && !one.ofSet)).toHaveLength(mostHoles);
    const known = pool.filter((one) => one.known);
    expect(known.slice(0, 12).every((one) => one.evidence === 0)).toBe(true);
    expect(known.slice(12).map((one) => one.due)).toEqual([true, true]);
    // Without holes the due come before the unasked.
    const whole = drillPool(['7x7'], earlier, states(0, 12), 200, 4).filter((one) => one.known);
    expect(whole.slice(0, 12).every((one) => one.due)).toBe(true);
    // Where no strays are carried along, holes are not either.
    expect(drillPool(['7x7'], earlier, states(10, 12), 200).filter((one) => !one.known)).toHaveLength(1);
  });
  it('earlier facts come nearest set first, as many sets back as asked', () => {
    const sets = pathways[0]?.sets.mul ?? [];
    const third = sets[2];
    if (!third) throw new Error('there should be three sets');
    expect(earlierFacts(sets, third.id)[0]).toBe(sets[1]?.practises[0]);
    expect(earlierFacts(sets, third.id, 1)).toEqual(sets[1]?.practises);
    expect(earlierFacts(sets, sets[0]?.id ?? '')).toEqual([]);
  });
});
