import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aidNames, aids, type Aid } from '../facts/aid.ts';
import { answerOf, factKey, parseFactKey, type FactKey } from '../facts/fact.ts';
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
  it('reach as far as each of them can show, counted over every fact to 12 and at the edges', () => {
    const shows = (key: string) => aidsFor(key as FactKey);
    const line: Aid[] = ['numberLine', 'beadFrame', 'hundredSquare'];
    const columns: Aid[] = ['placeFrame', 'column'];
    // The frames of ten hold 20, the line and the square go to 100, columns begin with two digits.
    expect(shows('4+5')).toEqual(['tenFrame', ...line]);
    expect(shows('4+6')).toEqual(['tenFrame', ...line, ...columns]);
    expect(shows('10+10')).toEqual(['tenFrame', ...line, ...columns]);
    expect(shows('10+11')).toEqual([...line, ...columns]);
    expect(shows('58+42')).toEqual([...line, ...columns]);
    expect(shows('59+42')).toEqual(columns);
    expect(shows('9-4')).toEqual(['tenFrame', ...line]);
    expect(shows('100-1')).toEqual([...line, ...columns]);
    for (const { left, right, operation } of factsInRange('mul', 12)) {
      const linked = (table: number) => [4, 6, 7, 8, 9, 11, 12].includes(table);
      const nines =
        (left === 9 && [1, 2, 3, 4, 5, 6, 7, 8, 9, 10].includes(right)) ||
        (right === 9 && [1, 2, 3, 4, 5, 6, 7, 8, 9, 10].includes(left));
      expect(aidsFor(factKey({ operation, left, right }))).toEqual([
        'tableRow',
        ...(linked(left) || linked(right) ? ['linkedRows'] : []),
        'array',
        'repeatedAddition',
        ...(nines ? ['nineFingers'] : []),
        ...(left * right <= 100 ? ['hundredSquare'] : []),
      ]);
    }
    expect(shows('10x10')).toContain('hundredSquare');
    expect(shows('63:9')).toEqual(['tableRow', 'array', 'fractionBars']);
    expect(shows('8:1')).not.toContain('fractionBars');
    expect(shows('8:2')).toContain('fractionBars');
    expect(shows('24:12')).toContain('fractionBars');
    expect(shows('26:13')).not.toContain('fractionBars');
  });
  it('come as the set asks for them, the others after them; none that cannot show the fact', () => {
    expect(aidsFor('7x9', ['nineFingers', 'tenFrame', 'array'])).toEqual([
      'nineFingers',
      'array',
      'tableRow',
      'linkedRows',
      'repeatedAddition',
      'hundredSquare',
    ]);
  });
  it('link a table to one it can be told from: its half, or its neighbour', () => {
    const from = (table: number) => `${table} from ${linkOf(table)}`;
    expect([4, 6, 7, 8, 9, 11, 12].map(from)).toEqual([
      '4 from 2',
      '6 from 3',
      '7 from 5',
      '8 from 4',
      '9 from 10',
      '11 from 10',
      '12 from 6',
    ]);
    expect([0, 1, 2, 3, 5, 10, 13].map(linkOf)).toEqual([null, null, null, null, null, null, null]);
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
          expect(places).toHaveLength(
            Math.max(String(left).length, operation === 'add' ? String(left + right).length : 0),
          );
          // Each regrouping is carried into exactly one place.
          expect(places.filter((one) => one.carried > 0)).toHaveLength(runs);
        }
      }),
    );
  });
  it('does not go below 0', () => {
    expect(() => columnsOf('sub', 3, 4)).toThrow('below 0');
    expect(columnsOf('sub', 4, 4)).toEqual([{ left: 4, right: 4, carried: 0, borrowed: false, digit: 0 }]);
    for (const [left, right] of [
      [1.5, 4],
      [4, 1.5],
      [-1, 4],
      [4, -1],
    ] as const)
      expect(() => columnsOf('add', left, right)).toThrow('whole numbers');
    expect(columnsOf('add', 0, 0)).toHaveLength(1);
    // What a sum is carried into beyond its digits lends nothing and borrows nothing.
    expect(columnsOf('add', 7, 8)).toEqual([
      { left: 7, right: 8, carried: 0, borrowed: false, digit: 5 },
      { left: 0, right: 0, carried: 1, borrowed: false, digit: 1 },
    ]);
    expect(parseFactKey('7x8').left).toBe(7);
  });
});
