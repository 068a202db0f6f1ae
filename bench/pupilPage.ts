import { factsInRange, factKey, findSet } from '@veldrift/core';
import {
  createApp,
  ensureDatabase,
  hashPassword,
  inRoom,
  migrate,
  openDb,
  openLinkHub,
  openSession,
  rebuildRoom,
  startCluster,
  withClient,
} from '@veldrift/server';
import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { newPupilInput } from '@veldrift/wire';
import { pino } from 'pino';
import { v7 as uuid } from 'uuid';
import type { Bench } from './benches.ts';
import { ms, spread } from './table.ts';

const answersOfPupil = 50_000;
const requests = 200;
const answersKept = 50;

/** The pupil page's server time with 50,000 answers of one pupil: request in to answer out, within the server. */
export const pupilPageBench: Bench = async (root, say) => {
  const dir = mkdtempSync(join('/tmp', 'veldrift-bench-'));
  const cluster = await startCluster(dir);
  try {
    await ensureDatabase(cluster, 'bench');
    await migrate(cluster.adminUrl('bench'), join(root, 'server/migrations'));
    const db = openDb(cluster.appUrl('bench'));
    const [roomId, userId, pupilId] = [uuid(), uuid(), uuid()];
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
    const app = createApp({ db, log, live, secure: false });
    const call = (method: string, path: string, body?: unknown) =>
      app.request(`http://bench.example${path}`, {
        method,
        headers: {
          cookie: `veldrift_session=${token}`,
          host: 'bench.example',
          'content-type': 'application/json',
        },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      });
    await call('POST', '/api/pupils', {
      ...newPupilInput(pupilId),
      name: 'Bench',
      operation: 'mul',
      setId: 'strategy/mul/8-as-double-4',
    });
    say(`putting ${answersOfPupil} answers in`);
    await withClient(cluster.adminUrl('bench'), (client) =>
      client.query(fill, [roomId, pupilId, userId, factsInRange('mul').map(factKey), answersOfPupil]),
    );
    await rebuildRoom(db, roomId, 'Europe/Oslo');
    // What the bulk load leaves to be written and tidied is done before, not under the measured requests.
    await withClient(cluster.adminUrl('bench'), async (client) => {
      await client.query('vacuum (analyze)');
      await client.query('checkpoint');
    });
    let bytes = 0;
    const timed = async (count: number, ask: () => Promise<Response>) => {
      const times: number[] = [];
      for (let nth = 0; nth < count + 10; nth += 1) {
        const begun = performance.now();
        const response = await ask();
        const text = await response.text();
        // The first ten warm up.
        if (nth >= 10) times.push(performance.now() - begun);
        if (response.status !== 200) throw new Error(`The server answered ${response.status}.`);
        bytes = text.length;
      }
      const { median, p95, worst } = spread(times);
      return [String(count), ms(median), ms(p95), ms(worst)];
    };
    const keeping = await timed(answersKept, async () =>
      call('POST', '/api/events', {
        deviceNow: new Date().toISOString(),
        events: [oneAnswer(pupilId)],
      }),
    );
    const page = await timed(requests, async () => call('GET', `/api/pupils/${pupilId}`));
    await db.end();
    const setAnswers = Math.round(
      (answersOfPupil * (findSet('strategy/mul/8-as-double-4')?.practises.length ?? 0)) / 169,
    );
    return {
      title: 'Pupil page with 50,000 answers of one pupil',
      says: `Server time of \`GET /api/pupils/:id\`, with the map, the checks, the decisions and what the school says of the set (kept when the last event came, from about ${setAnswers.toLocaleString('en')} answers); ${requests} requests one after another, ${Math.round(bytes / 1000)} kB each.`,
      columns: ['request', 'how many', 'median', '95 in 100', 'worst', 'aim'],
      rows: [
        ['pupil page', ...page, '95 in 100 under 100 ms'],
        ['one answer kept, states and decision worked out afresh', ...keeping, ''],
      ],
    };
  } finally {
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
};

/** One more answer to a fact of the set, as the live table sends it. */
function oneAnswer(pupilId: string) {
  return {
    id: uuid(),
    v: 1,
    kind: 'answerGiven',
    seat: 0,
    pupilId,
    visitId: uuid(),
    playId: uuid(),
    at: new Date().toISOString(),
    fact: '8x7',
    hidden: 'result',
    judgement: 'right',
    given: '56',
    latencyMs: 1500,
    lastKeyMs: 1700,
    voided: false,
    way: 'keypad',
    overheadMs: 600,
    spreadMs: 100,
    calibrated: true,
    calibrationAgeDays: 3,
    limitMs: 2000,
    aided: false,
    seen: [],
    usedMs: 2000,
  };
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
