import { evaluate } from 'mathjs';
import { describe, expect, it, vi } from 'vitest';
import { expressionText, signs } from '../numbers/expression.ts';

const numbers = [6, 4, 3, 2];
const orders = numbers.flatMap((a) =>
  numbers.flatMap((b) =>
    numbers.flatMap((c) => numbers.flatMap((d) => (new Set([a, b, c, d]).size === 4 ? [[a, b, c, d]] : []))),
  ),
);

/** The application as it is just begun: nothing has been looked for yet. */
async function fresh() {
  vi.resetModules();
  const [{ longestLine, shortestLine }, { linesFor }, { reachOf }] = await Promise.all([
    import('../numbers/lineFor.ts'),
    import('./askMade.ts'),
    import('./shelf/make/sweepReach.ts'),
  ]);
  return (own: readonly number[], target: number): readonly string[] =>
    [
      shortestLine({ numbers: own, signs, target }),
      longestLine({ numbers: own, signs, target }),
      linesFor({ numbers: own, signs, least: 2 }, target)[0],
      reachOf({ signs, top: 100 } as never, own).lineFor(target),
    ].map((line) => (line ? expressionText(line) : ''));
}

describe('what is remembered of lines', () => {
  it('changes none: a line hangs on the numbers as they lie, not on what was looked for before', async () => {
    const target = 10;
    const used = await fresh();
    const later = orders.map((own) => used(own, target));
    for (const at of [0, 7, 15, orders.length - 1]) {
      const first = (await fresh())(orders[at] as number[], target);
      expect(later[at]).toEqual(first);
      for (const line of first)
        expect(
          evaluate(line.replaceAll('\u2212', '-').replaceAll('\u00d7', '*').replaceAll('\u00f7', '/')),
        ).toBe(target);
    }
  });
});
