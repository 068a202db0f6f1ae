import { advanceMinute, advanceTurns, mayResume } from '@veldrift/core';
import {
  isGame,
  isTurns,
  type DeviceDb,
  type GameRow,
  type MinuteRow,
  type PlayRow,
  type TurnsRow,
} from '../app/deviceDb.ts';
import { allPlays } from '../app/playStore.ts';
import type { Outbox } from './outbox.ts';
import { isHeld } from './pageLock.ts';
import { tableEvents } from './tableEvents.ts';

/**
 * A minute as found on disk at `now` (ISO 8601). Running means that the page went away under it: it is paused since it was
 * last saved. One paused for longer than it may be is over, closed with the time it had used.
 */
export function takeUp(row: PlayRow, now: string): PlayRow {
  if (isGame(row)) return takeUpGame(row);
  return isTurns(row) ? takeUpTurns(row, now) : takeUpMinute(row, now);
}

/** A game stands where it stood, today or on another day. */
function takeUpGame(row: GameRow): GameRow {
  return row.state.status === 'playing'
    ? { ...row, state: { ...row.state, status: 'paused', pausedAt: row.savedAt, pauseReason: 'reload' } }
    : row;
}

/** What goes turn by turn may be taken up within this time: no count hangs on it, only the visit. */
export const turnsResumeWithinMs = 6 * 3_600_000;

function takeUpTurns(row: TurnsRow, now: string): TurnsRow {
  let { state } = row;
  if (state.status === 'asking' || state.status === 'told')
    state = advanceTurns(row.plan, state, {
      kind: 'paused',
      usedMs: state.usedMs,
      at: row.savedAt,
      reason: 'reload',
    });
  if (
    state.status === 'paused' &&
    Date.parse(now) - Date.parse(state.pausedAt ?? row.savedAt) > turnsResumeWithinMs
  )
    state = advanceTurns(row.plan, state, { kind: 'ended', usedMs: state.usedMs, reason: 'closed' });
  return state === row.state ? row : { ...row, state };
}

function takeUpMinute(row: MinuteRow, now: string): MinuteRow {
  let { state } = row;
  if (state.status === 'running')
    state = advanceMinute(state, { kind: 'paused', usedMs: state.usedMs, at: row.savedAt, reason: 'reload' });
  if (state.status === 'paused' && !mayResume(state, now))
    state = advanceMinute(state, { kind: 'ended', usedMs: state.usedMs, reason: 'closed' });
  return state === row.state ? row : { ...row, state };
}

/** Puts a minute that `takeUp` closed on record: with the time it had used, and as long ago as it stopped. */
export async function closeMinute(outbox: Outbox, closed: PlayRow): Promise<void> {
  const { usedMs, interrupted } = closed.state;
  const ended = { usedMs, interrupted, calm: isCalm(closed) };
  await outbox.add([tableEvents(closed).ended(ended, 'closed', closed.savedAt)], closed);
}

/** Whether the table was calm when the play stopped. */
export function isCalm(row: PlayRow): boolean {
  return isTurns(row) ? row.state.calmFrom !== null : row.state.calm;
}

/** Whether it stands or goes: begun and not over. */
export function isOpen(row: PlayRow): boolean {
  return row.state.status !== 'ready' && row.state.status !== 'over';
}

/** Where the browser cannot say which minutes are on a table, one saved within this is taken to be, ms. */
const underWayMs = 3000;

/** The name under which a table holds its minute. */
export const minuteLock = (playId: string): string => `veldrift-minute-${playId}`;

/** Whether a minute is on a table in some window of this browser now. */
async function isOnTable(row: PlayRow, now: string): Promise<boolean> {
  return (
    (await isHeld(minuteLock(row.playId))) ??
    (isOpen(row) && row.state.status !== 'paused' && Date.parse(now) - Date.parse(row.savedAt) < underWayMs)
  );
}

/** Closes a user's minutes that stood still for too long. Gives those that may still be taken up, the latest first. */
export async function openMinutes(
  db: DeviceDb,
  outbox: Outbox,
  userId: string,
  now: string,
): Promise<PlayRow[]> {
  const open: PlayRow[] = [];
  for (const row of await allPlays(db)) {
    if (row.userId !== userId || !isOpen(row)) continue;
    if (await isOnTable(row, now)) continue;
    const taken = takeUp(row, now);
    if (taken.state.status === 'over') await closeMinute(outbox, taken);
    else open.push(taken);
  }
  return open.sort((a, b) => (a.savedAt < b.savedAt ? 1 : -1));
}
