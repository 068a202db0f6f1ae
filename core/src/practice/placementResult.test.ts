import { describe, expect, it } from 'vitest';
import type { PlacementPlan, PlacementReading } from './placement.ts';
import { placementOdds, type SetTally } from './placementOdds.ts';
import { placementResult } from './placementResult.ts';

const names = ['doubles', 'tens', 'fives', 'nines'];
const plan: PlacementPlan = {
  sets: names.map((name) => ({ id: name, name, introduces: [] })),
  startAt: 0,
  seed: 1,
  timed: true,
};
/** The result by tallies [recalled, short] and the chances given; by the model's own where none are. */
function result(tallies: readonly (readonly [number, number])[], odds?: readonly number[]) {
  const list: SetTally[] = names.map((_, at) => {
    const [recalled, short] = tallies[at] ?? [0, 0];
    return { recalled, short };
  });
  const reading = { tallies: list, odds: odds ?? placementOdds(list) } as unknown as PlacementReading;
  return placementResult(plan, reading);
}

describe('what a placement comes to', () => {
  it('is nothing before there is evidence, and something by one answer either way', () => {
    expect(result([])).toBeUndefined();
    expect(result([[1, 0]])).toBeDefined();
    expect(result([[0, 1]])).toBeDefined();
    expect(result([[1, 1]])).toBeDefined();
  });
  it('says of each set that was asked how many were recalled, and of no other', () => {
    expect(
      result([
        [4, 0],
        [0, 0],
        [3, 1],
        [0, 2],
      ])?.reasons,
    ).toEqual(['doubles: 4 of 4 recalled.', 'fives: 3 of 4 recalled.', 'nines: 0 of 2 recalled.']);
  });
  it('begins at the likeliest set, or past the last where all are instant', () => {
    expect(result([[4, 0]], [0.01, 0.9, 0.05, 0.03, 0.01])).toMatchObject({ begin: 1, chance: 0.9 });
    expect(result([[4, 0]], [0, 0, 0, 0.02, 0.98])).toMatchObject({ begin: null, chance: 0.98, band: [4] });
  });
  it('says what would narrow it: nothing where one set is sure', () => {
    expect(result([[4, 0]], [0, 0.98, 0.02, 0, 0])?.wouldNarrow).toBe('');
  });
  it('says what would narrow it: a set before that may not be instant, as it was asked', () => {
    const odds = [0, 0.3, 0.6, 0.1, 0];
    const passedOver = result(
      [
        [4, 0],
        [0, 0],
        [1, 3],
      ],
      odds,
    );
    expect(passedOver?.wouldNarrow).toBe('Four more facts of tens, which was passed over.');
    expect(passedOver?.band).toEqual([1, 2, 3]);
    expect(
      result(
        [
          [4, 0],
          [0, 1],
        ],
        odds,
      )?.wouldNarrow,
    ).toBe('Four more facts of tens, of which only 1 was asked.');
    expect(
      result(
        [
          [4, 0],
          [3, 1],
        ],
        odds,
      )?.wouldNarrow,
    ).toBe('Four more facts of tens, of which only 4 were asked.');
    // Of two before it, the lower.
    expect(result([[4, 0]], [0.2, 0.2, 0.6, 0, 0])?.wouldNarrow).toMatch(/^Four more facts of doubles/);
  });
  it('says what would narrow it: the set itself, which may be instant after all', () => {
    expect(result([[4, 0]], [0, 0.6, 0.4, 0, 0])?.wouldNarrow).toBe(
      'Four more facts of tens: it may be instant after all.',
    );
    expect(result([[4, 0]], [0, 0, 0, 0.6, 0.4])?.wouldNarrow).toBe(
      'Four more facts of nines: it may be instant after all.',
    );
  });
  it('says what would narrow it: past the last, the set that may not be instant', () => {
    expect(result([[4, 0]], [0, 0, 0, 0.4, 0.6])?.wouldNarrow).toBe(
      'Four more facts of nines, which was passed over.',
    );
  });
  it('calls what is known patchy from eight answers and one in eight on, neither sooner', () => {
    const at = [0, 0, 0.99, 0.01, 0];
    expect(
      result(
        [
          [4, 0],
          [3, 1],
        ],
        at,
      )?.patchy,
    ).toEqual({ short: 1, of: 8 });
    expect(
      result(
        [
          [4, 0],
          [2, 1],
        ],
        at,
      )?.patchy,
    ).toBeNull();
    expect(
      result(
        [
          [4, 0],
          [4, 1],
        ],
        at,
      )?.patchy,
    ).toBeNull();
  });
});
