import { overruled, type PlanChange } from '@veldrift/core/planning';
import type { NewPass, Planned } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { withClient } from './cluster/cluster.ts';
import {
  minuteIds,
  newAddress,
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

type Call = Pick<TestRoom, 'call'>;
const planned = async (of: Call = room) => (await of.call('GET', '/api/planned')).body as Planned;
const change = (over: Record<string, unknown> = {}) => ({
  ...{ id: uuid(), v: 1, kind: 'planChanged', at: new Date().toISOString(), what: 'holiday' },
  ...{ pupilId: null, day: null as string | null, key: '', value: 'Founders', seen: null, ...over },
});
const send = async (of: Call, events: readonly unknown[], deviceNow = new Date().toISOString()) =>
  (
    (await of.call('POST', '/api/events', { deviceNow, events })).body as {
      results: { status: string; field?: string; message?: string }[];
    }
  ).results;
const statuses = async (of: Call, events: readonly unknown[]) =>
  (await send(of, events)).map((one) => one.status);

/** A second tutor of the room. */
async function second(of: TestRoom): Promise<Call & { readonly id: string }> {
  const { token } = (await of.call('POST', '/api/people/invites', {})).body as NewPass;
  const address = newAddress();
  const headers = { host: 'test.example', 'content-type': 'application/json' };
  const email = `${uuid()}@room.example`;
  const joined = await house.request(
    '/api/passes/join',
    { method: 'POST', headers, body: JSON.stringify({ token, name: 'Sefa', email, password }) },
    address,
  );
  const cookie = joined.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
  const { members } = (await of.call('GET', '/api/people')).body as {
    members: { id: string; email: string }[];
  };
  return {
    id: members.find((one) => one.email === email)?.id ?? '',
    call: async (method, path, body) => {
      const response = await house.request(
        path,
        {
          method,
          headers: { ...headers, cookie },
          ...(body === undefined ? {} : { body: JSON.stringify(body) }),
        },
        address,
      );
      return { status: response.status, body: (await response.json()) as never, headers: response.headers };
    },
  };
}

describe('what is planned', () => {
  it('is what was set last, whichever change came first; sent again nothing is kept twice', async () => {
    const { today } = await planned();
    const later = change({ day: today, value: 'Later', at: new Date(Date.now() - 1000).toISOString() });
    const earlier = change({ day: today, value: 'Earlier', at: new Date(Date.now() - 60_000).toISOString() });
    expect(await statuses(room, [later])).toEqual(['kept']);
    expect(await statuses(room, [earlier, later])).toEqual(['kept', 'already']);
    const { changes } = await planned();
    expect(changes.filter((one) => one.kind === 'holiday')).toMatchObject([
      { id: later.id, value: 'Later', day: today, pupilId: null, key: '', by: room.userId },
    ]);
    const kept = await withClient(inject('adminUrl'), (client) =>
      client.query('select value from plan_changes where room_id = $1 order by at', [room.roomId]),
    );
    expect(kept.rows.map((row: { value: string }) => row.value)).toEqual(['Earlier', 'Later']);
  });

  it('holds one of several sent at once: the last of each place', async () => {
    const pupilId = await room.pupil();
    const at = (back: number) => new Date(Date.now() - back).toISOString();
    const like = (value: boolean, back: number) =>
      change({ what: 'like', pupilId, key: 'lamps', value, at: at(back) });
    expect(await statuses(room, [like(false, 3000), like(true, 1000), like(false, 2000)])).toEqual(
      Array.from({ length: 3 }, () => 'kept'),
    );
    expect((await planned()).changes.find((one) => one.pupilId === pupilId)?.value).toBe(true);
  });

  it('tells both of two tutors what one of them had not seen', async () => {
    const own = await house.room();
    const other = await second(own);
    const pupilId = await own.pupil();
    const { today } = await planned(own);
    const at = (back: number) => new Date(Date.now() - back).toISOString();
    const of = { what: 'visitMinutes', pupilId, day: today, key: 'weekly 540' };
    const first = change({ ...of, value: 20, at: at(5000) });
    await send(own, [first]);
    expect((await planned(own)).lately).toEqual([]);
    const mine = change({ ...of, value: 30, seen: first.id, at: at(2000) });
    const theirs = change({ ...of, value: 15, seen: first.id, at: at(1000) });
    await send(other, [theirs]);
    await send(own, [mine]);
    for (const who of [own, other]) {
      const { changes, lately } = await planned(who);
      expect(changes).toMatchObject([{ id: theirs.id, value: 15, by: other.id }]);
      expect(overruled(lately as PlanChange[]).map((one) => one.id)).toEqual([mine.id]);
    }
    expect((await planned(own)).tutors.map((one) => one.name).sort()).toEqual(['Sefa', 'Tutor']);
  });

  it('is of days near today, and of no day always', async () => {
    const own = await house.room();
    const { today } = await planned(own);
    const on = (days: number) =>
      new Date(Date.parse(`${today}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
    await send(own, [
      ...[-15, -14, 0, 60, 61].map((days) => change({ day: on(days), value: String(days) })),
      change({ what: 'material', key: 'counters', value: false }),
    ]);
    const { changes } = await planned(own);
    expect(changes.map((one) => one.value)).toEqual(['-14', '0', '60', false]);
  });

  it('takes the word of a device whose clock is wrong as of when it was sent', async () => {
    const own = await house.room();
    const { today } = await planned(own);
    const wrong = change({ day: today, value: 'From 2999', at: '2999-01-01T00:00:00.000Z' });
    await send(own, [wrong], '2999-01-01T00:00:05.000Z');
    await send(own, [change({ day: today, value: 'Now' })]);
    expect((await planned(own)).changes).toMatchObject([{ value: 'Now' }]);
  });

  it('is of this room alone, and of pupils there are', async () => {
    const other = await house.room('Other');
    const theirs = await other.pupil();
    const { today } = await planned();
    const absent = change({ what: 'absent', pupilId: theirs, day: today, key: 'weekly 540', value: true });
    expect(await send(room, [absent])).toMatchObject([{ status: 'refused', field: 'pupilId' }]);
    await send(other, [change({ day: today, value: 'Theirs' })]);
    expect(JSON.stringify(await planned())).not.toContain('Theirs');
  });

  it('goes with the pupil, every change of it', async () => {
    const own = await house.room();
    const pupilId = await own.pupil({ name: 'Wenna Q.' });
    const text = 'Wenna likes the kites.';
    await send(own, [
      change({ what: 'handover', pupilId, key: 'n1', value: { text, day: '2026-12-02' } }),
      change({ what: 'member', pupilId, value: 'kites' }),
    ]);
    expect((await planned(own)).changes).toHaveLength(2);
    expect((await own.call('DELETE', `/api/pupils/${pupilId}`, { confirm: 'Wenna Q.' })).status).toBe(200);
    expect((await planned(own)).changes).toEqual([]);
    const left = await withClient(inject('adminUrl'), (client) =>
      client.query('select 1 from plan_changes where pupil_id = $1', [pupilId]),
    );
    expect(left.rowCount).toBe(0);
  });

  it('refuses what cannot be planned with the reason, and nothing else with it', async () => {
    const pupilId = await room.pupil();
    const { today } = await planned();
    const minutes = (value: number) =>
      change({ what: 'visitMinutes', pupilId, day: today, key: 'weekly 540', value });
    expect(await send(room, [minutes(0), minutes(25), minutes(240)])).toMatchObject([
      { status: 'refused', field: 'value', message: 'The length of a visit in minutes should be 5 or more.' },
      { status: 'kept' },
      {
        status: 'refused',
        field: 'value',
        message: 'The length of a visit in minutes should be 180 or less.',
      },
    ]);
  });

  it('stands beside what was done: the plays of today, their minutes, and the games with their days', async () => {
    const own = await house.room();
    const pupilId = await own.pupil();
    const ids = minuteIds(pupilId);
    await own.send(wholeMinute(ids));
    const { done, minutes, today, games } = await planned(own);
    expect(done).toMatchObject([{ playId: ids.playId, pupilId, purpose: 'check', usedMs: 60_000 }]);
    expect(minutes).toEqual([{ pupilId, day: today, minutes: 1 }]);
    expect(games).toEqual([]);
  });
});
