import type { Context } from 'hono';
import type { Logger } from 'pino';
import { read, type Problem } from '@veldrift/wire';
import type { Schema } from 'yup';
import type { Session } from '../auth/session.ts';
import { inRoom, type Db, type RoomTx } from '../db.ts';
import type { LinkHub } from '../live/linkHub.ts';

/** What the routes stand on. */
export interface House {
  readonly db: Db;
  readonly log: Logger;
  /** Between tables and children's screens. */
  readonly live: LinkHub;
  /** Cookies only over https. */
  readonly secure: boolean;
}

export interface Env {
  Variables: { session: Session };
}

/** A refusal with a sentence; anything thrown that is not one of these is a fault of ours. */
export class Refusal extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 415 | 429,
    readonly problem: Problem,
  ) {
    super(problem.message);
  }
}

export function refuse(status: Refusal['status'], message: string, field?: string): never {
  throw new Refusal(status, field ? { message, field } : { message });
}

const uuid = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** An id from the address: what is not one cannot be found. */
export function idParam(c: Context<Env>, name = 'id'): string {
  const value = c.req.param(name) ?? '';
  return uuid.test(value) ? value : refuse(404, 'There is nothing at this address.');
}

/** The JSON body by a schema. Refuses with field and reason; never repeats what was sent. */
export async function body<T>(c: Context<Env>, schema: Schema<T>): Promise<T> {
  const found = read(schema, await json(c));
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
