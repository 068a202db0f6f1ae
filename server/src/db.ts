import type { Writable } from 'node:stream';
import { Pool, type PoolClient, type QueryConfig, type QueryResult, type QueryResultRow } from 'pg';
import { createBackoff } from './backoff.ts';
import { asOutage, Outage } from './outage.ts';

/** A pool of connections. Throws an `Outage` where the database is away, or more is asked at once than can wait. */
export interface Db {
  readonly query: <R extends QueryResultRow>(
    sql: string | QueryConfig,
    values?: readonly unknown[],
  ) => Promise<QueryResult<R>>;
  /** A connection for one piece of work. */
  readonly connect: () => Promise<PoolClient>;
  readonly end: () => Promise<void>;
}

/** Connections of one server process. */
const connections = 10;
/** How long work waits for a connection, ms. */
const patienceMs = 3000;
/** How many pieces of work may wait for one: at 5 ms a piece the last still has its turn in time. */
const mostWaiting = 400;
/** A statement that takes longer is of a connection that is gone (the role's own limit is shorter), ms. */
const longestQueryMs = 30_000;
/** After a connection was refused the next is tried so much later, ms: twice as long each time. */
const backoffMs = { first: 50, longest: 1000 } as const;

/** Opens a pool. `onError` hears of connections that break while idle. */
export function openDb(
  url: string,
  onError: (error: Error) => void = () => undefined,
  most: { readonly connections?: number; readonly waiting?: number; readonly patienceMs?: number } = {},
): Db {
  const pool = new Pool({
    connectionString: url,
    max: most.connections ?? connections,
    connectionTimeoutMillis: most.patienceMs ?? patienceMs,
    query_timeout: longestQueryMs,
    keepAlive: true,
    // Statements that do not wait for one another go out together, and are answered in their order.
    pipeline: true,
  });
  pool.on('error', onError);
  // A connection may drop while it is out on work: without a listener of its own that would end the process.
  pool.on('connect', (client) => {
    client.on('error', onError);
    sendTogether(client);
  });
  const backoff = createBackoff(backoffMs.first, backoffMs.longest);
  let awayUntil = 0;

  const mayAsk = () => {
    if (pool.waitingCount >= (most.waiting ?? mostWaiting)) throw new Outage(2);
    if (Date.now() < awayUntil) throw new Outage(1);
  };
  const refused = (error: unknown) => {
    awayUntil = Date.now() + backoff.next();
    return asOutage(error);
  };
  const connect = async () => {
    mayAsk();
    const full = pool.idleCount === 0 && pool.totalCount >= (most.connections ?? connections);
    try {
      const client = await pool.connect();
      backoff.reset();
      return client;
    } catch (error) {
      // A pool that is full is no database that is away: others have their turn meanwhile.
      throw full ? new Outage(2, { cause: error }) : refused(error);
    }
  };
  return {
    connect,
    query: async <R extends QueryResultRow>(sql: string | QueryConfig, values: readonly unknown[] = []) => {
      const client = await connect();
      let broken: Error | undefined;
      try {
        return await client.query<R>(typeof sql === 'string' ? prepared(sql, values) : sql);
      } catch (error) {
        const found = asOutage(error);
        if (found instanceof Outage) broken = found;
        throw found;
      } finally {
        client.release(broken);
      }
    },
    end: () => pool.end(),
  };
}

/** The most statements a connection keeps prepared: ours are fewer, and a text made up as we go is not kept. */
const mostPrepared = 400;
const names = new Map<string, string>();

/** A statement under a name of its own, so that a connection reads and plans its text once. */
function prepared(sql: string, values: readonly unknown[]): QueryConfig {
  const name = names.get(sql) ?? (names.size < mostPrepared ? `s${names.size}` : undefined);
  if (name === undefined) return { text: sql, values: [...values] };
  names.set(sql, name);
  return { name, text: sql, values: [...values] };
}

