import fc from 'fast-check';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import {
  readTried,
  type BatchResult,
  type EventResult,
  type PupilList,
  type PupilPage,
  type TableEvent,
} from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { inRoom, type RoomTx } from '../db.ts';
import { findPupil } from '../store/pupilRecord.ts';
import { previewRebuild } from '../store/rebuild.ts';
import {
  answerEvent,
  counting,
  minuteIds,
  openHouse,
  wholeMinute,
  type TestHouse,
  type TestRoom,
} from '../testing/room.ts';
import { keepBatch } from './keepBatch.ts';
import { openKeeper, type Keeper } from './keeper.ts';

const silent = pino({ level: 'silent' });
const zone = 'Europe/Oslo';

let house: TestHouse;
let room: TestRoom;
beforeAll(async () => {
  house = openHouse(inject('appUrl'));
  room = await house.room();
});
afterAll(() => house.close());

async function send(keeper: Keeper, events: readonly TableEvent[]) {
  const session = { roomId: room.roomId, userId: room.userId, timeZone: zone } as never;
  const outcome = await keepBatch(keeper, session, { deviceNow: new Date().toISOString(), events });
  return (outcome as { readonly results: EventResult[] }).results;
}

const pageOf = async (id: string) => (await room.call('GET', `/api/pupils/${id}`)).body as PupilPage;
/** An answer so many minutes ago. */
const ago = (ids: ReturnType<typeof minuteIds>, minutes: number, over: Record<string, unknown> = {}) =>
  answerEvent(ids, { at: new Date(Date.now() - minutes * 60_000).toISOString(), ...over });

describe('what arrives at once', () => {
  it('is written in fewer transactions, and each is told of its own', async () => {
    const db = counting(house.db);
    const keeper = openKeeper(db, silent);
    const pupils = await Promise.all(Array.from({ length: 6 }, () => room.pupil()));
    const batches = Array.from({ length: 24 }, (_, nth) => [
      ago(minuteIds(pupils[nth % 6] as string), 100 - nth, { fact: `${nth % 10}x7` }),
    ]);
    const results = await Promise.all(batches.map((events) => send(keeper, events)));
    results.forEach((found, nth) => expect(found).toEqual([{ id: batches[nth]?.[0]?.id, status: 'kept' }]));
    // The first alone, and the others in the next; a slow machine begins some more.
    expect(db.connects()).toBeLessThan(12);
    expect(await previewRebuild(house.db, room.roomId, zone)).toEqual([]);
  });

  it('is written in several transactions where it is very much, and nothing needs none', async () => {
    const db = counting(house.db);
    const keeper = openKeeper(db, silent);
    const session = { roomId: room.roomId, timeZone: zone } as never;
    expect(await keeper.keep(session, [])).toEqual([]);
    expect(db.connects()).toBe(0);
    const pupils = await Promise.all(Array.from({ length: 7 }, () => room.pupil()));
    const before = db.connects();
    const batches = pupils.map((id, at) =>
      Array.from({ length: 100 }, (_, nth) =>
        ago(minuteIds(id), 900 - 100 * at - nth, { fact: `${nth % 10}x7` }),
      ),
    );
    const results = await Promise.all(batches.map((events) => send(keeper, events)));
    expect(results.flat().every((one) => one.status === 'kept')).toBe(true);
    // One that goes at once, and of the six that wait four and two.
    expect(db.connects() - before).toBeGreaterThanOrEqual(3);
  });

  it('from two processes at one fact of one pupil loses none of it', async () => {
    const id = await room.pupil();
    const keepers = [openKeeper(house.db, silent), openKeeper(house.db, silent)];
    const batches = Array.from({ length: 40 }, (_, nth) => [ago(minuteIds(id), 100 - nth)]);
    const results = await Promise.all(batches.map((events, nth) => send(keepers[nth % 2] as Keeper, events)));
    expect(results.flat().every((one) => one.status === 'kept')).toBe(true);
    expect((await pageOf(id)).facts.mul.map((one) => [one.fact, one.answers])).toEqual([['7x7', 40]]);
    expect(await previewRebuild(house.db, room.roomId, zone)).toEqual([]);
  });

  it('is each judged by itself: a pupil who is gone, and an event that cannot be kept, are no matter of the others', async () => {
    const keeper = openKeeper(house.db, silent);
    const id = await room.pupil();
    const gone = uuid();
    const bad = answerEvent(minuteIds(id), { at: '0000-06-01T08:00:00.000Z' });
    const batches = [
      wholeMinute(minuteIds(id)),
      [answerEvent(minuteIds(gone))],
      [ago(minuteIds(id), 1), bad, ago(minuteIds(id), 2)],
      wholeMinute(minuteIds(await room.pupil())),
    ];
    const results = await Promise.all(batches.map((events) => send(keeper, events)));
    const statuses = results.map((found) => [...new Set(found.map((one) => one.status))]);
    expect(statuses).toEqual([['kept'], ['refused'], ['kept', 'refused'], ['kept']]);
    expect(results[1]?.[0]).toMatchObject({
      field: 'pupilId',
      message: expect.stringContaining('deleted') as string,
    });
    expect(results[2]?.map((one) => one.status)).toEqual(['kept', 'refused', 'kept']);
    // Nothing of the pupil who is not there was kept.
    const rows = await inRoom(house.db, room.roomId, (tx) =>
      tx.rows('select 1 from answers where room_id = $1 and pupil_id = $2', [room.roomId, gone]),
    );
    expect(rows).toEqual([]);
  });

  it('and sent again is kept once', async () => {
    const keeper = openKeeper(house.db, silent);
    const id = await room.pupil();
    const events = wholeMinute(minuteIds(id));
    const results = await Promise.all(Array.from({ length: 5 }, () => send(keeper, events)));
    for (let nth = 0; nth < events.length; nth += 1)
      expect(results.map((found) => found[nth]?.status).sort()).toEqual([
        'already',
        'already',
        'already',
        'already',
        'kept',
      ]);
    expect(await previewRebuild(house.db, room.roomId, zone)).toEqual([]);
  });
});

