import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  claimOf,
  classCalls,
  classCards,
  callText,
  squareText,
  withLine,
  type ClassGrid,
} from './gridCaller.ts';

const grid = (over: Partial<ClassGrid> = {}): ClassGrid => ({
  ...{ cards: 12, side: 3, operations: ['mul'], largest: 10, form: 'answers' },
  ...over,
});

/** What a fact or a number comes to, reckoned here from what is written. */
function valueOf(text: string): number {
  const [left = 0, right] = (text.match(/\d+/g) ?? []).map(Number);
  if (right === undefined) return left;
  return text.includes('+')
    ? left + right
    : text.includes('×')
      ? left * right
      : text.includes('÷')
        ? left / right
        : left - right;
}

describe('cards of a grid for a class', () => {
  it('are as many as asked, and no two hold the same', () => {
    const cards = classCards(grid({ cards: 36 }), 5).map((card) => card.map(squareText));
    expect(cards.length).toBe(36);
    expect(new Set(cards.map((card) => [...card].sort().join())).size).toBe(36);
    for (const card of cards) expect(new Set(card).size).toBe(9);
  });

  it('can each be won, in every form: what is called covers each square of each card', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('answers' as const, 'facts' as const, 'mixed' as const),
        fc.constantFrom(3 as const, 4 as const, 5 as const),
        fc.constantFrom('add' as const, 'sub' as const, 'mul' as const, 'div' as const),
        fc.integer({ min: 0, max: 1e6 }),
        (form, side, operation, seed) => {
          const choices = grid({ form, side, operations: [operation], largest: 12 });
          const called = new Set(classCalls(choices, seed).map((call) => valueOf(callText(call))));
          const cards = classCards(choices, seed);
          for (const card of cards)
            for (const square of card) expect(called).toContain(valueOf(squareText(square)));
          expect(withLine(cards, classCalls(choices, seed))).toHaveLength(cards.length);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('say so where there are too few facts', () => {
    expect(() => classCards(grid({ side: 5, largest: 4, cards: 2 }), 1)).toThrow(/too few facts/);
  });
});

describe('what is called', () => {
  it('is called once, whatever the form, and each fact is among facts called', () => {
    for (const form of ['answers', 'facts', 'mixed'] as const) {
      const texts = classCalls(grid({ form }), 3).map(callText);
      expect(new Set(texts).size).toBe(texts.length);
    }
    // Two to ten times two to ten.
    expect(classCalls(grid(), 3)).toHaveLength(81);
    expect(classCalls(grid({ form: 'facts' }), 3).every((call) => call.calls === 'answer')).toBe(true);
    // By turns, some answers having been called before.
    expect(new Set(classCalls(grid({ form: 'mixed' }), 3).map(({ calls }) => calls)).size).toBe(2);
  });
});

describe('a claim', () => {
  it('is judged by the calls so far: the line that is full, or what was not called of the nearest', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), fc.integer({ min: 0, max: 81 }), (seed, count) => {
        const [card = []] = classCards(grid({ cards: 1 }), seed);
        const calls = classCalls(grid(), seed).slice(0, count);
        const called = calls.map((call) => valueOf(callText(call)));
        const texts = card.map(squareText);
        const has = (at: number) => called.includes(valueOf(texts[at] as string));
        const rows = [
          ...[0, 1, 2].map((row) => [row * 3, row * 3 + 1, row * 3 + 2]),
          ...[0, 1, 2].map((col) => [col, col + 3, col + 6]),
          ...[
            [0, 4, 8],
            [2, 4, 6],
          ],
        ];
        const claim = claimOf(card, calls);
        expect(claim.covered).toEqual([...texts.keys()].filter(has));
        const full = rows.filter((row) => row.every(has));
        if (full.length > 0) {
          expect(full).toContainEqual(claim.line);
          expect(claim.wanting).toEqual([]);
        } else {
          expect(claim.line).toBeNull();
          const fewest = Math.min(...rows.map((row) => row.filter((at) => !has(at)).length));
          expect(claim.wanting).toHaveLength(fewest);
          for (const text of claim.wanting) expect(called).not.toContain(valueOf(text));
        }
      }),
      { numRuns: 150 },
    );
  });

  it('of a card that is not there is refused', () => {
    expect(() => claimOf(classCards(grid(), 1)[12], [])).toThrow(/no such card/);
  });
});
