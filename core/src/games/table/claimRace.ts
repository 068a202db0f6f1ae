import { factOfItem } from '../../facts/item.ts';
import { firstClaim, headStarts, tieMs, type Claim } from '../claims.ts';
import type { Need } from '../game.ts';
import type { TableSeat } from './tableSeat.ts';

export interface MadeClaim extends Claim {
  /** A seat's own key or zone, or the tutor's for a seat. */
  readonly by: 'child' | 'tutor';
}

/** How much later than its press a press is heard of at most, ms. */
const heardWithinMs = 40;

/** ms by seat that a seat's claim counts as earlier by; all 0 unless the race is levelled. */
export function headStartsAt(seats: readonly TableSeat[], need: Need, levelled: boolean): readonly number[] {
  if (!levelled || need.kind !== 'claim') return seats.map(() => 0);
  const fact = factOfItem(need.asked.item);
  return headStarts(seats.map((seat) => (fact === null ? undefined : seat.timesMs[fact]) ?? seat.usualMs));
}

/** When nobody could be before those who claimed any more: a tie's width later, or the others' head start; undefined: nobody has. */
export function settlesAt(claims: readonly MadeClaim[], headStartMs: readonly number[]): number | undefined {
  const [first] = claims;
  if (!first) return undefined;
  // Until then a slower seat could still be first.
  const longest = Math.max(...headStartMs) - (headStartMs[first.seat] ?? 0);
  return first.atMs + Math.max(0, longest) + tieMs + heardWithinMs;
}

/** Who was first; undefined: nobody, or no agreement. */
export function firstOf(claims: readonly MadeClaim[], headStartMs: readonly number[]): MadeClaim | undefined {
  const seat = firstClaim(claims, headStartMs);
  return claims.find((one) => one.seat === seat);
}
