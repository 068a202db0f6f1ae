import { describe, expect, it } from 'vitest';
import { advanceSearch, nextSet, type PlacementSearch } from './placementSearch.ts';

const orders = (counts: readonly number[]) =>
  counts.map((count, set) => Array.from({ length: count }, (_, nth) => `${set}+${nth}`));
const eight = orders(Array.from({ length: 8 }, () => 10));

/** What a set comes to by its answers: the search of two sets goes up when it passed, is closed when not, and stays while it is open. */
function verdict(recalled: number, short: number, { used = recalled + short, has = 10 } = {}) {
  const before: PlacementSearch = { below: -1, above: undefined, step: 1, at: 0 };
  const after = advanceSearch(before, [{ recalled, short }, none], orders([has, 10]), [used, 0], 2);
  if (after === before) return 'open';
  if (after.below === 0 && after.above === undefined && after.at === 1) return 'passed';
  if (after.below === -1 && after.above === 0 && after.at === undefined) return 'not passed';
  return after;
}
const none = { recalled: 0, short: 0 };

describe('a set of a placement', () => {
  it('passes by four of four or five of six, and does not by two that were not recalled', () => {
    const table = [
      [0, 0, 'open'],
      [3, 0, 'open'],
      [4, 0, 'passed'],
      [0, 1, 'open'],
      [3, 1, 'open'],
      [4, 1, 'open'],
      [5, 1, 'passed'],
      [0, 2, 'not passed'],
      [4, 2, 'not passed'],
      [5, 2, 'not passed'],
    ] as const;
    for (const [recalled, short, says] of table)
      expect(verdict(recalled, short), `${recalled}, ${short}`).toBe(says);
  });
  it('with fewer facts is judged on those it has', () => {
    expect(verdict(2, 0, { has: 3 })).toBe('open');
    expect(verdict(3, 0, { has: 3 })).toBe('passed');
    expect(verdict(2, 1, { has: 3 })).toBe('not passed');
    // Doubt is no evidence: of a set of which nothing is known, nothing is taken for known.
    expect(verdict(0, 0, { has: 3, used: 3 })).toBe('not passed');
    expect(verdict(1, 0, { has: 3, used: 3 })).toBe('passed');
  });
});

describe('the search of a placement', () => {
  const passed = { recalled: 4, short: 0 };
  const failed = { recalled: 0, short: 2 };
  /** The search after the set under test passed or not. */
  const step = (search: PlacementSearch, tally: { recalled: number; short: number }, count = 8) =>
    advanceSearch(
      search,
      Array.from({ length: count }, (_, at) => (at === search.at ? tally : none)),
      orders(Array.from({ length: count }, () => 10)),
      Array.from({ length: count }, (_, at) => (at === search.at ? tally.recalled + tally.short : 0)),
      count,
    );
  const begin = (at: number): PlacementSearch => ({ below: -1, above: undefined, step: 1, at });
  const tested = (first: PlacementSearch, tallies: readonly (typeof passed)[], count = 8) => {
    const path: PlacementSearch[] = [first];
    for (const tally of tallies) path.push(step(path.at(-1) as PlacementSearch, tally, count));
    return path.map(({ at }) => at);
  };
  it('gallops up one, two and four, to the last set and no further', () => {
    expect(tested(begin(0), [passed, passed, passed, passed])).toEqual([0, 1, 3, 7, undefined]);
    expect(tested(begin(0), [passed, passed, passed, passed], 6)).toEqual([0, 1, 3, 5, undefined]);
    expect(step({ below: 3, above: undefined, step: 4, at: 7 }, passed)).toEqual({
      below: 7,
      above: undefined,
      step: 4,
      at: undefined,
    });
    expect(tested(begin(6), [passed, passed])).toEqual([6, 7, undefined]);
  });
  it('halves what lies between the highest passed and the lowest not passed, until nothing does', () => {
    expect(tested(begin(0), [passed, passed, passed, failed, failed, passed])).toEqual([
      0,
      1,
      3,
      7,
      5,
      4,
      undefined,
    ]);
    expect(tested(begin(0), [failed])).toEqual([0, undefined]);
    // Begun by a guess that was too high, it looks below it.
    expect(tested(begin(6), [failed, failed, failed])).toEqual([6, 2, 0, undefined]);
    expect(tested(begin(6), [failed, passed, passed, passed])).toEqual([6, 2, 4, 5, undefined]);
    expect(step({ below: 1, above: 6, step: 2, at: 3 }, failed)).toEqual({
      below: 1,
      above: 3,
      step: 2,
      at: 2,
    });
  });
  it('lowers nothing by a second look, and is over once it is closed', () => {
    const closed: PlacementSearch = { below: 2, above: 3, step: 4, at: undefined };
    expect(step(closed, failed)).toBe(closed);
    const low: PlacementSearch = { below: 4, above: 6, step: 4, at: 3 };
    expect(step(low, passed).below).toBe(4);
  });
});

describe('the set to ask of next', () => {
  const closed: PlacementSearch = { below: 2, above: 3, step: 4, at: undefined };
  const used = (at: Readonly<Record<number, number>> = {}) => eight.map((_, set) => at[set] ?? 0);
  const odds = (at: Readonly<Record<number, number>>) => Array.from({ length: 9 }, (_, set) => at[set] ?? 0);
  it('is the one under test, while it has facts that were not asked', () => {
    const open: PlacementSearch = { below: -1, above: undefined, step: 1, at: 5 };
    expect(nextSet(open, odds({ 0: 0.6, 1: 0.4 }), eight, used({ 5: 9 }))).toBe(5);
    expect(nextSet(open, odds({ 0: 0.6, 1: 0.4 }), eight, used({ 5: 10 }))).toBe(0);
  });
  it('then the lower of the two likeliest, which tells them apart', () => {
    expect(nextSet(closed, odds({ 3: 0.5, 4: 0.45, 2: 0.05 }), eight, used())).toBe(3);
    expect(nextSet(closed, odds({ 3: 0.45, 4: 0.5, 2: 0.05 }), eight, used())).toBe(3);
    // All of them instant lies past the last set.
    expect(nextSet(closed, odds({ 7: 0.4, 8: 0.6 }), eight, used())).toBe(7);
  });
  it('is none once one is sure enough', () => {
    expect(nextSet(closed, odds({ 3: 0.975, 4: 0.025 }), eight, used())).toBeUndefined();
    expect(nextSet(closed, odds({ 3: 0.97, 4: 0.03 }), eight, used())).toBe(3);
  });
  it('is the likeliest that has facts left where that one is asked out, and none of the unlikely', () => {
    const likely = odds({ 1: 0.03, 3: 0.45, 4: 0.4, 5: 0.1, 6: 0.02 });
    expect(nextSet(closed, likely, eight, used({ 3: 10 }))).toBe(4);
    expect(nextSet(closed, likely, eight, used({ 3: 10, 4: 10 }))).toBe(5);
    expect(nextSet(closed, likely, eight, used({ 3: 10, 4: 10, 5: 10 }))).toBe(1);
    expect(nextSet(closed, likely, eight, used({ 1: 10, 3: 10, 4: 10, 5: 10 }))).toBeUndefined();
    // Past the last set there is nothing to ask.
    expect(nextSet(closed, odds({ 7: 0.4, 8: 0.6 }), eight, used({ 7: 10 }))).toBeUndefined();
  });
});
