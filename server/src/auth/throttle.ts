import { createHash } from 'node:crypto';
import type { Db } from '../db.ts';

/** Failed sign-ins allowed in a quarter of an hour, for one e-mail address and from one network address. */
export const allowedFailures = { email: 8, address: 40 } as const;
const windowMinutes = 15;

const keyOf = (kind: string, value: string) =>
  createHash('sha256').update(`${kind}:${value.toLowerCase()}`).digest();

/** Whether another try may be made. Kept in the database, so that it holds over all server processes. */
export async function mayTry(db: Db, email: string, address: string): Promise<boolean> {
  const { rows } = await db.query<{ email: number; address: number }>(
    `select count(*) filter (where key_hash = $1)::int as email, count(*) filter (where key_hash = $2)::int as address
     from sign_in_failures where key_hash in ($1, $2) and at > now() - make_interval(mins => $3)`,
    [keyOf('email', email), keyOf('address', address), windowMinutes],
  );
  const row = rows[0];
  return row !== undefined && row.email < allowedFailures.email && row.address < allowedFailures.address;
}

export async function noteFailure(db: Db, email: string, address: string): Promise<void> {
  await db.query('insert into sign_in_failures (key_hash) values ($1), ($2)', [
    keyOf('email', email),
    keyOf('address', address),
  ]);
  await db.query('delete from sign_in_failures where at < now() - make_interval(mins => $1)', [
    windowMinutes,
  ]);
}

export async function forgetFailures(db: Db, email: string): Promise<void> {
  await db.query('delete from sign_in_failures where key_hash = $1', [keyOf('email', email)]);
}
