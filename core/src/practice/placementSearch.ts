import type { FactKey } from '../facts/fact.ts';
import { mostLikely, type SetTally } from './placementOdds.ts';

/** Facts of one set asked at first; all recalled pass it. */
export const placementSample = 4;
/** After one that was not recalled so many are asked in all, and one less passes. */
export const placementSampleLong = 6;
/** A placement stops asking once the set to begin with is this likely. */
export const placementSure = 0.975;

/** How far the search for the set to begin with has come: a gallop upwards, then halving. */
export interface PlacementSearch {
  /** The highest set passed, -1 before any. */
  readonly below: number;
  /** The lowest set not passed. */
  readonly above: number | undefined;
  /** How far the next gallop goes. */
  readonly step: number;
  /** The set under test; undefined when the bracket is closed. */
  readonly at: number | undefined;
}

/** The set to ask of now: the one under test, or what would tell most; undefined when enough is known or nothing is left. */
export function nextSet(
  search: PlacementSearch,
  odds: readonly number[],
  orders: readonly (readonly FactKey[])[],
  used: readonly number[],
): number | undefined {
  const hasMore = (at: number) => at < used.length && (used[at] as number) < (orders[at]?.length ?? 0);
  if (search.at !== undefined && hasMore(search.at)) return search.at;
  const [first, second] = mostLikely(odds);
  if ((odds[first] as number) >= placementSure) return undefined;
  // Whether the lower of two candidates is instant tells them apart.
  const wanted = Math.min(first, second);
  if (hasMore(wanted)) return wanted;
  return [...odds.keys()]
    .filter((at) => hasMore(at) && (odds[at] as number) > 0.02)
    .sort((a, b) => (odds[b] as number) - (odds[a] as number))[0];
}

/** The search after one more answer. */
export function advanceSearch(
  search: PlacementSearch,
  tallies: readonly SetTally[],
  orders: readonly (readonly FactKey[])[],
  used: readonly number[],
  count: number,
): PlacementSearch {
  const { at } = search;
  if (at === undefined) return search;
  const passed = verdictOf(tallies[at] as SetTally, used[at] as number, orders[at]?.length ?? 0);
  if (passed === undefined) return search;
  const below = passed ? Math.max(search.below, at) : search.below;
  const above = passed ? search.above : Math.min(search.above ?? count, at);
  if (above === undefined) {
    if (below === count - 1) return { below, above, step: search.step, at: undefined };
    return { below, above, step: search.step * 2, at: Math.min(count - 1, below + search.step) };
  }
  return {
    below,
    above,
    step: search.step,
    at: above - below > 1 ? Math.floor((below + above) / 2) : undefined,
  };
}

/** Whether a set passed; undefined while that is open. A set with fewer facts is judged on those it has. */
function verdictOf(tally: SetTally, used: number, has: number): boolean | undefined {
  const { recalled, short } = tally;
  if (short >= 2) return false;
  if (short === 0 && recalled >= placementSample) return true;
  if (short === 1 && recalled >= placementSampleLong - 1) return true;
  if (used < has) return undefined;
  return short === 0 && recalled > 0;
}
