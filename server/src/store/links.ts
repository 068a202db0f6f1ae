import { codeDigits, codeLastsMinutes, linkLastsHours, type ChildShow, type NewLink } from '@veldrift/wire';
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
}

/** A code that may be made. */
export const newCode = (): string => String(randomInt(0, 10 ** codeDigits)).padStart(codeDigits, '0');

/** Makes a link for one child's screen by a code; undefined: somebody has that code. Those of before that have run out are taken away. */
export async function makeLink(tx: RoomTx, userId: string, code: string): Promise<NewLink | undefined> {
  await tx.run('delete from links where room_id = $1 and expires_at < now()', [tx.roomId]);
  const id = uuid();
  const [made] = await tx.rows<{ expires_at: Date }>(
    `insert into links (room_id, id, user_id, code_hash, expires_at) values ($1, $2, $3, $4, now() + make_interval(mins => $5))
     on conflict do nothing returning expires_at`,
    [tx.roomId, id, userId, hashOf(code), codeLastsMinutes],
  );
  return made && { id, code, expiresAt: made.expires_at.toISOString() };
}

/** Joins by a code: a token for the child's screen, or what is wrong with the code. */
export async function joinLink(
  db: Db,
  code: string,
): Promise<{ readonly link: FoundLink; readonly token: string } | 'unknown' | 'used' | 'expired'> {
  const { rows } = await db.query<{
    room_id: string;
    id: string;
    user_id: string;
    used: boolean;
    expires_at: Date;
  }>('select * from find_link_by_code($1)', [hashOf(code)]);
  const row = rows[0];
  if (!row) return 'unknown';
  if (row.used) return 'used';
  if (row.expires_at.getTime() < Date.now()) return 'expired';
  const token = randomBytes(32).toString('base64url');
  // Two devices at once: one of them is told that the code was used.
  const taken = await inRoom(db, row.room_id, (tx) =>
    tx.run(
      `update links set token_hash = $3, expires_at = now() + make_interval(hours => $4)
       where room_id = $1 and id = $2 and token_hash is null`,
      [row.room_id, row.id, hashOf(token), linkLastsHours],
    ),
  );
  if (taken === 0) return 'used';
  return { link: { id: row.id, roomId: row.room_id, userId: row.user_id }, token };
}

/** The link of a child's screen, by its token. */
export async function linkOfToken(db: Db, token: string): Promise<FoundLink | undefined> {
  const { rows } = await db.query<{ room_id: string; id: string; user_id: string }>(
    'select * from find_link_by_token($1)',
    [hashOf(token)],
  );
  const row = rows[0];
  return row && { id: row.id, roomId: row.room_id, userId: row.user_id };
}

/**
 * Keeps what is shown, for a screen that comes back, and tells the child's screen of it at commit: one statement, and no wait
 * for the disk, since the table says it again where it was lost. Whether there is such a link of this tutor.
 */
export async function showOnLink(tx: RoomTx, userId: string, id: string, shown: ChildShow): Promise<boolean> {
  const rows = await tx.rows(
    `with kept as (
       update links set shown = $4 where room_id = $1 and id = $2 and user_id = $3 and expires_at > now() returning id
     )
     select set_config('synchronous_commit', 'off', true), pg_notify($5, $6) from kept`,
    [tx.roomId, id, userId, JSON.stringify(shown), channel, livePayload(id, 'child', shown)],
  );
  return rows.length === 1;
}

export async function shownOn(db: Db, link: FoundLink): Promise<ChildShow | null> {
  const [row] = await inRoom(db, link.roomId, (tx) =>
    tx.rows<{ shown: ChildShow | null }>('select shown from links where room_id = $1 and id = $2', [
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
