import { dayAfter, mondayOf } from '@veldrift/core/planning';
import type { CalendarLink, Planned } from '@veldrift/wire';
import ICAL from 'ical.js';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { openHouse, type TestHouse, type TestRoom } from './testing/room.ts';

let house: TestHouse;
let room: TestRoom;
let pupilId: string;
let today: string;
const visits = [0, 1, 2, 3, 4, 5, 6].map((weekday) => ({ weekday, startsAtMin: 540, minutes: 25 }));
beforeAll(async () => {
  house = openHouse(inject('appUrl'));
  room = await house.room();
  pupilId = await room.pupil({ name: 'Wenna Q.', visits });
  today = ((await room.call('GET', '/api/planned')).body as Planned).today;
});
afterAll(() => house.close());

const make = async (names: boolean, id = uuid()) => ({
  id,
  token: ((await room.call('POST', '/api/calendar-links', { id, names })).body as { token: string }).token,
});
/** As any program reads it: without a sign-in. */
const read = (token: string) =>
  house.request(`/api/calendar/${token}`, { headers: { host: 'test.example' } });
async function events(token: string) {
  const calendar = new ICAL.Component(ICAL.parse(await (await read(token)).text()) as never);
  return calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
}
const send = (changes: readonly object[]) =>
  room.send(
    changes.map((one) => ({
      ...{ id: uuid(), v: 1, kind: 'planChanged', at: new Date().toISOString(), seen: null, pupilId },
      ...one,
    })),
  );

/** How the room's own clock shows an instant, by the platform. */
const clock = new Intl.DateTimeFormat('en-CA', {
  ...{ timeZone: 'Europe/Oslo', hourCycle: 'h23', dateStyle: 'short', timeStyle: 'short' },
} as Intl.DateTimeFormatOptions);

describe('visits as a calendar', () => {
  it('are read back by another package: each day at nine by the clock of the room, whatever night lies between', async () => {
    const { token } = await make(true);
    const found = await events(`${token}.ics`);
    expect(found).toHaveLength(63);
    const monday = dayAfter(mondayOf(today), -7);
    expect(found.map((one) => clock.format(one.startDate.toJSDate())).sort()).toEqual(
      found.map((_, at) => `${dayAfter(monday, at)}, 09:00`),
    );
    expect(new Set(found.map((one) => one.duration.toSeconds()))).toEqual(new Set([1500]));
    expect(new Set(found.map((one) => one.summary))).toEqual(new Set(['Wenna Q.']));
    expect(new Set(found.map((one) => one.uid)).size).toBe(63);
  });

  it('follow the plan: moved, missed, with another tutor, on a holiday', async () => {
    const { token } = await make(false);
    const uids = new Set((await events(token)).map((one) => one.uid));
    const key = 'weekly 540';
    const on = (days: number) => dayAfter(today, days);
    await send([
      { what: 'visitAt', day: on(7), key, value: { day: on(8), startsAtMin: 600 } },
      { what: 'absent', day: on(9), key, value: true },
      { what: 'visitTutor', day: on(10), key, value: uuid() },
      { what: 'holiday', pupilId: null, day: on(11), key: '', value: 'Founders' },
    ]);
    const found = await events(token);
    expect(found).toHaveLength(60);
    // What moved is the same visit to a calendar.
    expect(found.every((one) => uids.has(one.uid))).toBe(true);
    const clocks = found.map((one) => clock.format(one.startDate.toJSDate()));
    expect(clocks).toContain(`${on(8)}, 10:00`);
    for (const day of [7, 9, 10, 11]) expect(clocks).not.toContain(`${on(day)}, 09:00`);
    expect(new Set(found.map((one) => one.summary))).toEqual(new Set(['A visit']));
  });

  it('are at a secret address that is told once, and gone when it is withdrawn', async () => {
    const { id, token } = await make(false);
    const links = (await room.call('GET', '/api/calendar-links')).body as CalendarLink[];
    expect(links.find((one) => one.id === id)).toMatchObject({ names: false });
    expect(JSON.stringify(links)).not.toContain(token);
    expect((await read(token)).headers.get('content-type')).toContain('text/calendar');
    expect((await room.call('DELETE', `/api/calendar-links/${id}`, {})).status).toBe(200);
    expect((await read(token)).status).toBe(404);
    expect((await read('x'.repeat(4000))).status).toBe(404);
    expect((await room.call('DELETE', `/api/calendar-links/${id}`, {})).status).toBe(404);
  });

  it('are at ten addresses at most, each of one tutor', async () => {
    const own = await house.room();
    const tries = [];
    for (let at = 0; at < 11; at += 1)
      tries.push((await own.call('POST', '/api/calendar-links', { id: uuid(), names: true })).status);
    expect(tries).toEqual([...Array<number>(10).fill(201), 409]);
    expect((await own.call('POST', '/api/calendar-links', { id: uuid() })).status).toBe(400);
  });
});
