import { describe, expect, it } from 'vitest';
import { diePips, pipLayout, pipPatterns, type PipPlace } from './pips.ts';

const key = ({ col, row }: PipPlace) => `${col} ${row}`;

describe('the pips of a card', () => {
  it.each(pipPatterns)(
    'lie as many as are to be counted, each in a place of its own, within the grid: %s',
    (pattern) => {
      for (let count = 0; count <= 24; count += 1) {
        const { cols, rows, pips, empty } = pipLayout(count, pattern);
        expect(pips).toHaveLength(count);
        const places = [...pips, ...empty];
        expect(new Set(places.map(key)).size).toBe(places.length);
        for (const { col, row } of places)
          expect(col >= 0 && col < cols && row >= 0 && row < rows).toBe(true);
      }
    },
  );
  it('fill frames of ten that are whole, and rows of five from the left', () => {
    const eight = pipLayout(8, 'ten');
    expect([eight.rows, eight.pips.length, eight.empty.length]).toEqual([2, 8, 2]);
    expect(eight.empty.map(key)).toEqual(['3 1', '4 1']);
    expect(pipLayout(13, 'ten')).toMatchObject({ rows: 4, empty: { length: 7 } });
    expect(pipLayout(7, 'five')).toMatchObject({ rows: 2, empty: [] });
    expect(pipLayout(7, 'five').pips.slice(5).map(key)).toEqual(['0 1', '1 1']);
  });
  it('are shared out over die faces as evenly as can be: seven is four and three', () => {
    const sides = (count: number) => {
      const halves = new Map<number, number>();
      for (const { col } of pipLayout(count, 'domino').pips) {
        const half = Math.floor(col / 4);
        halves.set(half, (halves.get(half) ?? 0) + 1);
      }
      return [...halves.values()];
    };
    expect([6, 7, 8, 9, 12, 13].map(sides)).toEqual([[6], [4, 3], [4, 4], [5, 4], [6, 6], [5, 4, 4]]);
    expect(pipLayout(4, 'domino').pips.map(key)).toEqual(diePips(4).map(key));
  });
  it('are a number of them', () => {
    expect(() => pipLayout(-1, 'five')).toThrow(RangeError);
    expect(() => pipLayout(1.5, 'ten')).toThrow(RangeError);
    expect(() => diePips(7)).toThrow('No face of a die has 7 pips.');
  });
});
