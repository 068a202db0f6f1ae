import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseFactKey, unorderedKey } from './fact.ts';
import { operations } from './operation.ts';
import {
  copyPathway,
  gatherMissing,
  joinSets,
  layOutOwn,
  moveFacts,
  moveSet,
  partitionBreak,
  splitSet,
  unorderedFacts,
  type OwnSet,
} from './ownPathway.ts';
import { makeBook } from './pathwayBook.ts';
import { pathways } from './pathway.ts';

const copies = pathways.map((one) => copyPathway(one, 'own', 'Our own'));
const lists = copies.flatMap((copy) =>
  operations.map((operation) => ({ operation, sets: copy.sets[operation] })),
);

/** Changes a tutor may make, in any order. */
const change = fc.oneof(
  fc.record({ kind: fc.constant('move' as const), a: fc.nat(20), b: fc.nat(20) }),
  fc.record({ kind: fc.constant('join' as const), a: fc.nat(20), b: fc.nat(20) }),
  fc.record({ kind: fc.constant('split' as const), a: fc.nat(20), b: fc.nat(20) }),
  fc.record({ kind: fc.constant('facts' as const), a: fc.nat(20), b: fc.nat(20) }),
);
function apply(
  sets: readonly OwnSet[],
  { kind, a, b }: { kind: 'move' | 'join' | 'split' | 'facts'; a: number; b: number },
) {
  const at = a % sets.length;
  const to = b % sets.length;
  const some = sets[at]?.members.filter((_, nth) => (nth + b) % 3 === 0) ?? [];
  switch (kind) {
    case 'move':
      return moveSet(sets, at, to);
    case 'join':
      return joinSets(sets, at);
    case 'split':
      return splitSet(sets, at, some);
    case 'facts':
      return moveFacts(sets, at, to, some);
  }
}

describe('a pathway of a room\u2019s own', () => {
  it('is the one it was copied from until it is changed', () => {
    pathways.forEach((pathway, nth) => {
      const own = layOutOwn(copies[nth] as (typeof copies)[number]);
      for (const operation of operations)
        expect(
          own.sets[operation].map((set) => [set.name, [...set.introduces].sort(), [...set.practises].sort()]),
        ).toEqual(
          pathway.sets[operation].map((set) => [
            set.name,
            [...set.introduces].sort(),
            [...set.practises].sort(),
          ]),
        );
    });
  });

  it('loses and doubles no fact, however sets are reordered, split, joined and facts moved', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...lists),
        fc.array(change, { maxLength: 14 }),
        ({ operation, sets }, changes) => {
          const changed = changes.reduce<readonly OwnSet[]>(apply, sets);
          expect(partitionBreak(operation, changed).missing).toEqual([]);
          const own = layOutOwn({
            id: 'own',
            name: 'o',
            copiedFrom: 'strategy',
            sets: { add: [], sub: [], mul: [], div: [], [operation]: changed },
          });
          const introduced = own.sets[operation].flatMap((set) => set.introduces);
          expect(new Set(introduced).size).toBe(introduced.length);
          expect([...introduced].sort()).toEqual([...unorderedFacts(operation)].sort());
          const ids = own.sets[operation].map((set) => set.id);
          expect(new Set(ids).size).toBe(ids.length);
          for (const set of own.sets[operation])
            for (const key of set.practises)
              expect(
                set.introduces.includes(unorderedKey(parseFactKey(key))) ||
                  introduced.includes(unorderedKey(parseFactKey(key))),
              ).toBe(true);
        },
      ),
    );
  });

  it('shows what is missing and which set would introduce nothing, and gathers what is missing', () => {
    const { operation, sets } = lists[0] as (typeof lists)[number];
    const without = sets.slice(1);
    const lost = partitionBreak(operation, without).missing;
    expect(lost.length).toBeGreaterThan(0);
    expect(partitionBreak(operation, gatherMissing(operation, without)).missing).toEqual([]);
    const twice = [...sets, { ...(sets[2] as OwnSet), slug: 'again' }];
    expect(partitionBreak(operation, twice).idle).toEqual([sets.length]);
  });

  it('changes nothing where nothing fits', () => {
    const { sets } = lists[0] as (typeof lists)[number];
    expect(splitSet(sets, 0, [])).toEqual(sets);
    expect(splitSet(sets, 0, sets[0]?.members ?? [])).toEqual(sets);
    expect(joinSets(sets, sets.length - 1)).toEqual(sets);
    expect(moveFacts(sets, 1, 1, sets[1]?.members ?? [])).toEqual(sets);
  });
});

describe('a book of pathways', () => {
  it('finds sets of its own beside those that ship', () => {
    const own = copyPathway(pathways[0] as (typeof pathways)[number], 'own', 'Our own');
    const book = makeBook([own]);
    expect(book.pathways).toHaveLength(pathways.length + 1);
    const set = book.findSet('own/mul/2');
    expect(book.placeOfSet(set?.id ?? '')).toMatchObject({
      at: 0,
      of: own.sets.mul.length,
      before: undefined,
    });
    expect(book.findSet('strategy/mul/2')?.name).toBe(set?.name);
    expect(makeBook([]).findSet('own/mul/2')).toBeUndefined();
  });
});
