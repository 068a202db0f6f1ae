import type { Context } from 'hono';
import type { Logger } from 'pino';
import { plainTrouble, read } from '@veldrift/wire';
import type { Schema } from 'yup';
import type { Session } from '../auth/session.ts';
import { inRoom, type Db, type RoomTx } from '../db.ts';
import type { LinkHub } from '../live/linkHub.ts';
import type { Throttle } from '../auth/throttle.ts';
import { isCommonPassword } from '../auth/password.ts';
import { Refusal, refuse } from '../refusal.ts';

/** What the routes stand on. */
export interface House {
  readonly db: Db;
  readonly log: Logger;
  /** Between tables and children's screens. */
  readonly live: LinkHub;
  readonly throttle: Throttle;
  /** Cookies only over https. */
  readonly secure: boolean;
}

export interface Env {
  Variables: { session: Session };
}

const uuid = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** An id from the address: what is not one cannot be found. */
export function idParam(c: Context<Env>, name = 'id'): string {
  const value = c.req.param(name) ?? '';
  return uuid.test(value) ? value : refuse(404, 'There is nothing at this address.');
}

/** The JSON body by a schema. Refuses with field and reason; never repeats what was sent. */
export async function body<T>(c: Context<Env>, schema: Schema<T>): Promise<T> {
  const sent = await json(c);
  const trouble = plainTrouble(sent);
  if (trouble) refuse(400, trouble.message, trouble.field);
  return readOr400(schema, sent);
}

/** A value read by a schema. Throws a refusal, 400, that says what is wrong with which field. */
export function readOr400<T>(schema: Schema<T>, sent: unknown): T {
  const found = read(schema, sent);
  return 'problem' in found ? refuse(400, found.problem.message, found.problem.field) : found.value;
}

export async function json(c: Context<Env>): Promise<unknown> {
  try {
    return await c.req.json();
  } catch (error) {
    if (error instanceof Refusal) throw error;
    return refuse(400, 'The body should be JSON.');
  }
}

/** Runs work in the signed-in room. */
export function inOwnRoom<T>(
  house: House,
  c: Context<Env>,
  work: (tx: RoomTx, session: Session) => Promise<T>,
): Promise<T> {
  const session = c.get('session');
  return inRoom(house.db, session.roomId, (tx) => work(tx, session));
}

/** Refuses a password that many people have. */
export function refuseCommon(password: string): void {
  if (isCommonPassword(password))
    refuse(400, 'Many people have this password, so it is tried first. Choose another.', 'password');
}
