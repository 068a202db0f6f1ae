import Bowser from 'bowser';
import { createHash, randomBytes } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import { inRoom, type Db } from '../db.ts';

export const cookieName = 'veldrift_session';
/** Under which a device is known again after its tutor has signed out. It opens nothing. */
export const deviceCookieName = 'veldrift_device';

/** A sign-in ends so long after it was last used, h; after so much work (kept with the look-up, migration 0004), h; and after so long in all, days. */
export const sessionHours = 12;
export const sessionDays = 7;
/** A gap between two uses counts as work up to this, s. */
const workGapS = 600;
/** Uses are noted at most so often, ms. */
const notedEveryMs = 60_000;

export interface Session {
  readonly id: string;
  readonly roomId: string;
  readonly userId: string;
  readonly name: string;
  readonly room: string;
  readonly timeZone: string;
  readonly expiresAt: Date;
}

export const hashOfToken = (token: string) => createHash('sha256').update(token).digest();
export const newToken = () => randomBytes(32).toString('base64url');

/** Opens a session and gives its token; only the token's hash is kept. */
export async function openSession(
  db: Db,
  roomId: string,
  userId: string,
  { device = '', deviceToken }: { readonly device?: string; readonly deviceToken?: string } = {},
): Promise<string> {
  const token = newToken();
  await inRoom(db, roomId, async (tx) => {
    await tx.run(
      `insert into sessions (room_id, id, user_id, token_hash, expires_at, device) values ($1, $2, $3, $4, now() + make_interval(hours => $5), $6)`,
      [roomId, uuid(), userId, hashOfToken(token), sessionHours, device],
    );
    if (deviceToken !== undefined)
      await tx.run(
        `insert into devices (room_id, user_id, token_hash) values ($1, $2, $3)
         on conflict (room_id, user_id, token_hash) do update set seen_at = now()`,
        [roomId, userId, hashOfToken(deviceToken)],
      );
    // Screens whose time is over keep nothing of what was shown on them.
    await tx.run('delete from links where room_id = $1 and expires_at < now()', [roomId]);
    await tx.run(
      `delete from sessions where room_id = $1 and user_id = $2 and (expires_at < now() or worked_s >= $3)`,
      [roomId, userId, sessionHours * 3600],
    );
  });
  return token;
}

interface SessionRow {
  token_hash: Buffer;
  room_id: string;
  id: string;
  user_id: string;
  name: string;
  room: string;
  time_zone: string;
  expires_at: Date;
  last_used_at: Date;
}

/** Looks tokens up: those asked for while others are being looked up wait, and are looked up together. */
function openLookup(db: Db): (hash: Buffer) => Promise<SessionRow | undefined> {
  let waiting: {
    hash: Buffer;
    found: (row: SessionRow | undefined) => void;
    failed: (error: unknown) => void;
  }[] = [];
  let isUnderWay = false;
  const next = async (): Promise<void> => {
    const now = waiting;
    waiting = [];
    isUnderWay = true;
    try {
      const { rows } = await db.query<SessionRow>('select * from find_sessions($1)', [
        now.map((one) => one.hash),
      ]);
      const byHash = new Map(rows.map((row) => [row.token_hash.toString('hex'), row]));
      for (const one of now) one.found(byHash.get(one.hash.toString('hex')));
    } catch (error) {
      for (const one of now) one.failed(error);
    }
    isUnderWay = false;
    if (waiting.length > 0) void next();
  };
  return (hash) =>
    new Promise((found, failed) => {
      waiting.push({ hash, found, failed });
      if (!isUnderWay) void next();
    });
}

const lookups = new WeakMap<Db, ReturnType<typeof openLookup>>();

/** The session of a token, if it is still open. Its use is noted, a minute at a time. */
export async function findSession(db: Db, token: string): Promise<Session | undefined> {
  let lookup = lookups.get(db);
  if (!lookup) lookups.set(db, (lookup = openLookup(db)));
  const row = await lookup(hashOfToken(token));
  if (!row) return undefined;
  if (Date.now() - row.last_used_at.getTime() > notedEveryMs) {
    await inRoom(db, row.room_id, (tx) =>
      tx.run(
        `update sessions set worked_s = worked_s + least($3, extract(epoch from now() - last_used_at)), last_used_at = now(),
           expires_at = least(now() + make_interval(hours => $4), created_at + make_interval(days => $5))
         where room_id = $1 and id = $2 and last_used_at < now() - make_interval(secs => $6)`,
        [row.room_id, row.id, workGapS, sessionHours, sessionDays, notedEveryMs / 1000],
      ),
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

/** Ends a session. With a user's last one the screens of their tables go dark, and what was shown on them is gone. */
export async function closeSession(db: Db, session: Session): Promise<void> {
  await inRoom(db, session.roomId, async (tx) => {
    await tx.run('delete from sessions where room_id = $1 and (id = $2 or expires_at < now())', [
      session.roomId,
      session.id,
    ]);
    await tx.run(
      `delete from links l where l.room_id = $1 and l.user_id = $2
         and not exists (select 1 from sessions s where s.room_id = l.room_id and s.user_id = l.user_id)`,
      [session.roomId, session.userId],
    );
  });
}

/** How a browser names itself, in words for people: no more than they need to know their own device again. */
export function deviceName(userAgent: string | undefined): string {
  if (!userAgent) return 'a device';
  const { browser, os } = Bowser.parse(userAgent.slice(0, 400));
  return `${browser.name ?? 'a browser'}${os.name ? ` on ${os.name}` : ''}`.slice(0, 80);
}
