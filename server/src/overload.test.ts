import type { BatchResult, ReviewPage } from '@veldrift/wire';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { DatabaseError } from 'pg';
import { v7 as uuid } from 'uuid';
import { withClient } from './cluster/cluster.ts';
import { openDb } from './db.ts';
import { keepBatch } from './events/keepBatch.ts';
import { openKeeper } from './events/keeper.ts';
import { openLog, safeError } from './logger.ts';
import { isOutage } from './outage.ts';
import {
  answerEvent,
  counting,
  minuteIds,
  openHouse,
  wholeMinute,
  type TestHouse,
  type TestRoom,
} from './testing/room.ts';

let house: TestHouse;
let room: TestRoom;
beforeAll(async () => {
  house = openHouse(inject('appUrl'));
  room = await house.room();
});
afterAll(() => house.close());

const silent = openLog('silent');
const asAdmin = (sql: string, values: unknown[] = []) =>
  withClient(inject('adminUrl'), (client) => client.query(sql, values));

describe('a full pool', () => {
  it('answers 503 with the seconds to wait, at once where the queue is full, and goes on when there is room', async () => {
    const small = openHouse(
      inject('appUrl'),
      openDb(inject('appUrl'), undefined, { connections: 1, waiting: 2, patienceMs: 300 }),
    );
    const held = await small.db.connect();
    const sent = await Promise.all(Array.from({ length: 8 }, () => small.request('/api/health')));
    expect(new Set(sent.map((one) => one.status))).toEqual(new Set([503]));
    for (const one of sent) {
      expect(Number(one.headers.get('retry-after'))).toBeGreaterThan(0);
      expect(await one.json()).toMatchObject({ message: expect.stringMatching(/try again\.$/) as string });
    }
    held.release();
    expect((await small.request('/api/health')).status).toBe(200);
    await small.close();
  });
});

describe('a connection that breaks', () => {
  it('while it works answers 503, and the next request 200: no process ends of it', async () => {
    const own = openHouse(inject('appUrl'));
    const client = await own.db.connect();
    const working = client.query('select pg_sleep(20)').catch((error: unknown) => error);
    const [pid] = (await asAdmin(`select pid from pg_stat_activity where query like 'select pg_sleep(20)%'`))
      .rows as {
      pid: number;
    }[];
    await asAdmin('select pg_terminate_backend($1)', [pid?.pid]);
    expect(await working).toBeInstanceOf(DatabaseError);
    client.release(true);
    // One that is out with nobody asking it anything: its error has no query to go to.
    const idle = await own.db.connect();
    const { rows } = await idle.query<{ pid: number }>('select pg_backend_pid() as pid');
    await asAdmin('select pg_terminate_backend($1)', [rows[0]?.pid]);
    await expect
      .poll(() =>
        idle.query('select 1').then(
          () => 'works',
          () => 'broken',
        ),
      )
      .toBe('broken');
    idle.release(true);
    expect((await own.request('/api/health')).status).toBe(200);
    await own.close();
  });

  it('answers 503 while there is no database at all', async () => {
    const away = openHouse(inject('appUrl').replace(/127\.0\.0\.1:\d+/, '127.0.0.1:1'));
    const health = await away.request('/api/health');
    expect(health.status).toBe(503);
    expect(health.headers.get('retry-after')).toBe('1');
    const signIn = await away.request('/api/sign-in', {
      method: 'POST',
      headers: { host: 'test.example', 'content-type': 'application/json' },
      body: JSON.stringify({ email: 'a@b.example', password: 'x' }),
    });
    expect(signIn.status).toBe(503);
    await away.close();
  });
});

