import { inviteLastsDays, resetLastsHours, type Invite, type NewPass, type Pass } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { hashOfToken, newToken } from '../auth/session.ts';
import type { Db, RoomTx } from '../db.ts';

/** A pass as it is found by its token, before any room is known. */
export interface FoundPass extends Pass {
  readonly id: string;
  readonly roomId: string;
  readonly userId: string | null;
  readonly state: 'open' | 'used' | 'expired';
}

/** Makes a link that lets someone in once. `userId`: whose password it is about; null of an invitation. `madeBy` null: the machine. */
export async function makePass(
  tx: RoomTx,
  kind: Pass['kind'],
  userId: string | null,
  madeBy: string | null,
): Promise<NewPass> {
  const token = newToken();
  const hours = kind === 'invite' ? inviteLastsDays * 24 : resetLastsHours;
  // A new link for a password takes the place of one before.
  if (userId !== null)
    await tx.run(`delete from passes where room_id = $1 and user_id = $2 and used_at is null`, [
      tx.roomId,
      userId,
    ]);
  const [row] = await tx.rows<{ id: string; expires_at: Date }>(
    `insert into passes (room_id, id, kind, user_id, token_hash, made_by, expires_at)
     values ($1, $2, $3, $4, $5, $6, now() + make_interval(hours => $7)) returning id, expires_at`,
    [tx.roomId, uuid(), kind, userId, hashOfToken(token), madeBy, hours],
  );
  if (!row) throw new Error('The link was not made.');
  return { id: row.id, token, expiresAt: row.expires_at.toISOString() };
}

export async function findPass(db: Db, token: string): Promise<FoundPass | undefined> {
  const { rows } = await db.query<{
    room_id: string;
    id: string;
    kind: Pass['kind'];
    user_id: string | null;
    room: string;
    name: string | null;
    email: string | null;
    made_by: string | null;
    expires_at: Date;
    used: boolean;
  }>('select * from find_pass($1)', [hashOfToken(token)]);
  const row = rows[0];
  return (
    row && {
      id: row.id,
      roomId: row.room_id,
      kind: row.kind,
      userId: row.user_id,
      room: row.room,
      by: row.made_by,
      name: row.name,
      email: row.email,
      state: row.used ? 'used' : row.expires_at.getTime() < Date.now() ? 'expired' : 'open',
    }
  );
}

/** Uses a pass up, and gives who made it. Undefined: it was used already; of two at once, one is told so. */
export async function usePass(
  tx: RoomTx,
  id: string,
): Promise<{ readonly madeBy: string | null } | undefined> {
  const [used] = await tx.rows<{ made_by: string | null }>(
    `update passes set used_at = now() where room_id = $1 and id = $2 and used_at is null and expires_at > now()
     returning made_by`,
    [tx.roomId, id],
  );
  return used && { madeBy: used.made_by };
}

export async function openInvites(tx: RoomTx): Promise<Invite[]> {
  const rows = await tx.rows<{ id: string; by: string; made_at: Date; expires_at: Date }>(
    `select p.id, u.name as by, p.made_at, p.expires_at from passes p join users u on u.room_id = p.room_id and u.id = p.made_by
     where p.room_id = $1 and p.kind = 'invite' and p.used_at is null and p.expires_at > now() order by p.made_at`,
    [tx.roomId],
  );
  return rows.map((row) => ({
    id: row.id,
    by: row.by,
    madeAt: row.made_at.toISOString(),
    expiresAt: row.expires_at.toISOString(),
  }));
}

/** Whether there was such an invitation to withdraw. */
export async function withdrawInvite(tx: RoomTx, id: string): Promise<boolean> {
  const gone = await tx.run(
    `delete from passes where room_id = $1 and id = $2 and kind = 'invite' and used_at is null`,
    [tx.roomId, id],
  );
  return gone === 1;
}
