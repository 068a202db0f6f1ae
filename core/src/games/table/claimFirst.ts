import type { Move } from '../move.ts';
import { firstOf, headStartsAt } from './claimRace.ts';
import type { GameMoment } from './gamePress.ts';
import { nothing, perform } from './gameStep.ts';
import { gameNeed, type GameTable, type GameTableFrame, type GameTableStep } from './gameTable.ts';

/** A seat claims to be first, at a time stamp of the page, ms; `from`: when what is asked was shown. */
export function claim(
  frame: GameTableFrame,
  table: GameTable,
  { seat, at, by }: { readonly seat: number; readonly at: number; readonly by: 'child' | 'tutor' },
  from: number | undefined,
): GameTableStep {
  const need = gameNeed(frame, table);
  if (table.table.status !== 'playing' || need.kind !== 'claim' || !need.seats.includes(seat))
    return nothing(table);
  // With real dice or cards a claim need not wait for a screen.
  if (from === undefined ? frame.plan.mode !== 'called' : at < from) return nothing(table);
  if (table.claims.some((one) => one.seat === seat)) return nothing(table);
  return nothing({ ...table, claims: [...table.claims, { seat, atMs: at, by }] });
}

/** The time in which others could still have been first is out. */
export function settle(
  frame: GameTableFrame,
  table: GameTable,
  when: GameMoment,
  from: number | undefined,
): GameTableStep {
  const need = gameNeed(frame, table);
  if (table.claims.length === 0 || need.kind !== 'claim') return nothing(table);
  const first = firstOf(table.claims, headStartsAt(frame.seats, need, frame.plan.levelled));
  const move: Move = { kind: 'claim', seat: first?.seat ?? null };
  const step = perform(frame, { ...table, claims: [] }, move, first?.atMs ?? when.at, when);
  if (!first || step.sent.length === 0) return step;
  return {
    ...step,
    table: { ...step.table, claimed: { at: first.atMs, shownAt: from ?? null, by: first.by } },
  };
}