describe('what comes while a pupil is looked up', () => {
  it('is in the list afterwards, wherever in the looking up it came', async () => {
    // As many statements as looking a pupil up takes, and some more.
    for (let after = 1; after <= 16; after += 2) {
      const id = await room.pupil();
      await inRoom(house.db, room.roomId, async (tx) => {
        let count = 0;
        let before: Promise<unknown> = Promise.resolve();
        const slow: RoomTx = {
          ...tx,
          rows: (sql, values) => {
            const own = before.then(async () => {
              const found = await tx.rows(sql, values);
              count += 1;
              if (count === after) await room.send([ago(minuteIds(id), 1)]);
              return found;
            });
            before = own;
            return own as never;
          },
        };
        await findPupil(slow, zone, id);
      });
      const { pupils } = (await room.call('GET', '/api/pupils')).body as PupilList;
      const listed = pupils.find((one) => one.id === id) as PupilList['pupils'][number];
      const expected = (await pageOf(id)).facts.mul.length;
      expect(Object.keys(readTried('mul', listed.record)), `after ${after}`).toHaveLength(expected);
    }
  });
});

describe('the order in which answers arrive', () => {
  it('changes no state: any order, in any batches, says what their own order says', async () => {
    const facts = ['7x7', '8x8'];
    const happening = fc.record({
      fact: fc.constantFrom(...facts),
      latencyMs: fc.constantFrom(900, 1400, 2650, 6000),
      judgement: fc.constantFrom('right', 'right', 'right', 'wrong'),
      seen: fc.constantFrom([], [], ['fingers'], ['explained']),
      hoursLater: fc.constantFrom(0.1, 0.1, 24, 48, 200),
    });
    await fc.assert(
      fc.asyncProperty(
        fc.array(happening, { minLength: 4, maxLength: 24 }),
        fc.infiniteStream(fc.nat()),
        fc.integer({ min: 1, max: 9 }),
        async (list, chance, size) => {
          const [one, other] = [await room.pupil(), await room.pupil()];
          let at = Date.parse('2026-09-01T08:00:00Z');
          const eventsOf = (pupilId: string) => {
            at = Date.parse('2026-09-01T08:00:00Z');
            return list.map(({ hoursLater, ...over }) => {
              at += hoursLater * 3_600_000;
              return answerEvent(minuteIds(pupilId), { ...over, at: new Date(at).toISOString() });
            });
          };
          expect(
            ((await room.send(eventsOf(one))).body as BatchResult).results.every((r) => r.status === 'kept'),
          ).toBe(true);
          const mixed = eventsOf(other)
            .map((event) => ({ event, key: chance.next().value as number }))
            .sort((a, b) => a.key - b.key)
            .map(({ event }) => event);
          for (let from = 0; from < mixed.length; from += size)
            await room.send(mixed.slice(from, from + size));
          const [a, b] = [await pageOf(one), await pageOf(other)];
          expect(b.facts).toEqual(a.facts);
          expect(b.pupil.tried).toEqual(a.pupil.tried);
          expect(b.proposal.decision.verdict).toBe(a.proposal.decision.verdict);
          expect(b.proposal.decision.reasons).toEqual(a.proposal.decision.reasons);
        },
      ),
      { numRuns: 12 },
    );
  });
});
