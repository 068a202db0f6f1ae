import { createHash, randomBytes } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import { inRoom, type Db } from '../db.ts';

export const cookieName = 'veldrift_session';
/** A sign-in lasts this long after it was last used. */
export const sessionHours = 12;

export interface Session {
  readonly id: string;
  readonly roomId: string;
  readonly userId: string;
  readonly name: string;
  readonly room: string;
  readonly timeZone: string;
  readonly expiresAt: Date;
}

const hashOf = (token: string) => createHash('sha256').update(token).digest();

/** Opens a session and gives its token; only the token's hash is kept. */
export async function openSession(db: Db, roomId: string, userId: string): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await inRoom(db, roomId, (tx) =>
    tx.run(
      `insert into sessions (room_id, id, user_id, token_hash, expires_at) values ($1, $2, $3, $4, now() + make_interval(hours => $5))`,
      [roomId, uuid(), userId, hashOf(token), sessionHours],
    ),
  );
  return token;
}

/** The session of a token, if it is still open. One used in its second half is extended. */
export async function findSession(db: Db, token: string): Promise<Session | undefined> {
  const { rows } = await db.query<{
    room_id: string;
    id: string;
    user_id: string;
    name: string;
    room: string;
    time_zone: string;
    expires_at: Date;
  }>('select * from find_session($1)', [hashOf(token)]);
  const row = rows[0];
  if (!row) return undefined;
  if (row.expires_at.getTime() - Date.now() < (sessionHours * 3_600_000) / 2) {
    await inRoom(db, row.room_id, (tx) =>
      tx.run('update sessions set expires_at = now() + make_interval(hours => $2) where id = $1', [
        row.id,
        sessionHours,
      ]),
    );
  }
  return {
    id: row.id,
    roomId: row.room_id,
    userId: row.user_id,
    name: row.name,
    room: row.room,
    timeZone: row.time_zone,
    expiresAt: row.expires_at,
  };
}

export async function closeSession(db: Db, session: Session): Promise<void> {
  await inRoom(db, session.roomId, (tx) =>
    tx.run('delete from sessions where id = $1 or expires_at < now()', [session.id]),
  );
}
