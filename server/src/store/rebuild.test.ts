import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { findSet } from '@veldrift/core';
import type { ReviewPage } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { inRoom } from '../db.ts';
import {
  answerEvent,
  minuteIds,
  openHouse,
  wholeMinute,
  type TestHouse,
  type TestRoom,
} from '../testing/room.ts';
import { previewRebuild, rebuildRoom } from './rebuild.ts';

let house: TestHouse;
let room: TestRoom;
beforeAll(async () => {
  house = openHouse(inject('appUrl'));
  room = await house.room();
});
afterAll(() => house.close());

const caches = ['fact_states', 'checks', 'standings'] as const;
/** How often the school was asked is not of the answers; states around a play are kept only where they are known at its end. */
const notDerived = ['worked_revision', 'states'];
/** All that is kept beside the answers, after the schools were asked. */
const snapshot = async () => {
  await room.call('GET', '/api/pupils');
  return inRoom(house.db, room.roomId, async (tx) => {
    const rows: Record<string, unknown[]> = {};
    for (const table of caches)
      rows[table] = (
        await tx.rows<{ row: unknown }>(
          `select to_jsonb(t) - $1::text[] as row from ${table} t order by (to_jsonb(t) - $1::text[])::text`,
          [notDerived],
        )
      ).map((one) => one.row);
    return rows;
  });
};

const facts = findSet('strategy/mul/squares')?.practises.slice(0, 5) ?? [];
/** What may happen to a pupil, far apart enough in days that facts can be kept and can slip. */
const happening = fc.record({
  fact: fc.constantFrom(...facts),
  day: fc.integer({ min: 0, max: 40 }),
  latencyMs: fc.oneof(fc.integer({ min: 700, max: 9000 }), fc.constant(null)),
  voided: fc.boolean(),
  judgement: fc.constantFrom('right', 'workedOut', 'wrong', 'gaveUp'),
  seen: fc.subarray(['fingers', 'noCounting', 'guessed', 'explained']),
  then: fc.constantFrom('nothing', 'amended', 'retracted'),
});

describe('rebuilding', () => {
  it('changes nothing: what is kept beside the answers is what follows from them', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(happening, { minLength: 1, maxLength: 30 }), async (list) => {
        const pupilId = await room.pupil();
        const begins = Date.parse('2026-09-01T10:00:00Z');
        const minute = minuteIds(pupilId);
        await room.send(wholeMinute(minute, { at: begins + 20 * 86_400_000 }));
        const events = list.flatMap(({ day, then, ...over }, nth) => {
          const ids = minuteIds(pupilId);
          const at = new Date(begins + day * 86_400_000 + nth * 1000).toISOString();
          const answer = answerEvent(ids, { ...over, at, given: over.judgement === 'gaveUp' ? null : '7' });
          const more = { v: 1, seat: 0, ...ids, at, answerId: answer.id };
          if (then === 'amended')
            return [answer, { id: uuid(), kind: 'answerAmended', ...more, seen: ['fingers'], given: '8' }];
          if (then === 'retracted') return [answer, { id: uuid(), kind: 'answerRetracted', ...more }];
          return [answer];
        });
        for (let at = 0; at < events.length; at += 7) await room.send(events.slice(at, at + 7));
        // States kept at a play's end, and not disturbed since, are those that follow from all answers.
        const states = async () =>
          ((await room.call('GET', `/api/plays/${minute.playId}`)).body as ReviewPage).states;
        const kept = await states();
        await inRoom(house.db, room.roomId, (tx) => tx.run('update checks set states = null'));
        expect(await states()).toEqual(kept);
        const before = await snapshot();
        expect(await rebuildRoom(house.db, room.roomId, 'Europe/Oslo')).toEqual([]);
        expect(await snapshot()).toEqual(before);
        await room.call('DELETE', `/api/pupils/${pupilId}`, { confirm: 'Odalys B.' });
      }),
      { numRuns: 15 },
    );
  });

  it('brings back what was lost or spoiled, and tells of each pupil', async () => {
    const ids = [await room.pupil({ name: 'One' }), await room.pupil({ name: 'Two' })];
    for (const id of ids) await room.send(wholeMinute(minuteIds(id)));
    const before = await snapshot();
    await inRoom(house.db, room.roomId, async (tx) => {
      await tx.run(`update fact_states set state = 'slipped', answers = 99`);
      await tx.run('delete from checks');
      await tx.run(`update standings set verdict = 'advance'`);
    });
    const spoiled = await snapshot();
    expect(spoiled).not.toEqual(before);
    // What is otherwise is listed before it is taken.
    const listed = await previewRebuild(house.db, room.roomId, 'Europe/Oslo');
    expect(await snapshot()).toEqual(spoiled);
    expect(listed.map(({ name, plays, verdict }) => [name, plays, verdict?.before])).toEqual([
      ['One', 1, 'advance'],
      ['Two', 1, 'advance'],
    ]);
    for (const { facts: changed } of listed) {
      expect(changed.length).toBeGreaterThan(0);
      expect(changed.every((one) => one.before === 'slipped' && one.after !== 'slipped')).toBe(true);
    }
    const told: [number, number][] = [];
    const taken = await rebuildRoom(house.db, room.roomId, 'Europe/Oslo', {
      onPupil: (done, of) => told.push([done, of]),
    });
    expect(taken).toEqual(listed);
    expect(await snapshot()).toEqual(before);
    expect(await previewRebuild(house.db, room.roomId, 'Europe/Oslo')).toEqual([]);
    expect(told).toEqual([
      [1, 2],
      [2, 2],
    ]);
  });

  it('can be stopped between pupils and leaves each whole', async () => {
    const stop = new AbortController();
    const before = await snapshot();
    await expect(
      rebuildRoom(house.db, room.roomId, 'Europe/Oslo', {
        onPupil: () => stop.abort(),
        signal: stop.signal,
      }),
    ).rejects.toThrow();
    expect(await snapshot()).toEqual(before);
  });
});
