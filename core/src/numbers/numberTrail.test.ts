import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { trailRows } from './numberTrail.ts';

describe('a number trail', () => {
  it('runs on from row to row, straight or turning back', () => {
    const own = { rows: 3, cols: 3, start: 3, step: 3 };
    expect(trailRows({ ...own, turning: false })).toEqual([
      [3, 6, 9],
      [12, 15, 18],
      [21, 24, 27],
    ]);
    expect(trailRows({ ...own, turning: true })).toEqual([
      [3, 6, 9],
      [18, 15, 12],
      [21, 24, 27],
    ]);
  });
  it('holds every number of its rule once, and a turning one is a path of neighbours', () => {
    const size = fc.integer({ min: 1, max: 9 });
    fc.assert(
      fc.property(
        size,
        size,
        fc.integer({ min: 0, max: 20 }),
        fc.integer({ min: 1, max: 12 }),
        fc.boolean(),
        (rows, cols, start, step, turning) => {
          const board = trailRows({ rows, cols, start, step, turning });
          expect(board.flat().sort((a, b) => a - b)).toEqual(
            Array.from({ length: rows * cols }, (_, at) => start + at * step),
          );
          if (!turning) return;
          const placeOf = (number: number) => {
            const row = board.findIndex((one) => one.includes(number));
            return { row, col: (board[row] ?? []).indexOf(number) };
          };
          for (let at = 1; at < rows * cols; at += 1) {
            const [a, b] = [placeOf(start + (at - 1) * step), placeOf(start + at * step)];
            expect(Math.abs(a.row - b.row) + Math.abs(a.col - b.col)).toBe(1);
          }
        },
      ),
    );
  });
  it('says when there is no board', () => {
    expect(() => trailRows({ rows: 0, cols: 3, start: 1, step: 1, turning: false })).toThrow('one row');
  });
});
