import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cardGaps, fitCards } from './fitCards.ts';

const shape = 1.38;
const row = (count: number, across?: number) => ({ count, heightPerWidth: shape, across });

/** Lays cards one by one, as the browser flows them, and tells how far down and to the right the last one comes. */
function lay(counts: readonly number[], width: number, roomWidth: number) {
  let [x, top, lineHeight] = [0, 0, 0];
  for (const count of counts) {
    const perLine = Math.min(count, Math.floor((roomWidth + cardGaps.card) / (width + cardGaps.card)));
    const own = Math.max(cardGaps.nameWidth, perLine * width + (perLine - 1) * cardGaps.card);
    const lines = Math.ceil(count / perLine);
    const height = cardGaps.name + lines * width * shape + (lines - 1) * cardGaps.card;
    if (x > 0 && x + cardGaps.beside + own > roomWidth) {
      [x, top] = [0, top + lineHeight + cardGaps.below];
      lineHeight = 0;
    }
    x += (x > 0 ? cardGaps.beside : 0) + own;
    lineHeight = Math.max(lineHeight, height);
    expect(perLine).toBeGreaterThan(0);
  }
  return top + lineHeight;
}

describe('cards as large as fit', () => {
  it('fill the lower of what the width and the height allow', () => {
    // Two cards in 400 by 1000: the width decides; in 1000 by 200: the height.
    expect(fitCards([row(2)], { width: 300, height: 1000 })).toBe(146);
    expect(fitCards([row(2)], { width: 1000, height: 24 + 100 * shape + 0.1 })).toBe(100);
  });
  it('are never broken into lines where they are few, and lie in lines of so many where they must', () => {
    expect(fitCards([row(4)], { width: 4 * 60 + 3 * cardGaps.card, height: 2000 })).toBe(60);
    expect(fitCards([row(12, 4)], { width: 4 * 60 + 3 * cardGaps.card, height: 2000 })).toBe(60);
    // Fewer than a line are as large as they can be.
    expect(fitCards([row(1, 10)], { width: 150, height: 2000 })).toBe(150);
  });
  it('fit, whatever lies there, as long as there is room at all', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 500, max: 1400 }),
        fc.integer({ min: 420, max: 1100 }),
        (counts, width, height) => {
          const card = fitCards(
            counts.map((one) => row(one)),
            { width, height },
          );
          expect(lay(counts, card, width)).toBeLessThanOrEqual(height + 0.001);
        },
      ),
    );
  });
});
