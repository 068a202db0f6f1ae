import { factsInRange, factKey } from '@veldrift/core';
import {
  createApp,
  ensureDatabase,
  hashPassword,
  inRoom,
  migrate,
  openDb,
  openLinkHub,
  openSession,
  openThrottle,
  startCluster,
  withClient,
  type Db,
} from '@veldrift/server';
import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pino } from 'pino';
import { v7 as uuid } from 'uuid';
import { ms, spread } from './table.ts';

/** A server on a database of its own with one room, asked within its process. */
export interface BenchRoom {
  readonly db: Db;
  /** Connection for the cluster's superuser, and for the role the server uses. */
  readonly adminUrl: string;
  readonly appUrl: string;
  /** The cookie of a tutor who is signed in. */
  readonly cookie: string;
  readonly roomId: string;
  readonly timeZone: string;
  readonly call: (method: string, path: string, body?: unknown) => Promise<Response>;
  /** Puts so many answers of a pupil in, spread over two years. */
  readonly fill: (pupilId: string, answers: number) => Promise<void>;
  /** What a bulk load leaves to be written and tidied is done, not under the measured requests. */
  readonly settle: () => Promise<void>;
  /** Asks so many times, one after another, ten more to warm up: how many, median, 95 in 100, worst; and the bytes of an answer. */
  readonly timed: (
    count: number,
    ask: () => Promise<Response>,
  ) => Promise<{ readonly cells: string[]; readonly bytes: number }>;
}

/** Opens everything, hands over the room, and puts it all away. */
export async function withBenchRoom<T>(root: string, work: (room: BenchRoom) => Promise<T>): Promise<T> {
  const dir = mkdtempSync(join('/tmp', 'veldrift-bench-'));
  const cluster = await startCluster(dir);
  try {
    await ensureDatabase(cluster, 'bench');
    await migrate(cluster.adminUrl('bench'), join(root, 'server/migrations'));
    const db = openDb(cluster.appUrl('bench'));
    const [roomId, userId] = [uuid(), uuid()];
    const passwordHash = await hashPassword('a long enough word');
    await inRoom(db, roomId, async (tx) => {
      await tx.run('insert into rooms (room_id, name, time_zone) values ($1, $2, $3)', [
        roomId,
        'Bench',
        'Europe/Oslo',
      ]);
      await tx.run(
        'insert into users (room_id, id, email, name, password_hash) values ($1, $2, $3, $4, $5)',
        [roomId, userId, 'bench@room.example', 'Bench', passwordHash],
      );
    });
    const token = await openSession(db, roomId, userId);
    const log = pino({ level: 'silent' });
    const live = openLinkHub(cluster.appUrl('bench'), db, log);
    const app = createApp({ db, log, live, throttle: openThrottle(db), secure: false });
    const cookie = `veldrift_session=${token}`;
    const result = await work({
      db,
      adminUrl: cluster.adminUrl('bench'),
      appUrl: cluster.appUrl('bench'),
      cookie,
      roomId,
      timeZone: 'Europe/Oslo',
      call: async (method, path, body) =>
        app.request(`http://bench.example${path}`, {
          method,
          headers: {
            cookie,
            host: 'bench.example',
            'content-type': 'application/json',
          },
          ...(body === undefined ? {} : { body: JSON.stringify(body) }),
        }),
      fill: (pupilId, answers) =>
        withClient(cluster.adminUrl('bench'), async (client) => {
          await client.query(fill, [roomId, pupilId, userId, factsInRange('mul').map(factKey), answers]);
        }),
      settle: () =>
        withClient(cluster.adminUrl('bench'), async (client) => {
          await client.query('vacuum (analyze)');
          await client.query('checkpoint');
        }),
      timed: async (count, ask) => {
        const times: number[] = [];
        let bytes = 0;
        for (let nth = 0; nth < count + 10; nth += 1) {
          const begun = performance.now();
          const response = await ask();
          const text = await response.text();
          if (nth >= 10) times.push(performance.now() - begun);
          if (response.status !== 200) throw new Error(`The server answered ${response.status}.`);
          bytes = text.length;
        }
        const { median, p95, worst } = spread(times);
        return { cells: [String(count), ms(median), ms(p95), ms(worst)], bytes };
      },
    });
    await live.close();
    await db.end();
    return result;
  } finally {
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}

/** Plays of twenty-five answers each over two years, facts in turn. */
const fill = `
with numbered as (
  select n, ($4::text[])[1 + (n * 7) % array_length($4::text[], 1)] as fact, n / 25 as play, now() - interval '730 days' + (n * interval '730 days' / $5::int) as at
  from generate_series(0, $5::int - 1) n),
ids as (select play, gen_random_uuid() as id, min(at) as at from numbered group by play),
p as (insert into plays (room_id, id, visit_id, pupil_id, user_id, purpose, set_id, seed, length_ms, way, limit_ms, device, started_at, clock_corrected)
  select $1, id, id, $2, $3, case when play % 4 = 0 then 'check' else 'practice' end, 'strategy/mul/8-as-double-4', 1, 60000, 'keypad', 2000, 'bench', at, false from ids),
e as (insert into play_ends (room_id, play_id, pupil_id, event_id, ended_at, used_ms, end_reason, calm, interrupted)
  select $1, id, $2, gen_random_uuid(), at + interval '1 minute', 60000, 'time', false, false from ids)
insert into answers (room_id, id, pupil_id, visit_id, play_id, seat, fact, hidden, at, device_at, offset_ms, clock_corrected, judgement, given, latency_ms,
  voided, way, overhead_ms, spread_ms, calibrated, calibration_age_days, limit_ms, aided, seen, used_ms, version)
select $1, gen_random_uuid(), $2, ids.id, ids.id, 0, fact, 'result', numbered.at, numbered.at, 0, false, case when n % 17 = 0 then 'wrong' else 'right' end, '1',
  1200 + (n * 37) % 2400, false, 'keypad', 600, 100, true, 3, 2000, false, '{}', 1000, 1
from numbered join ids using (play)`;
