import {
  classLastsHours,
  codeDigits,
  codeLastsMinutes,
  linkLastsHours,
  type ChildShow,
  type ClassShow,
  type NewLink,
} from '@veldrift/wire';
import { createHash, randomBytes, randomInt } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import { inRoom, type Db, type RoomTx } from '../db.ts';
import { channel, livePayload } from '../live/linkHub.ts';

const hashOf = (text: string) => createHash('sha256').update(`link:${text}`).digest();

/** A link as found by code or token. */
export interface FoundLink {
  readonly id: string;
  readonly roomId: string;
  readonly userId: string;
  /** The seat of this device in a class; null: it is one child's screen. */
  readonly seat: number | null;
}

/** A code that may be made. */
export const newCode = (): string => String(randomInt(0, 10 ** codeDigits)).padStart(codeDigits, '0');

/**
 * Makes a link by a code, for one child's screen or for so many devices of a class; undefined: somebody has that code. Those of
 * before that have run out are taken away.
 */
export async function makeLink(
  tx: RoomTx,
  userId: string,
  code: string,
  seats: number | null,
): Promise<NewLink | undefined> {
  await tx.run('delete from links where room_id = $1 and expires_at < now()', [tx.roomId]);
  const id = uuid();
  // A class comes in by and by: its code goes on for as long as it does.
  const minutes = seats === null ? codeLastsMinutes : classLastsHours * 60;
  const [made] = await tx.rows<{ expires_at: Date }>(
    `insert into links (room_id, id, user_id, code_hash, seats, expires_at)
     values ($1, $2, $3, $4, $5, now() + make_interval(mins => $6))
     on conflict do nothing returning expires_at`,
    [tx.roomId, id, userId, hashOf(code), seats, minutes],
  );
  return made && { id, code, expiresAt: made.expires_at.toISOString() };
}

/** Joins by a code: a token for this device, or what is wrong with the code. `known`: the token it has already, which keeps its seat. */
export async function joinLink(
  db: Db,
  code: string,
  known: string | undefined,
): Promise<{ readonly link: FoundLink; readonly token: string } | 'unknown' | 'used' | 'expired' | 'full'> {
  const { rows } = await db.query<{
    room_id: string;
    id: string;
    user_id: string;
    used: boolean;
    expires_at: Date;
    seats: number | null;
  }>('select * from find_link_by_code($1)', [hashOf(code)]);
  const row = rows[0];
  if (!row) return 'unknown';
  if (row.used) return 'used';
  if (row.expires_at.getTime() < Date.now()) return 'expired';
  const found = { id: row.id, roomId: row.room_id, userId: row.user_id };
  if (row.seats !== null && known !== undefined) {
    const before = await linkOfToken(db, known);
    if (before?.id === row.id) return { link: before, token: known };
  }
  const token = randomBytes(32).toString('base64url');
  if (row.seats !== null) {
    const seat = await takeSeat(db, found, token);
    return seat === undefined ? 'full' : { link: { ...found, seat }, token };
  }
  // Two devices at once: one of them is told that the code was used.
  const taken = await inRoom(db, row.room_id, (tx) =>
    tx.run(
      `update links set token_hash = $3, expires_at = now() + make_interval(hours => $4)
       where room_id = $1 and id = $2 and token_hash is null`,
      [row.room_id, row.id, hashOf(token), linkLastsHours],
    ),
  );
  if (taken === 0) return 'used';
  return { link: { ...found, seat: null }, token };
}

/** The lowest free seat of a class for a token; undefined: none is free. The class is held meanwhile, so that no two have one. */
async function takeSeat(
  db: Db,
  { roomId, id }: { readonly roomId: string; readonly id: string },
  token: string,
): Promise<number | undefined> {
  return inRoom(db, roomId, async (tx) => {
    await tx.rows('select 1 from links where room_id = $1 and id = $2 for update', [roomId, id]);
    const [seated] = await tx.rows<{ seat: number }>(
      `insert into link_seats (room_id, link_id, seat, token_hash)
       select $1, $2, min(nth), $3
       from links l, generate_series(1, l.seats) nth
       where l.room_id = $1 and l.id = $2
         and not exists (select 1 from link_seats s where s.room_id = $1 and s.link_id = $2 and s.seat = nth)
       having min(nth) is not null
       returning seat`,
      [roomId, id, hashOf(token)],
    );
    return seated?.seat;
  });
}

/** The link of a child's screen, by its token. */
export async function linkOfToken(db: Db, token: string): Promise<FoundLink | undefined> {
  const { rows } = await db.query<{ room_id: string; id: string; user_id: string; seat: number | null }>(
    'select * from find_link_by_token($1)',
    [hashOf(token)],
  );
  const row = rows[0];
  return row && { id: row.id, roomId: row.room_id, userId: row.user_id, seat: row.seat };
}

/** What is laid on a link: a table for one child's screen, or finding partners for a class. */
export type Shown = ChildShow | ClassShow;

/**
 * Keeps what is shown, for a screen that comes back, and tells the child's screen of it at commit: one statement, and no wait
 * for the disk, since the table says it again where it was lost. Whether there is such a link of this tutor.
 */
export async function showOnLink(
  tx: RoomTx,
  userId: string,
  id: string,
  shown: Shown,
  of: 'table' | 'class',
): Promise<boolean> {
  const rows = await tx.rows(
    `with kept as (
       update links set shown = $4 where room_id = $1 and id = $2 and user_id = $3 and expires_at > now() and (seats is null) = $7 returning id
     )
     select set_config('synchronous_commit', 'off', true), pg_notify($5, $6) from kept`,
    [tx.roomId, id, userId, JSON.stringify(shown), channel, livePayload(id, 'child', shown), of === 'table'],
  );
  return rows.length === 1;
}

export async function shownOn(db: Db, link: FoundLink): Promise<Shown | null> {
  const [row] = await inRoom(db, link.roomId, (tx) =>
    tx.rows<{ shown: Shown | null }>('select shown from links where room_id = $1 and id = $2', [
      link.roomId,
      link.id,
    ]),
  );
  return row?.shown ?? null;
}

/** Whether a link is this tutor's and still open. */
export async function isOwnLink(tx: RoomTx, userId: string, id: string): Promise<boolean> {
  const rows = await tx.rows(
    'select 1 from links where room_id = $1 and id = $2 and user_id = $3 and expires_at > now()',
    [tx.roomId, id, userId],
  );
  return rows.length === 1;
}

export async function dropLink(tx: RoomTx, userId: string, id: string): Promise<void> {
  await tx.run('delete from links where room_id = $1 and id = $2 and user_id = $3', [tx.roomId, id, userId]);
}
