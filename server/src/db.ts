import { Pool, type PoolClient, type QueryResultRow } from 'pg';

export type Db = Pool;

/** Opens a pool. `onError` hears of connections that break while idle. */
export function openDb(url: string, onError: (error: Error) => void = () => undefined): Db {
  const pool = new Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 5000 });
  pool.on('error', onError);
  return pool;
}

/** A transaction inside one room: every statement sees and writes that room's rows only. */
export interface RoomTx {
  readonly roomId: string;
  readonly rows: <R extends QueryResultRow>(sql: string, values?: readonly unknown[]) => Promise<R[]>;
  /** How many rows were changed. */
  readonly run: (sql: string, values?: readonly unknown[]) => Promise<number>;
}

const uuid = /^[0-9a-f-]{36}$/;

/** Runs `work` in one transaction as the given room; commits, or rolls back on any throw. */
export async function inRoom<T>(db: Db, roomId: string, work: (tx: RoomTx) => Promise<T>): Promise<T> {
  if (!uuid.test(roomId)) throw new RangeError('A room id is a UUID.');
  const client = await db.connect();
  let broken: Error | undefined;
  try {
    // One round trip for both: round trips cost more than the policy does.
    await client.query(`begin; select set_config('app.room_id', '${roomId}', true)`);
    const result = await work(roomTx(client, roomId));
    await client.query('commit');
    return result;
  } catch (error) {
    await client.query('rollback').catch((failed: unknown) => {
      broken = failed as Error;
    });
    throw error;
  } finally {
    client.release(broken);
  }
}

function roomTx(client: PoolClient, roomId: string): RoomTx {
  return {
    roomId,
    rows: async <R extends QueryResultRow>(sql: string, values: readonly unknown[] = []) =>
      (await client.query<R>(sql, [...values])).rows,
    run: async (sql, values = []) => (await client.query(sql, [...values])).rowCount ?? 0,
  };
}