/** Statements asked for in one turn of the event loop leave in one write: a write to a socket costs more than most of them do. */
function sendTogether(client: PoolClient): void {
  const { stream } = (client as unknown as { readonly connection: { readonly stream: Writable } }).connection;
  const query = client.query.bind(client) as (...args: unknown[]) => unknown;
  let isHeld = false;
  const held = (...args: unknown[]) => {
    if (!isHeld) {
      isHeld = true;
      stream.cork();
      process.nextTick(() => {
        isHeld = false;
        stream.uncork();
      });
    }
    return query(...args);
  };
  client.query = held as typeof client.query;
}

/** A transaction inside one room: every statement sees and writes that room's rows only. */
export interface RoomTx {
  readonly roomId: string;
  readonly rows: <R extends QueryResultRow>(sql: string, values?: readonly unknown[]) => Promise<R[]>;
  /** How many rows were changed. */
  readonly run: (sql: string, values?: readonly unknown[]) => Promise<number>;
  /** Sends a statement whose outcome is waited for with the commit: the transaction fails where it does. */
  readonly runLast: (sql: string, values?: readonly unknown[]) => void;
}

const setRoom = `select set_config('app.room_id', $1, true)`;
const setRoomAndHold = 'select pupil, happened from hold_pupils($1, $2)';
const uuid = /^[0-9a-f-]{36}$/;

/**
 * Runs `work` in one transaction as the given room; commits, or rolls back on any throw. Throws an `Outage` where the
 * database went away; what was committed just then may be kept all the same, so that work is to be safe to repeat.
 */
export async function inRoom<T>(db: Db, roomId: string, work: (tx: RoomTx) => Promise<T>): Promise<T> {
  return transact(db, roomId, null, work);
}

/**
 * The same with pupils held until its end, so that there is one writer a pupil at a time and each sees all that those before
 * wrote. `there`: those of them that there are in the room, with how often something has happened to each; work may begin before
 * that is known, and is undone where it throws.
 */
export async function holdingPupils<T>(
  db: Db,
  roomId: string,
  pupilIds: readonly string[],
  work: (tx: RoomTx, there: Promise<ReadonlyMap<string, number>>) => Promise<T>,
): Promise<T> {
  // All who hold some of the same do so in the same order: none waits for one who waits for them.
  return transact(db, roomId, [...new Set(pupilIds)].sort(), work);
}

async function transact<T>(
  db: Db,
  roomId: string,
  pupilIds: readonly string[] | null,
  work: (tx: RoomTx, there: Promise<ReadonlyMap<string, number>>) => Promise<T>,
): Promise<T> {
  if (!uuid.test(roomId)) throw new RangeError('A room id is a UUID.');
  const client = await db.connect();
  let broken: Error | undefined;
  const ask = async <R>(query: () => Promise<R>): Promise<R> => {
    try {
      return await query();
    } catch (error) {
      throw asOutage(error);
    }
  };
  // One round trip for all, and the first statements of the work go along: round trips cost more than the policy does. Should
  // the room not have been set, the walls between rooms refuse whatever comes after.
  const begun = ask(() => client.query('begin'));
  const opened = ask(() =>
    client.query<{ pupil: string; happened: number }>(
      pupilIds === null ? prepared(setRoom, [roomId]) : prepared(setRoomAndHold, [roomId, pupilIds]),
    ),
  ).then(({ rows }) => new Map(rows.map((row) => [row.pupil, row.happened])));
  const last: Promise<unknown>[] = [begun, opened];
  try {
    const result = await work(
      {
        roomId,
        rows: async <R extends QueryResultRow>(sql: string, values: readonly unknown[] = []) =>
          (await ask(() => client.query<R>(prepared(sql, values)))).rows,
        run: async (sql, values = []) => (await ask(() => client.query(prepared(sql, values)))).rowCount ?? 0,
        runLast: (sql, values = []) => void last.push(ask(() => client.query(prepared(sql, values)))),
      },
      opened,
    );
    await Promise.all([...last, ask(() => client.query('commit'))]);
    return result;
  } catch (error) {
    await client.query('rollback').catch((failed: unknown) => {
      broken = failed as Error;
    });
    // What went wrong first says why what came after it did.
    const [early] = (await Promise.allSettled(last)).filter((one) => one.status === 'rejected');
    throw early ? early.reason : error;
  } finally {
    client.release(broken);
  }
}
