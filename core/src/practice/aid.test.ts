import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aidNames, aids } from '../facts/aid.ts';
import { answerOf, factKey, parseFactKey } from '../facts/fact.ts';
import { operations } from '../facts/operation.ts';
import { factsInRange } from '../facts/range.ts';
import { aidsFor, columnsOf, isNines, linkOf } from './aid.ts';

describe('aids', () => {
  it('are there for every fact of the tables, each named, none twice', () => {
    for (const operation of operations)
      for (const fact of factsInRange(operation, 12)) {
        const found = aidsFor(factKey(fact));
        expect(found.length).toBeGreaterThan(0);
        expect(new Set(found).size).toBe(found.length);
        expect(found.includes('nineFingers')).toBe(operation === 'mul' && isNines(fact.left, fact.right));
        expect(found.includes('tenFrame')).toBe(
          (operation === 'add' || operation === 'sub') && Math.max(fact.left, answerOf(fact)) <= 20,
        );
      }
    for (const aid of aids) expect(aidNames[aid].length).toBeGreaterThan(2);
    expect(aidsFor('7x9')).toContain('nineFingers');
    expect(aidsFor('7x9', ['array', 'tenFrame'])[0]).toBe('array');
    expect(aidsFor('65+42')).toEqual(['placeFrame', 'column']);
  });
  it('link a table to one it can be told from: its half, or its neighbour', () => {
    for (let table = 2; table <= 12; table += 1) {
      const link = linkOf(table);
      if (link !== null) expect([2 * link, link + 1, link - 1, link + 2]).toContain(table);
    }
  });
});

describe('working in columns', () => {
  it('writes the digits of the result, regrouping where a place runs over or short', () => {
    fc.assert(
      fc.property(fc.nat({ max: 999 }), fc.nat({ max: 999 }), (a, b) => {
        for (const operation of ['add', 'sub'] as const) {
          const [left, right] = operation === 'add' ? [a, b] : [Math.max(a, b), Math.min(a, b)];
          const places = columnsOf(operation, left, right);
          const written = Number(
            [...places]
              .reverse()
              .map((one) => one.digit)
              .join(''),
          );
          expect(written).toBe(operation === 'add' ? left + right : left - right);
          const runs = places.filter((one) =>
            operation === 'add' ? one.left + one.right + one.carried > 9 : one.borrowed,
          ).length;
          // Each regrouping is carried into exactly one place.
          expect(places.filter((one) => one.carried > 0)).toHaveLength(runs);
        }
      }),
    );
  });
  it('does not go below 0', () => {
    expect(() => columnsOf('sub', 3, 4)).toThrow('below 0');
    expect(() => columnsOf('add', 1.5, 4)).toThrow('whole numbers');
    expect(parseFactKey('7x8').left).toBe(7);
  });
});