describe('one event that cannot be kept', () => {
  // A year the schema lets through and PostgreSQL does not know.
  const bad = (ids: ReturnType<typeof minuteIds>) => answerEvent(ids, { at: '0000-06-01T08:00:00.000Z' });

  it('is refused alone among a hundred, and found by halves: not all work a hundred times', async () => {
    const ids = minuteIds(await room.pupil());
    const events = [...wholeMinute(ids), ...Array.from({ length: 84 }, () => answerEvent(ids))];
    expect(events).toHaveLength(100);
    events[57] = bad(ids);
    const db = counting(house.db);
    const session = { roomId: room.roomId, userId: room.userId, timeZone: 'Europe/Oslo' } as never;
    const outcome = await keepBatch(openKeeper(db, silent), session, {
      deviceNow: new Date().toISOString(),
      events,
    });
    const { results } = outcome as Pick<BatchResult, 'results'>;
    expect(results[57]).toMatchObject({ status: 'refused', message: expect.stringMatching(/\.$/) as string });
    expect(results.filter((one) => one.status === 'kept')).toHaveLength(99);
    // 100, 50, 25, 13, 7, 4, 2, 1, and the other half each time.
    expect(db.connects()).toBeLessThanOrEqual(15);
    const review = (await room.call('GET', `/api/plays/${ids.playId}`)).body as ReviewPage;
    expect(review.answers).toHaveLength(96);
  });

  it('and of several each is', async () => {
    const ids = minuteIds(await room.pupil());
    const events = [bad(ids), ...wholeMinute(ids), bad(ids), bad(ids)];
    const { results } = (await room.send(events)).body as BatchResult;
    expect(results.flatMap((one, at) => (one.status === 'refused' ? [at] : []))).toEqual([0, 17, 18]);
    expect(results.filter((one) => one.status === 'kept')).toHaveLength(16);
  });

  it('is refused with field and reason where it is nested too deep, or holds NUL or half a character', async () => {
    const ids = minuteIds(await room.pupil());
    const nested = (deep: number): unknown => (deep === 0 ? 1 : { in: nested(deep - 1) });
    const head = { v: 1, seat: 0, ...ids, at: new Date().toISOString(), kind: 'moveMade', nth: 0, usedMs: 1 };
    const move = (inner: unknown) => ({ ...head, id: uuid(), move: { kind: 'choose', seat: 0, key: inner } });
    const text = JSON.stringify(nested(4000));
    const sent = await room.call(
      'POST',
      '/api/events',
      `{"deviceNow":"${new Date().toISOString()}","events":[${[
        JSON.stringify(move(nested(30))),
        JSON.stringify({ ...head, id: uuid(), move: 'x' }).replace('"x"', text),
        JSON.stringify(move('a\u0000b')),
        JSON.stringify(move('a\ud800b')),
        JSON.stringify(move('whole \ud83d\ude00')),
        JSON.stringify(answerEvent(ids)),
      ].join()}]}`,
    );
    expect(sent.status).toBe(200);
    const { results } = sent.body as BatchResult;
    expect(results.map((one) => [one.status, one.field])).toEqual([
      ['refused', 'move'],
      ['refused', 'move'],
      ['refused', 'move.key'],
      ['refused', 'move.key'],
      ['kept', undefined],
      ['kept', undefined],
    ]);
    expect(results[0]?.message).toBe('move is nested more than 20 deep.');
    expect(results[2]?.message).toBe('move.key holds a character that cannot be kept.');
  });
});

describe('a body of any other route', () => {
  it.each([
    ['nested', `{"name":${'['.repeat(30)}${']'.repeat(30)}}`, 'name'],
    [
      'nested a hundred thousand deep',
      `{"policy":${'{"a":'.repeat(100_000)}1${'}'.repeat(100_000)}}`,
      'policy',
    ],
    ['with NUL', '{"name":"a\\u0000b"}', 'name'],
    ['with half a character', '{"notes":"\\ud800"}', 'notes'],
    ['with half a character in a name of a field', '{"policy":{"\\udc00":1}}', 'policy'],
  ])('%s is refused with field and reason', async (_, body, field) => {
    const sent = await room.call('POST', '/api/pupils', body);
    expect(sent.status).toBe(400);
    expect(sent.body).toEqual({ field, message: expect.stringMatching(/^\w+ .*\.$/) as string });
  });
});

describe('what is an outage', () => {
  const coded = (code: string) => Object.assign(new DatabaseError('x', 1, 'error'), { code });
  it.each([
    ['a connection that broke', new Error('Connection terminated unexpectedly')],
    ['one that was refused', Object.assign(new Error('refused'), { code: 'ECONNREFUSED' })],
    ['a database that shuts down', coded('57P01')],
    ['one with too many connections', coded('53300')],
    ['a statement that took too long', coded('57014')],
    ['two that wait for one another', coded('40P01')],
  ])('%s is asked again', (_, error) => expect(isOutage(error)).toBe(true));
  it.each([
    ['a date that is none', coded('22008')],
    ['a row that is there already', coded('23505')],
    ['what may not be done', coded('42501')],
    ['a fault of ours', new TypeError('x is not a function')],
    ['nesting without end', new RangeError('Maximum call stack size exceeded')],
  ])('%s would fail again', (_, error) => expect(isOutage(error)).toBe(false));
});

describe('the log', () => {
  it('holds nothing of what was to be kept', async () => {
    const secret = 'Zephyrine';
    const failed = await house.db.query(`select $1::text::int`, [secret]).catch((error: unknown) => error);
    expect(String((failed as Error).message)).toContain(secret);
    const wrapped = new Error(`about ${secret}`, { cause: failed });
    expect(JSON.stringify([safeError(failed), safeError(wrapped)])).not.toContain(secret);
    expect(safeError(failed)).toMatchObject({ code: '22P02' });
    expect(safeError(wrapped)).toMatchObject({ stack: expect.stringContaining('overload.test') as string });
  });
});
