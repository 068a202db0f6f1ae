import { describe, expect, it } from 'vitest';
import { evaluate } from 'mathjs';
import { expressionText, signs } from './expression.ts';
import { longestLine, shortestLine } from './lineFor.ts';

const numbers = [6, 4, 3, 2];
const orders = numbers.flatMap((a) =>
  numbers.flatMap((b) =>
    numbers.flatMap((c) => numbers.flatMap((d) => (new Set([a, b, c, d]).size === 4 ? [[a, b, c, d]] : []))),
  ),
);

describe('a line that is looked for', () => {
  it('hangs on the numbers as they lie, and on nothing that was looked for before', () => {
    const look = (own: readonly number[], target: number) => {
      const ask = { numbers: own, signs, target };
      return [shortestLine(ask), longestLine(ask)].map((line) => line && expressionText(line));
    };
    for (const target of [10, 24, 7]) {
      const before = orders.map((own) => look(own, target));
      const after = orders
        .toReversed()
        .map((own) => look(own, target))
        .toReversed();
      expect(after).toEqual(before);
      for (const [short = '', long = ''] of before)
        for (const text of [short, long])
          expect(
            evaluate(text.replaceAll('\u2212', '-').replaceAll('\u00d7', '*').replaceAll('\u00f7', '/')),
          ).toBe(target);
    }
  });
});
