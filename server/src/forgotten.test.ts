import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import { findPostgres, withClient } from './cluster/cluster.ts';
import {
  minuteIds,
  openHouse,
  password,
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

/** All that the database holds, as text. */
function dump(): string {
  const run = spawnSync(join(findPostgres() as string, 'pg_dump'), ['--data-only', inject('adminUrl')], {
    encoding: 'utf8',
    maxBuffer: 1 << 29,
  });
  expect(run.status).toBe(0);
  return run.stdout;
}

describe('a pupil deleted for good', () => {
  it('leaves no row, no seat in the games of others, no name under rules and on no screen', async () => {
    const name = `Zephyrine ${process.pid}`;
    const id = await room.pupil({ name });
    const friend = await room.pupil({ name: 'Ivo' });
    await room.send(wholeMinute(minuteIds(id)));
    await room.call('PATCH', `/api/pupils/${id}`, {
      ...((await room.call('GET', `/api/pupils/${id}`)).body as { pupil: object }).pupil,
    });
    const [one, two] = [minuteIds(id), minuteIds(friend)];
    const at = new Date().toISOString();
    const plan = {
      version: 1,
      game: 'lamps',
      step: 0,
      house: null,
      rules: { specials: [], total: 'beads' },
      mode: 'screen',
      seats: 2,
      against: false,
      seed: 1,
      packs: null,
      adults: [],
      erring: false,
      levelled: false,
      roles: [],
      minutes: null,
    };
    const deal = {
      form: 'game',
      operation: 'add',
      pathwayId: 'strategy',
      game: { tableId: two.playId, pupilIds: [friend, id], plan },
    };
    const begun = (ids: typeof one, seat: number) => [
      { id: uuid(), v: 1, kind: 'visitStarted', pupilId: ids.pupilId, visitId: ids.visitId, at },
      {
        id: uuid(),
        v: 1,
        seat,
        ...ids,
        kind: 'playStarted',
        at,
        purpose: 'game',
        setId: 'strategy/mul/squares',
        seed: 1,
        lengthMs: 3_600_000,
        way: 'tutor',
        limitMs: 2000,
        device: 'test',
        title: 'Lamps',
        deal,
      },
    ];
    const sent = await room.send([
      ...begun(one, 1),
      ...begun(two, 0),
      { id: uuid(), v: 1, seat: 0, ...two, kind: 'moveMade', at, nth: 0, move: { kind: 'go' }, usedMs: 1 },
    ]);
    expect((sent.body as { results: { status: string }[] }).results.map((each) => each.status)).toEqual(
      Array.from({ length: 5 }, () => 'kept'),
    );
    const rules = { id: uuid(), game: 'lamps', step: 0, name: 'Ours', by: name, rules: plan.rules };
    expect((await room.call('POST', '/api/houseRules', rules)).status).toBe(201);
    const link = (await room.call('POST', '/api/links', {})).body as { id: string };
    const show = {
      seq: 1,
      promptId: 'p-1',
      fact: '7x8',
      hidden: 'result',
      chain: null,
      keypad: true,
      padLeft: false,
      says: `${name}: seven times eight`,
    };
    expect((await room.call('POST', `/api/links/${link.id}/show`, show)).status).toBe(200);
    expect(dump()).toContain(name);

    expect((await room.call('DELETE', `/api/pupils/${id}`, { confirm: name })).status).toBe(200);
    const left = dump()
      .split('\n')
      .filter((line) => line.includes(name) || line.includes(id));
    expect(left).toEqual([]);
    // The other pupil's game is there, with somebody unnamed at it.
    const review = (await room.call('GET', `/api/plays/${two.playId}`)).body as {
      play: { deal: { game: { pupilIds: unknown[] } } };
      game: { moves: unknown[] };
    };
    expect(review.play.deal.game.pupilIds).toEqual([friend, null]);
    expect(review.game.moves).toHaveLength(1);
  });
});

describe('signing out', () => {
  it('with the last sign-in of a tutor leaves no screen and nothing that was shown on one', async () => {
    const own = await house.room();
    const link = (await own.call('POST', '/api/links', {})).body as { id: string };
    const count = () =>
      withClient(
        inject('adminUrl'),
        async (client) => (await client.query('select 1 from links where id = $1', [link.id])).rowCount,
      );
    const second = await house.request('/api/sign-in', {
      method: 'POST',
      headers: { host: 'test.example', 'content-type': 'application/json' },
      body: JSON.stringify({ email: own.email, password }),
    });
    const cookie = second.headers
      .getSetCookie()
      .map((one) => one.split(';')[0])
      .join('; ');
    await house.request('/api/sign-out', {
      method: 'POST',
      headers: { host: 'test.example', 'content-type': 'application/json', cookie },
      body: '{}',
    });
    // Still signed in elsewhere, with a table there.
    expect(await count()).toBe(1);
    await own.call('POST', '/api/sign-out', {});
    expect(await count()).toBe(0);
  });
});
