import { describe, expect, it } from 'vitest';
import { roomOn } from '../paper.ts';
import type { Page } from '../piece.ts';
import { numeralsToTrace } from './numeralsToTrace.ts';

const made = (choices: object) =>
  numeralsToTrace.pages({ ...numeralsToTrace.choices, ...choices }, 1, roomOn('a4'));
const textsOn = (pages: readonly Page[]) =>
  pages.flat().flatMap((piece) => (piece.kind === 'text' ? [piece.text] : []));

describe('numerals to trace', () => {
  const dotsOn = (page: Page) => page.flatMap((piece) => (piece.kind === 'dot' ? [piece] : []));
  it('begin each stroke with a large dot, numbered where there are two, in every place but the last', () => {
    const rows = (choices: object) => {
      const pages = made(choices);
      return {
        begins: pages.flatMap(dotsOn).filter((dot) => dot.radius > 1).length,
        texts: textsOn(pages),
      };
    };
    const seven = rows({ from: 7, to: 7 });
    expect(seven.begins).toBeGreaterThan(2);
    expect(seven.texts).toEqual([]);
    expect(rows({ from: 7, to: 7, empty: false }).begins).toBe(seven.begins + 1);
    expect(rows({ from: 7, to: 7, rows: 3 }).begins).toBe(3 * seven.begins);
    const five = rows({ from: 5, to: 5 });
    expect(five.begins).toBe(2 * seven.begins);
    expect(five.texts).toEqual(Array.from({ length: seven.begins }, () => ['1', '2']).flat());
    expect(rows({ from: 9, to: 0 }).begins).toBe(12 * seven.begins);
  });

  it('fill their height between the lines, as large as they were wished', () => {
    for (const height of [20, 40, 80]) {
      const [page = []] = made({ from: 1, to: 1, height });
      const ys = dotsOn(page).map((dot) => dot.y);
      expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(height - 3, 0);
      const lines = page.flatMap((piece) =>
        piece.kind === 'line' && piece.y1 === piece.y2 ? [piece.y1] : [],
      );
      expect(Math.min(...ys)).toBeCloseTo(Math.min(...lines), 6);
    }
  });
});
