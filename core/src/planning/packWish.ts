import { tryParseFactKey, type FactKey } from '../facts/fact.ts';
import type { Operation } from '../facts/operation.ts';

/** What a pack should show a child. A fact stands for its turnaround too: two cards lie in either order. */
export interface PackWish {
  readonly operation: Operation;
  /** Facts to be met. */
  readonly want: readonly FactKey[];
  /** How often each of them is to come in so many deals. */
  readonly times: number;
  readonly deals: number;
  /** Facts that need no thought any more, and the least share of play they are to be, from 0 to 1. */
  readonly known: readonly FactKey[];
  readonly knownShare: number;
  /** Numbers that cards are at hand for, and the most cards of each. */
  readonly ranks: readonly number[];
  readonly copies: number;
  readonly mostCards: number;
  /** The fewest: of very few cards the same pairs come again and again. */
  readonly leastCards: number;
  /** A number that stays, to go with each card; null: two cards are turned together. */
  readonly fixed: number | null;
}

/** The most numbers that a pack is put together of. */
export const mostRanks = 14;

/** Throws RangeError with the field that cannot be read, and what it should be. */
export function checkWish({
  want,
  times,
  deals,
  knownShare,
  ranks,
  copies,
  mostCards,
  leastCards,
  operation,
}: PackWish): void {
  if (want.length === 0 || want.length > 60) throw new RangeError('want should be 1 to 60 facts.');
  if (want.some((key) => tryParseFactKey(key)?.operation !== operation))
    throw new RangeError('want should be facts of the operation.');
  if (!(times > 0)) throw new RangeError('times should be a number above 0.');
  if (!Number.isInteger(deals) || deals < 1)
    throw new RangeError('deals should be a whole number, 1 or more.');
  if (!(knownShare >= 0 && knownShare <= 1)) throw new RangeError('knownShare should be from 0 to 1.');
  if (ranks.length < 1 || ranks.length > mostRanks || new Set(ranks).size < ranks.length)
    throw new RangeError(`ranks should be 1 to ${mostRanks} numbers, each once.`);
  if (!ranks.every((one) => Number.isInteger(one) && one >= 0 && one <= 100))
    throw new RangeError('ranks should be whole numbers from 0 to 100.');
  if (!Number.isInteger(copies) || copies < 1 || copies > 8) throw new RangeError('copies should be 1 to 8.');
  if (!Number.isInteger(mostCards) || mostCards < 2 || mostCards > 108)
    throw new RangeError('mostCards should be 2 to 108.');
  if (!Number.isInteger(leastCards) || leastCards < 0 || leastCards > mostCards)
    throw new RangeError('leastCards should be 0 to mostCards.');
}
