import { factOfItem } from '@veldrift/core';
import { firstClaim, headStarts, tieMs, type Claim, type Need } from '@veldrift/core/games';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { GameSeat } from '../../app/deviceDb.ts';

export interface MadeClaim extends Claim {
  /** A seat's own key or zone, or the tutor's for a seat. */
  readonly by: 'child' | 'tutor';
}

/** Seats claiming to have been first. */
export interface Claiming {
  /** ms by seat that a seat's claim counts as earlier by; all 0 unless levelled. */
  readonly headStartMs: readonly number[];
  /** Seats that have claimed, while others still may. */
  readonly claimed: readonly number[];
  readonly claim: (seat: number, at: number, by: 'child' | 'tutor') => void;
  /** A claim on another screen, so long after it was shown there. */
  readonly claimThere: (seat: number, latencyMs: number) => void;
  /** Nobody, or no agreement. */
  readonly nobody: () => void;
}

interface Table {
  readonly need: Need;
  readonly seats: readonly GameSeat[];
  readonly levelled: boolean;
  /** When what is asked was shown, ms of the page. */
  readonly shownAt: () => number | undefined;
  /** It lies on the table in real dice or cards: a claim need not wait for a screen. */
  readonly onTable: boolean;
  /** Who was first; null: nobody, or a tie. */
  readonly onClaimed: (claim: { seat: number; at: number; by: 'child' | 'tutor' } | null) => void;
}

/** How much later than its press a press is heard of at most, ms. */
const heardWithinMs = 40;

/** Takes the claims of a race. A claim waits until nobody could be before it: a tie's width, or the others' head start. */
export function useClaims({ need, seats, levelled, shownAt, onTable, onClaimed }: Table): Claiming {
  const [claims, setClaims] = useState<readonly MadeClaim[]>([]);
  const now = useRef<readonly MadeClaim[]>([]);
  const racing = need.kind === 'claim';
  const fact = racing ? factOfItem(need.asked.item) : null;
  const headStartMs = useMemo(
    () =>
      levelled && racing
        ? headStarts(seats.map((seat) => (fact === null ? undefined : seat.timesMs[fact]) ?? seat.usualMs))
        : seats.map(() => 0),
    [fact, levelled, racing, seats],
  );
  const settle = useCallback(() => {
    const made = now.current;
    now.current = [];
    setClaims([]);
    const first = firstClaim(made, headStartMs);
    onClaimed(made.find((one) => one.seat === first) ? toClaim(made, first as number) : null);
  }, [headStartMs, onClaimed]);
  const settled = useRef(settle);
  useEffect(() => {
    settled.current = settle;
  });
  const [lastNeed, setLastNeed] = useState(need);
  // Another prompt: claims on the one before are gone.
  if (lastNeed !== need) {
    setLastNeed(need);
    setClaims([]);
  }
  useEffect(() => {
    now.current = [];
  }, [need]);
  useEffect(() => {
    const [first] = claims;
    if (!first) return;
    // Until then a slower seat could still be first.
    const longest = Math.max(...headStartMs) - (headStartMs[first.seat] ?? 0);
    const until = first.atMs + Math.max(0, longest) + tieMs + heardWithinMs;
    const handle = setTimeout(() => settled.current(), Math.max(0, until - performance.now()));
    return () => clearTimeout(handle);
  }, [claims, headStartMs]);
  const claim = (seat: number, at: number, by: 'child' | 'tutor') => {
    const from = shownAt();
    if (!racing || !need.seats.includes(seat)) return;
    if (from === undefined ? !onTable : at < from) return;
    if (now.current.some((one) => one.seat === seat)) return;
    now.current = [...now.current, { seat, atMs: at, by }];
    setClaims(now.current);
  };
  return {
    headStartMs,
    claimed: claims.map((one) => one.seat),
    claim,
    claimThere: (seat, latencyMs) => claim(seat, (shownAt() ?? performance.now()) + latencyMs, 'child'),
    nobody: () => {
      if (!racing) return;
      now.current = [];
      setClaims([]);
      onClaimed(null);
    },
  };
}

function toClaim(made: readonly MadeClaim[], seat: number) {
  const found = made.find((one) => one.seat === seat) as MadeClaim;
  return { seat, at: found.atMs, by: found.by };
}
