import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import type { BatchResult, PupilPage } from '@veldrift/wire';
import { inRoom } from '../db.ts';
import {
  answerEvent,
  minuteIds,
  openHouse,
  wholeMinute,
  type TestHouse,
  type TestRoom,
} from '../testing/room.ts';
import { previewRebuild } from './rebuild.ts';

let house: TestHouse;
let room: TestRoom;
beforeAll(async () => {
  house = openHouse(inject('appUrl'));
  room = await house.room();
});
afterAll(() => house.close());

/** Answers that wait, and states kept, of a pupil. */
const waiting = (id: string) =>
  inRoom(house.db, room.roomId, async (tx) => {
    const [row] = await tx.rows<{ unfolded: number; states: number }>(
      `select (select coalesce(sum(cardinality(answers)), 0)::int from unfolded where room_id = $1 and pupil_id = $2) as unfolded,
         (select count(*)::int from fact_states where room_id = $1 and pupil_id = $2) as states`,
      [room.roomId, id],
    );
    return [row?.unfolded, row?.states];
  });
const mapOf = async (id: string) =>
  ((await room.call('GET', `/api/pupils/${id}`)).body as PupilPage).facts.mul.map((one) => [
    one.fact,
    one.answers,
  ]);
const ago = (ids: ReturnType<typeof minuteIds>, seconds: number, over: Record<string, unknown> = {}) =>
  answerEvent(ids, { at: new Date(Date.now() - seconds * 1000).toISOString(), ...over });

describe('answers that are not taken into the states of their facts yet', () => {
  it('wait until somebody looks, and are all in what is then seen', async () => {
    const id = await room.pupil();
    const ids = minuteIds(id);
    await room.send([ago(ids, 30), ago(ids, 20, { fact: '7x8' })]);
    await room.send([ago(ids, 10, { fact: '7x8' })]);
    expect(await waiting(id)).toEqual([3, 0]);
    expect((await mapOf(id)).sort()).toEqual([
      ['7x7', 1],
      ['7x8', 2],
    ]);
    expect(await waiting(id)).toEqual([0, 2]);
  });
  it('are taken in at the end of their play, and by a list of all pupils', async () => {
    const [ended, listed] = [await room.pupil(), await room.pupil()];
    await room.send(wholeMinute(minuteIds(ended)));
    expect((await waiting(ended))[0]).toBe(0);
    expect((await waiting(ended))[1]).toBeGreaterThan(0);
    await room.send([ago(minuteIds(listed), 10)]);
    expect(await waiting(listed)).toEqual([1, 0]);
    await room.call('GET', '/api/pupils');
    expect(await waiting(listed)).toEqual([0, 1]);
  });
  it('leave, at the end of their play, its states on record and the school asked', async () => {
    const id = await room.pupil();
    const minute = minuteIds(id);
    await room.send(wholeMinute(minute));
    const [row] = await inRoom(house.db, room.roomId, (tx) =>
      tx.rows<{ states: object | null; asked: boolean }>(
        `select c.states, s.worked_revision = p.revision as asked
         from checks c join pupils p on p.room_id = c.room_id and p.id = c.pupil_id
         join standings s on s.room_id = p.room_id and s.pupil_id = p.id
         where c.room_id = $1 and c.play_id = $2`,
        [room.roomId, minute.playId],
      ),
    );
    expect(Object.keys(row?.states ?? {}).length).toBeGreaterThan(0);
    expect(row?.asked).toBe(true);
    // An answer alone asks nobody.
    await room.send([ago(minute, 1, { playId: uuid() })]);
    const [later] = await inRoom(house.db, room.roomId, (tx) =>
      tx.rows<{ asked: boolean }>(
        `select s.worked_revision = p.revision as asked from pupils p
         join standings s on s.room_id = p.room_id and s.pupil_id = p.id where p.room_id = $1 and p.id = $2`,
        [room.roomId, id],
      ),
    );
    expect(later?.asked).toBe(false);
  });
  it('wait for no more than some dozens of batches where nobody looks', async () => {
    const id = await room.pupil();
    const ids = minuteIds(id);
    for (let nth = 0; nth < 70; nth += 1) await room.send([ago(ids, 100 - nth)]);
    const [unfolded, states] = await waiting(id);
    expect(unfolded).toBeLessThan(70);
    expect(states).toBe(1);
    expect(await mapOf(id)).toEqual([['7x7', 70]]);
  });
  it('count as they stand by then: changed and taken back while they waited, and after', async () => {
    const id = await room.pupil();
    const ids = minuteIds(id);
    const [kept, gone, early] = [ago(ids, 40), ago(ids, 30), ago(ids, 20)];
    const back = (answerId: string) => ({
      ...{ v: 1 as const, seat: 0, ...ids, at: new Date().toISOString() },
      ...{ id: uuid(), kind: 'answerRetracted' as const, answerId },
    });
    // One is taken back before it comes, and one while it waits.
    await room.send([back(early.id)]);
    await room.send([kept, gone, early]);
    await room.send([back(gone.id)]);
    expect(await mapOf(id)).toEqual([['7x7', 1]]);
    await room.send([back(kept.id)]);
    expect(await mapOf(id)).toEqual([]);
    expect(await waiting(id)).toEqual([0, 0]);
    expect(await previewRebuild(house.db, room.roomId, 'Europe/Oslo')).toEqual([]);
  });
  it('are taken in once by many who look and write at once, in whatever order of pupils', async () => {
    const pupils = await Promise.all(
      Array.from({ length: 4 }, (_, nth) => room.pupil({ name: `Looked at ${9 - nth}` })),
    );
    const jobs = Array.from({ length: 48 }, (_, nth) => async () => {
      const [one, other] = [pupils[nth % 4] as string, pupils[(nth + 1) % 4] as string];
      if (nth % 3 === 0) return (await room.call('GET', '/api/pupils')).status;
      if (nth % 3 === 1) return (await room.call('GET', `/api/pupils/${one}`)).status;
      const { body } = await room.send([
        ...wholeMinute(minuteIds(one), { at: Date.now() - (60 - nth) * 60_000 }),
        ...wholeMinute(minuteIds(other), { at: Date.now() - (60 - nth) * 60_000 }),
      ]);
      const results = (body as BatchResult).results;
      return results.every((found) => found.status === 'kept') ? 200 : results;
    });
    expect(new Set(await Promise.all(jobs.map((job) => job())))).toEqual(new Set([200]));
    expect(await previewRebuild(house.db, room.roomId, 'Europe/Oslo')).toEqual([]);
    const answers = wholeMinute(minuteIds(uuid())).filter((one) => one.kind === 'answerGiven').length;
    const maps = await Promise.all(pupils.map(mapOf));
    expect(maps.flat().reduce((sum, [, count]) => sum + Number(count), 0)).toBe(16 * 2 * answers);
  });
});
