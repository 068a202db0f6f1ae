import { factOfItem } from '../../facts/item.ts';
import { firstClaim, headStarts, tieMs, type Claim } from '../claims.ts';
import type { Need } from '../need.ts';
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

/** A seat on a device of its own: when that was heard to have shown what is asked, as a time stamp here, ms; null: not yet. */
export interface SeatShown {
  readonly seat: number;
  readonly heardAt: number | null;
}

/** How much longer than a prompt's painting a claim may be on its way from a device, ms; and how long a silent one is waited for. */
export const onTheWayMs = 150;
export const silentMs = 1500;

/**
 * When nobody could be before those who claimed any more, a time stamp here, ms; undefined: nobody has claimed. A tie's width
 * later, or the others' head start. A device is waited for until its child's claim, had it been made as quickly, would have come
 * the same way as the word that the prompt was painted there; `from`: from when the claims' own times count.
 */
export function settlesAt(
  claims: readonly MadeClaim[],
  headStartMs: readonly number[],
  devices: readonly SeatShown[] = [],
  from = 0,
): number | undefined {
  const [first] = claims;
  if (!first) return undefined;
  // Until then a slower seat could still be first.
  const aheadOf = (start: number) => Math.max(0, start - (headStartMs[first.seat] ?? 0));
  const here = first.atMs + aheadOf(Math.max(...headStartMs)) + tieMs + heardWithinMs;
  const there = devices
    .filter(({ seat }) => claims.every((one) => one.seat !== seat))
    .map(({ seat, heardAt }) =>
      heardAt === null
        ? first.atMs + silentMs
        : heardAt + (first.atMs - from) + aheadOf(headStartMs[seat] ?? 0) + tieMs + onTheWayMs,
    );
  return Math.max(here, ...there);
}

/** Who was first; undefined: nobody, or no agreement. */
export function firstOf(claims: readonly MadeClaim[], headStartMs: readonly number[]): MadeClaim | undefined {
  const seat = firstClaim(claims, headStartMs);
  return claims.find((one) => one.seat === seat);
}
