import type { Member, OwnSession } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { sessionHours } from '../auth/session.ts';
import type { RoomTx } from '../db.ts';

interface NewUser {
  readonly name: string;
  readonly email: string;
  readonly passwordHash: string;
  readonly invitedBy: string | null;
}

/** Adds a tutor; undefined where the address is taken, in this room or another. */
export async function addUser(tx: RoomTx, user: NewUser): Promise<string | undefined> {
  const id = uuid();
  const made = await tx.run(
    `insert into users (room_id, id, email, name, password_hash, invited_by) values ($1, $2, $3, $4, $5, $6)
     on conflict (lower(email)) where removed_at is null do nothing`,
    [tx.roomId, id, user.email, user.name.trim(), user.passwordHash, user.invitedBy],
  );
  return made === 1 ? id : undefined;
}

/**
 * The tutors of the room, those there longest first, as one of them sees them: whoever is there longest may take anyone out,
 * others those they asked in, and those these asked in.
 */
export async function membersOf(tx: RoomTx, userId: string): Promise<Member[]> {
  const rows = await tx.rows<{
    id: string;
    name: string;
    email: string;
    created_at: Date;
    by: string | null;
    below: boolean;
  }>(
    `with recursive below as (
       select id from users where room_id = $1 and invited_by = $2
       union select u.id from users u join below b on u.room_id = $1 and u.invited_by = b.id
     ), first as (
       select id from users where room_id = $1 and removed_at is null order by created_at, id limit 1
     )
     select u.id, u.name, u.email, u.created_at, i.name as by,
       (u.id in (select id from below) or (u.id <> $2 and $2 in (select id from first))) as below
     from users u left join users i on i.room_id = u.room_id and i.id = u.invited_by
     where u.room_id = $1 and u.removed_at is null order by u.created_at, u.id`,
    [tx.roomId, userId],
  );
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    email: row.email,
    since: row.created_at.toISOString(),
    invitedBy: row.by,
    mayRemove: row.below,
  }));
}

/** Takes a tutor out: no sign-in, no device, no screen of theirs is left; their record stays under their name. */
export async function removeUser(tx: RoomTx, id: string): Promise<void> {
  await tx.run(
    `update users set removed_at = now(), email = '', password_hash = '' where room_id = $1 and id = $2`,
    [tx.roomId, id],
  );
  for (const table of ['sessions', 'devices', 'links'])
    await tx.run(`delete from ${table} where room_id = $1 and user_id = $2`, [tx.roomId, id]);
  await tx.run(
    'delete from passes where room_id = $1 and (user_id = $2 or made_by = $2) and used_at is null',
    [tx.roomId, id],
  );
}

export async function passwordHashOf(tx: RoomTx, id: string): Promise<string | undefined> {
  const [row] = await tx.rows<{ password_hash: string }>(
    'select password_hash from users where room_id = $1 and id = $2 and removed_at is null',
    [tx.roomId, id],
  );
  return row?.password_hash;
}

/** Gives a tutor a new password, and ends every sign-in but one: whoever knew the old one is out. */
export async function setPassword(
  tx: RoomTx,
  id: string,
  passwordHash: string,
  keepSession: string | null,
): Promise<void> {
  await tx.run('update users set password_hash = $3 where room_id = $1 and id = $2', [
    tx.roomId,
    id,
    passwordHash,
  ]);
  await tx.run('delete from sessions where room_id = $1 and user_id = $2 and id is distinct from $3', [
    tx.roomId,
    id,
    keepSession,
  ]);
  await tx.run('delete from passes where room_id = $1 and user_id = $2 and used_at is null', [tx.roomId, id]);
}

/** A tutor's own sign-ins that still open something, the one used last first. */
export async function sessionsOf(tx: RoomTx, userId: string, here: string): Promise<OwnSession[]> {
  const rows = await tx.rows<{ id: string; device: string; created_at: Date; last_used_at: Date }>(
    `select id, device, created_at, last_used_at from sessions
     where room_id = $1 and user_id = $2 and expires_at > now() and worked_s < $3 order by last_used_at desc, id`,
    [tx.roomId, userId, sessionHours * 3600],
  );
  return rows.map((row) => ({
    id: row.id,
    device: row.device,
    since: row.created_at.toISOString(),
    lastUsedAt: row.last_used_at.toISOString(),
    here: row.id === here,
  }));
}

/** Ends a sign-in of one's own. Whether there was such a one. */
export async function endSession(tx: RoomTx, userId: string, id: string): Promise<boolean> {
  return (
    (await tx.run('delete from sessions where room_id = $1 and user_id = $2 and id = $3', [
      tx.roomId,
      userId,
      id,
    ])) === 1
  );
}
