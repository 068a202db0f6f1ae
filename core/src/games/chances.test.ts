import { fractionText } from '../numbers/fraction.ts';
import { createRandom } from '../random/random.ts';
import { arrayPlaces, overlap } from './arrayPlaces.ts';
import { chanceOf } from './playGame.ts';
import { sentencesOf } from './sentences.ts';
import { canStretch, expectedTurns, stretchTotals } from './stretch.ts';
import { describe, expect, it } from 'vitest';

import fc from 'fast-check';

describe('Stretch or fold', () => {
  it('doubles or halves, never over the target', () => {
    expect(stretchTotals(0, 24, 6)).toEqual([3, 12]);
    expect(stretchTotals(0, 24, 5)).toEqual([10]);
    expect(stretchTotals(20, 24, 6)).toEqual([23]);
    expect(stretchTotals(20, 24, 5)).toEqual([]);
    expect(stretchTotals(0, 24, 0)).toEqual([]);
    expect(fractionText(canStretch(20, 24))).toBe('2/3');
  });
  it('takes as many turns as value iteration says, and as play by the best choices takes', () => {
    const target = 24;
    const exact = expectedTurns(target);
    // Value iteration (Bellman 1957) from nothing known, with its own moves.
    let turns = Array<number>(target + 1).fill(0);
    for (let round = 0; round < 4000; round += 1)
      turns = turns.map((_, total) => {
        if (total === target) return 0;
        let sum = 0;
        for (let roll = 1; roll <= 6; roll += 1) {
          const next = [total + 2 * roll, ...(roll % 2 === 0 ? [total + roll / 2] : [])].filter(
            (one) => one <= target,
          );
          sum +=
            next.length === 0
              ? (turns[total] as number)
              : Math.min(...next.map((one) => turns[one] as number));
        }
        return 1 + sum / 6;
      });
    for (let total = 0; total <= target; total += 1)
      expect(exact[total]).toBeCloseTo(turns[total] as number, 8);
    const random = createRandom(9);
    const games = 40_000;
    let played = 0;
    for (let game = 0; game < games; game += 1)
      for (let total = 0; total < target; played += 1) {
        const next = stretchTotals(total, target, random.int(1, 6));
        if (next.length > 0)
          total = next.reduce((best, one) => ((exact[one] as number) < (exact[best] as number) ? one : best));
      }
    expect(Math.abs(played / games - (exact[0] as number))).toBeLessThan(0.1);
  });
});

describe('true lines', () => {
  it('are those of a plain enumeration over all triples', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -13, max: 13 }), { maxLength: 8 }), (cards) => {
        let count = 0;
        for (let i = 0; i < cards.length; i += 1)
          for (let j = 0; j < cards.length; j += 1)
            for (let k = 0; k < cards.length; k += 1)
              if (
                i < j &&
                k !== i &&
                k !== j &&
                (cards[i] as number) + (cards[j] as number) - (cards[k] as number) === 0
              )
                count += 1;
        expect(sentencesOf(cards)).toHaveLength(count);
      }),
    );
  });
});

describe('arrays on a plot', () => {
  const plot = fc.record({
    row: fc.integer({ min: 0, max: 9 }),
    col: fc.integer({ min: 0, max: 9 }),
    rows: fc.integer({ min: 1, max: 5 }),
    cols: fc.integer({ min: 1, max: 5 }),
  });
  it('lie wherever every square of them is free, counted square by square', () => {
    fc.assert(
      fc.property(
        fc.array(plot, { maxLength: 4 }),
        fc.integer({ min: 1, max: 11 }),
        fc.integer({ min: 1, max: 11 }),
        (lies, a, b) => {
          const filled = lies.filter((one) => one.row + one.rows <= 10 && one.col + one.cols <= 10);
          const taken = new Set(filled.flatMap((one) => squares(one)));
          const shapes =
            a === b
              ? [[a, b]]
              : [
                  [a, b],
                  [b, a],
                ];
          let count = 0;
          for (const [rows, cols] of shapes as [number, number][])
            for (let row = 0; row < 10; row += 1)
              for (let col = 0; col < 10; col += 1) {
                const all = squares({ row, col, rows, cols });
                if (row + rows <= 10 && col + cols <= 10 && all.every((one) => !taken.has(one))) count += 1;
              }
          expect(arrayPlaces(filled, a, b, 10, 10)).toHaveLength(count);
        },
      ),
    );
  });
  it('touch without overlapping', () => {
    expect(overlap({ row: 0, col: 0, rows: 2, cols: 2 }, { row: 0, col: 2, rows: 2, cols: 2 })).toBe(false);
    expect(overlap({ row: 0, col: 0, rows: 2, cols: 3 }, { row: 1, col: 2, rows: 2, cols: 2 })).toBe(true);
  });
});

function squares({
  row,
  col,
  rows,
  cols,
}: {
  row: number;
  col: number;
  rows: number;
  cols: number;
}): number[] {
  return Array.from(
    { length: rows * cols },
    (_, at) => 100 * (row + Math.floor(at / cols)) + col + (at % cols),
  );
}

describe('chance in a game', () => {
  it('shows each roll as often as any other after each, whatever seed and turn', () => {
    // Pearson's chi-squared over 36 pairs of rolls one after another: its mean is 35, its standard deviation 8.4.
    const faces = 6;
    const games = 3000;
    const turns = 20;
    for (const seedOf of [(nth: number) => nth, (nth: number) => Math.imul(nth, 0x9e3779b1)]) {
      const pairs = new Map<string, number>();
      for (let nth = 0; nth < games; nth += 1) {
        let before = 0;
        for (let draws = 0; draws < turns; draws += 1) {
          const roll = chanceOf({ seed: seedOf(nth) }, { draws }).int(1, faces);
          if (draws > 0) pairs.set(`${before} ${roll}`, (pairs.get(`${before} ${roll}`) ?? 0) + 1);
          before = roll;
        }
      }
      const expected = (games * (turns - 1)) / faces ** 2;
      const chi = [...pairs.values()].reduce((sum, count) => sum + (count - expected) ** 2 / expected, 0);
      expect(pairs.size).toBe(36);
      expect(chi).toBeGreaterThan(35 - 4 * 8.4);
      expect(chi).toBeLessThan(35 + 5 * 8.4);
    }
  });
});
