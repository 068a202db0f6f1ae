import type { FactKey } from '../facts/fact.ts';
import { factOfItem } from '../facts/item.ts';
import { askCards } from '../games/askFact.ts';
import { eitherWay } from './exposure.ts';
import type { PackWish } from './packWish.ts';

/** What is asked of each number with each other, looked up by place. */
export interface WishTable {
  readonly size: number;
  /** The wanted facts, each once. */
  readonly wanted: readonly FactKey[];
  /** By place of one and place of the other: which wanted fact it is, or −1. */
  readonly want: Int8Array;
  readonly known: Uint8Array;
}

/** What a filled pack shows in one deal. */
export interface Counted {
  readonly cards: number;
  /** Expected times of each wanted fact in one deal. */
  readonly want: Float64Array;
  readonly known: number;
}

/** What each two numbers of a wish ask, worked out once. */
export function tableOf({ operation, want, known, ranks, fixed }: PackWish): WishTable {
  const size = ranks.length;
  const wanted = [...new Set(want.map(eitherWay))];
  const knows = new Set(known.map(eitherWay));
  const table = {
    size,
    wanted,
    want: new Int8Array(size * size).fill(-1),
    known: new Uint8Array(size * size),
  };
  for (let i = 0; i < size; i += 1)
    for (let j = i; j < size; j += 1) {
      const numbers = [ranks[i] as number, fixed ?? (ranks[j] as number)].sort((a, b) => a - b);
      const fact = factOfItem(askCards(0, operation, numbers).item);
      if (fact === null) continue;
      const key = eitherWay(fact);
      table.want[i * size + j] = wanted.indexOf(key);
      table.known[i * size + j] = knows.has(key) && !wanted.includes(key) ? 1 : 0;
    }
  return table;
}

/** Ways in which two places are turned together from a pack with so many of each number; with a number that stays, one place. */
export function waysOf(counts: readonly number[], i: number, j: number, stays: boolean): number {
  const own = counts[i] as number;
  if (stays) return i === j ? own : 0;
  return i === j ? (own * (own - 1)) / 2 : own * (counts[j] as number);
}

/** What a filled pack shows in one deal. */
export function countOf(
  { fixed }: Pick<PackWish, 'fixed'>,
  table: WishTable,
  counts: readonly number[],
): Counted {
  const { size } = table;
  const stays = fixed !== null;
  const want = new Float64Array(table.wanted.length);
  let [cards, known] = [0, 0];
  for (const one of counts) cards += one;
  const all = stays ? cards : (cards * (cards - 1)) / 2;
  for (let i = 0; i < size; i += 1) {
    if (counts[i] === 0) continue;
    for (let j = i; j < (stays ? i + 1 : size); j += 1) {
      const share = waysOf(counts, i, j, stays) / all;
      const which = table.want[i * size + j] as number;
      if (which >= 0) want[which] = (want[which] as number) + share;
      else if (table.known[i * size + j] === 1) known += share;
    }
  }
  return { cards, want, known };
}
