import { describe, expect, it } from 'vitest';
import { factKey, parseFactKey, unorderedKey } from './fact.ts';
import { gradeRangeFor, gradeRanges } from './gradeRange.ts';
import { operations } from './operation.ts';
import { findSet, pathways, placeOfSet } from './pathway.ts';
import { factsInRange } from './range.ts';

describe.each(
  pathways.flatMap((pathway) =>
    operations.map((operation) => ({ pathway, operation, name: `${pathway.name}, ${operation}` })),
  ),
)('pathway $name', ({ pathway, operation }) => {
  const sets = pathway.sets[operation];
  const range = factsInRange(operation);

  it('introduces each unordered fact of the range once, none missing', () => {
    const introduced = sets.flatMap((set) => set.introduces);
    expect(new Set(introduced).size).toBe(introduced.length);
    expect(new Set(introduced)).toEqual(new Set(range.map(unorderedKey)));
  });

  it('has no set that introduces nothing, or that a check cannot be made of', () => {
    for (const set of sets) {
      expect(set.introduces.length, set.id).toBeGreaterThan(0);
      expect(set.practises.length, set.id).toBeGreaterThan(1);
    }
  });

  it('practises what it introduces, in both orders', () => {
    for (const set of sets) {
      const practised = new Set(set.practises);
      expect(practised.size).toBe(set.practises.length);
      for (const key of set.introduces)
        expect(practised.has(key) || practised.has(turned(key)), key).toBe(true);
      for (const key of set.practises) expect(practised.has(turned(key)), key).toBe(true);
    }
  });

  it('leans only on earlier sets', () => {
    sets.forEach((set, at) => {
      for (const id of set.leansOn) expect(sets.slice(0, at).map((one) => one.id)).toContain(id);
    });
  });
});

function turned(key: string): string {
  const fact = parseFactKey(key);
  return fact.operation === 'add' || fact.operation === 'mul'
    ? factKey({ ...fact, left: fact.right, right: fact.left })
    : key;
}

describe('sets', () => {
  it('count as anyone can count them', () => {
    // Source: arithmetic on the grid 0-12.
    expect(findSet('fixed/mul/times-8')?.practises).toHaveLength(25);
    expect(findSet('fixed/sub/minus-8')?.practises).toHaveLength(13);
    expect(findSet('strategy/add/doubles-to-12')?.practises).toHaveLength(13);
    expect(findSet('strategy/add/bonds-to-ten')?.practises).toHaveLength(11);
    expect(findSet('strategy/mul/squares')?.introduces).toEqual([
      '3x3',
      '4x4',
      '6x6',
      '7x7',
      '8x8',
      '9x9',
      '11x11',
      '12x12',
    ]);
    expect(findSet('strategy/div/2')?.practises).toHaveLength(24);
    // Cards 0 to 5 are 36 ordered products; a rank that joins brings 2n + 1 more.
    expect(findSet('cards/mul/0-to-5')?.practises).toHaveLength(36);
    expect(findSet('cards/mul/9-joins')?.practises).toHaveLength(19);
    expect(findSet('cards/div/0-to-5')?.practises).toHaveLength(30);
    // 169 ordered products less those of the eight numbers without 2, 4, 8, 1 and 0.
    expect(findSet('linked/mul/2-4-8')?.practises).toHaveLength(169 - 64);
    expect(findSet('linked/mul/7-11')?.introduces).toEqual(['7x7', '11x7', '11x11']);
  });

  it('need every fact only for +1, +2, −1 and −2', () => {
    const every = pathways
      .flatMap((one) => operations.flatMap((operation) => one.sets[operation]))
      .filter((set) => set.everyFact);
    expect(every.map((set) => set.id).sort()).toEqual([
      'fixed/add/plus-1',
      'fixed/add/plus-2',
      'fixed/sub/minus-1',
      'fixed/sub/minus-2',
      'linked/add/0-1-2',
      'linked/sub/0-1-2',
      'strategy/add/two',
      'strategy/add/zero-one',
      'strategy/sub/none-one-all',
      'strategy/sub/two',
    ]);
  });

  it('know their place', () => {
    expect(placeOfSet('strategy/mul/8-as-double-4')).toMatchObject({
      at: 6,
      of: 11,
      next: { name: 'the 3s' },
      before: { name: '4 as double 2' },
    });
    expect(placeOfSet('strategy/mul/7-11-and-12')?.next).toBeUndefined();
    expect(placeOfSet('strategy/mul/nothing')).toBeUndefined();
  });
});

describe('grade ranges', () => {
  it('are those of the published standards', () => {
    // Sources: Common Core State Standards for Mathematics (2010), K.OA.A.5, 1.OA.C.6, 2.OA.B.2, 3.OA.C.7;
    // National curriculum in England, mathematics key stages 1 and 2 (2013). Both written down from memory.
    expect(gradeRangeFor('grade', 0)?.says).toContain('within 5');
    expect(gradeRangeFor('grade', 1)?.says).toContain('within 10, working to 20');
    expect(gradeRangeFor('grade', 2)?.says).toContain('Within 20');
    expect(gradeRangeFor('grade', 3)?.says).toContain('within 100');
    expect(gradeRangeFor('year', 2)?.says).toContain('2, 5 and 10 tables');
    expect(gradeRangeFor('year', 3)?.says).toContain('3, 4 and 8');
    expect(gradeRangeFor('year', 4)?.says).toContain('12 \u00d7 12');
    expect(gradeRangeFor('grade', 9)).toBeUndefined();
    expect(gradeRanges.every((one) => one.source.includes('from memory'))).toBe(true);
  });
});
