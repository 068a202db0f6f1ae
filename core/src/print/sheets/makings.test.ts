import { describe, expect, it } from 'vitest';
import { operations } from '../../facts/operation.ts';
import { roomOn } from '../paper.ts';
import type { Page } from '../piece.ts';
import { caps, cups, hands } from './makings.ts';
import { wordsForSign, wordMap } from './wordMap.ts';

const room = roomOn('letter');
const textsOn = (pages: readonly Page[]) =>
  pages.flat().flatMap((piece) => (piece.kind === 'text' ? [piece.text] : []));

describe('sheets to make things of', () => {
  it('number the fingers of two hands from one side to the other', () => {
    const [page = []] = hands.pages({ numbered: true }, 1, room);
    const numbers = page.flatMap((piece) => (piece.kind === 'text' ? [piece] : []));
    const across = numbers.toSorted((one, other) => one.x - other.x).map((one) => Number(one.text));
    expect(across).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10]);
    expect(textsOn(hands.pages({ numbered: false }, 1, room))).toEqual([]);
    // Each outline is closed: every place where a line ends another begins.
    const ends = new Map<string, number>();
    for (const piece of page)
      if (piece.kind === 'line')
        for (const [x, y] of [
          [piece.x1, piece.y1],
          [piece.x2, piece.y2],
        ] as const) {
          const place = `${x.toFixed(3)} ${y.toFixed(3)}`;
          ends.set(place, (ends.get(place) ?? 0) + 1);
        }
    expect([...ends.values()].every((count) => count % 2 === 0)).toBe(true);
  });

  it('have the multiples of a table in their order, each with its fact where that is wished', () => {
    expect(textsOn(caps.pages({ table: 7, to: 12, facts: false }, 1, room)).map(Number)).toEqual([
      7, 14, 21, 28, 35, 42, 49, 56, 63, 70, 77, 84,
    ]);
    const told = textsOn(caps.pages({ table: 7, to: 3, facts: true }, 1, room));
    expect(told).toEqual(['7', '1 \u00d7 7', '14', '2 \u00d7 7', '21', '3 \u00d7 7']);
  });

  it('have every number on both cups once, the sign on one of them, whichever way the ends were typed', () => {
    const texts = (from: number, to: number) => textsOn(cups.pages({ sign: '+', from, to }, 1, room));
    expect(texts(2, 4)).toEqual(['2', '3', '4', 'glue', '+ 2', '+ 3', '+ 4', 'glue']);
    expect(texts(4, 2)).toEqual(texts(2, 4));
    expect(texts(5, 5)).toEqual(['5', 'glue', '+ 5', 'glue']);
  });

  it('have words around a sign, no word for two signs, and room for one\u2019s own', () => {
    const all = operations.flatMap((one) => wordsForSign[one]);
    expect(new Set(all).size).toBe(all.length);
    for (const operation of operations) {
      const [page = []] = wordMap.pages({ operation, words: true }, 1, room);
      expect(textsOn([page])).toEqual(expect.arrayContaining([...wordsForSign[operation]]));
      expect(page.filter((piece) => piece.kind === 'box')).toHaveLength(9);
      const [empty = []] = wordMap.pages({ operation, words: false }, 1, room);
      expect(textsOn([empty])).toHaveLength(2);
      // Lines lead from box to box, through none.
      for (const piece of page)
        if (piece.kind === 'line')
          for (const box of page)
            if (box.kind === 'box') {
              const [x, y] = [(piece.x1 + piece.x2) / 2, (piece.y1 + piece.y2) / 2];
              const within =
                x > box.left && x < box.left + box.width && y > box.top && y < box.top + box.height;
              expect(within).toBe(false);
            }
    }
  });
});
