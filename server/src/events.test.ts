import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import type { BatchResult, KeptAnswer, ReviewPage } from '@veldrift/wire';
import { rightTime } from './events/clock.ts';
import {
  answerEvent,
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

const statuses = (sent: { body: unknown }) => (sent.body as BatchResult).results.map((one) => one.status);
const review = async (playId: string) => (await room.call('GET', `/api/plays/${playId}`)).body as ReviewPage;

describe('events', () => {
  it('are kept once, however often they are sent', async () => {
    const ids = minuteIds(await room.pupil());
    const events = wholeMinute(ids);
    expect(new Set(statuses(await room.send(events)))).toEqual(new Set(['kept']));
    expect(new Set(statuses(await room.send(events)))).toEqual(new Set(['already']));
    const both = await Promise.all([room.send(events), room.send(events)]);
    expect(both.flatMap(statuses).every((one) => one === 'already')).toBe(true);
    const page = await review(ids.playId);
    expect(page.answers).toHaveLength(13);
    expect(page.play.summary).toMatchObject({ right: 13, wrong: 0, rightPerMinute: 13, medianMs: 900 });
    expect(page.play.counts).toBe(true);
  });

  it('come to the same in any order and in any pieces', async () => {
    const seen: unknown[] = [];
    await fc.assert(
      fc.asyncProperty(fc.infiniteStream(fc.nat()), fc.integer({ min: 1, max: 6 }), async (chance, size) => {
        const pupilId = await room.pupil();
        const ids = minuteIds(pupilId);
        const base = Date.parse('2026-11-02T10:00:00Z');
        const events = wholeMinute(ids, { at: base });
        const wrong = events[3] as { id: string; at: string };
        const undone = events[4] as { id: string; at: string };
        const head = { v: 1, seat: 0, ...ids, at: new Date(base).toISOString() };
        const all = [
          ...events,
          { id: uuid(), kind: 'answerAmended', ...head, answerId: wrong.id, seen: ['fingers'], given: '9' },
          { id: uuid(), kind: 'answerRetracted', ...head, answerId: undone.id },
        ]
          .map((one) => ({ one, key: chance.next().value as number }))
          .sort((a, b) => a.key - b.key)
          .map(({ one }) => one);
        for (let at = 0; at < all.length; at += size)
          expect((await room.send(all.slice(at, at + size))).status).toBe(200);
        const page = await review(ids.playId);
        expect(page.answers).toHaveLength(12);
        expect(page.answers.find((one) => one.id === wrong.id)).toMatchObject({
          seen: ['fingers'],
          given: '9',
        });
        const pupil = (await room.call('GET', `/api/pupils/${pupilId}`)).body as {
          facts: { mul: { fact: string; state: string; answers: number }[] };
        };
        const found = {
          summary: page.play.summary,
          states: pupil.facts.mul.map((one) => [one.fact, one.state, one.answers]).sort(),
        };
        seen.push(found);
        expect(found).toEqual(seen[0]);
      }),
      { numRuns: 8 },
    );
  });

  it('are refused one by one with field and reason, and block no other', async () => {
    const ids = minuteIds(await room.pupil());
    const good = answerEvent(ids);
    const bad: [unknown, string][] = [
      [{ ...good, id: 'x' }, 'id'],
      [{ ...good, id: uuid(), fact: '7*8' }, 'fact'],
      [{ ...good, id: uuid(), latencyMs: -5 }, 'latencyMs'],
      [{ ...good, id: uuid(), latencyMs: '5' }, 'latencyMs'],
      [{ ...good, id: uuid(), at: 'yesterday' }, 'at'],
      [{ ...good, id: uuid(), judgement: 'great' }, 'judgement'],
      [{ ...good, id: uuid(), given: '9'.repeat(400) }, 'given'],
      [{ ...good, id: uuid(), given: 'a\u0000b' }, 'given'],
      [{ ...good, id: uuid(), seen: ['sneezed'] }, 'seen[0]'],
      [{ ...good, id: uuid(), kind: 'answerDreamt' }, 'kind'],
      [{ ...good, id: uuid(), pupilId: uuid() }, 'pupilId'],
      [{ ...good, id: uuid(), v: 7 }, 'v'],
    ];
    const sent = await room.send([...bad.map(([one]) => one), good]);
    const { results } = sent.body as unknown as BatchResult;
    bad.forEach(([, field], at) =>
      expect(results[at], field).toMatchObject({
        status: 'refused',
        field,
        message: expect.stringMatching(/\.$/) as string,
      }),
    );
    expect(results.at(-1)).toMatchObject({ status: 'kept' });
    for (const one of [null, 5, 'text', [], {}]) expect((await room.send([one])).status).toBeLessThan(500);
  });

  it('put a misjudged answer right: a new one in its place, and all that hangs on it afresh', async () => {
    const pupilId = await room.pupil();
    const ids = minuteIds(pupilId);
    const events = wholeMinute(ids);
    await room.send(events);
    const old = events.find((one) => one.kind === 'answerGiven') as { id: string; fact: string };
    const correct = (answerId: string, over: Record<string, unknown> = {}) => ({
      id: uuid(),
      v: 1,
      seat: 0,
      ...ids,
      kind: 'answerCorrected',
      at: new Date().toISOString(),
      answerId,
      judgement: 'wrong',
      given: '5',
      seen: [],
      ...over,
    });
    const stateOf = async (fact: string) =>
      (
        (await room.call('GET', `/api/pupils/${pupilId}`)).body as {
          facts: { mul: { fact: string; state: string }[] };
        }
      ).facts.mul.find((one) => one.fact === fact)?.state;
    expect(await stateOf(old.fact)).toBe('workingOut');
    const first = correct(old.id);
    expect(statuses(await room.send([first, first]))).toEqual(['kept', 'kept']);
    expect(statuses(await room.send([first]))).toEqual(['already']);
    let page = await review(ids.playId);
    expect(page.play.summary).toMatchObject({ right: 12, wrong: 1 });
    expect(page.answers).toHaveLength(13);
    const put = page.answers.find((one) => one.id === first.id) as KeptAnswer;
    // The fact, its time and the settings in force are those of the answer it stands for.
    expect(put).toMatchObject({
      fact: old.fact,
      judgement: 'wrong',
      given: '5',
      replaces: old.id,
      latencyMs: 1500,
    });
    expect(page.answers.some((one) => one.id === old.id)).toBe(false);
    expect(await stateOf(old.fact)).toBe('missed');
    // A correction can itself be put right; of two corrections of one answer the latest stands.
    const again = correct(first.id, { judgement: 'workedOut', given: '49' });
    const other = correct(first.id, { judgement: 'gaveUp', given: null });
    await room.send([again]);
    await room.send([other]);
    page = await review(ids.playId);
    expect(page.answers.filter((one) => one.fact === old.fact).map((one) => one.id)).toEqual([other.id]);
    expect(page.play.summary).toMatchObject({ right: 12, wrong: 1 });
    // What is not there is not corrected, here or in another pupil's minute.
    const strange = minuteIds(await room.pupil());
    const otherMinute = { ...correct(old.id), playId: uuid() };
    const refused = await room.send([correct(uuid()), { ...correct(old.id), ...strange }, otherMinute]);
    expect(refused.body).toMatchObject({
      results: [
        { status: 'refused', field: 'answerId' },
        { status: 'refused', field: 'answerId' },
        { status: 'refused', field: 'answerId' },
      ],
    });
  });

  it('keep an answer of forty digits', async () => {
    const ids = minuteIds(await room.pupil());
    await room.send([...wholeMinute(ids), answerEvent(ids, { judgement: 'wrong', given: '9'.repeat(40) })]);
    expect((await review(ids.playId)).answers.some((one) => one.given === '9'.repeat(40))).toBe(true);
  });

  it.each([['1900-06-01T08:00:00.000Z'], ['2999-06-01T08:00:00.000Z']])(
    'from a device whose clock says %s are set right and flagged',
    async (deviceNow) => {
      const ids = minuteIds(await room.pupil());
      const sent = await room.send(wholeMinute(ids, { at: Date.parse(deviceNow) - 5000 }), deviceNow);
      expect(new Set(statuses(sent))).toEqual(new Set(['kept']));
      const page = await review(ids.playId);
      expect(page.play.clockCorrected).toBe(true);
      const times = page.answers.map((one: KeptAnswer) => Date.parse(one.at));
      expect(times.every((time) => Math.abs(time - Date.now()) < 120_000)).toBe(true);
      expect(times).toEqual([...times].sort((a, b) => a - b));
      expect(page.answers.every((one) => one.clockCorrected)).toBe(true);
    },
  );

  it('move a time only as far as was measured', () => {
    const now = Date.parse('2026-11-24T10:00:00Z');
    expect(rightTime('2026-11-24T09:59:00.000Z', 500, now, 1)).toEqual({
      at: '2026-11-24T09:59:00.000Z',
      clockCorrected: false,
    });
    expect(rightTime('2026-11-24T08:59:00.000Z', 3_600_000, now, 1)).toEqual({
      at: '2026-11-24T09:59:00.000Z',
      clockCorrected: true,
    });
    expect(rightTime('1900-01-01T00:00:00.000Z', 0, now, 5)).toEqual({
      at: '2026-11-24T09:59:59.995Z',
      clockCorrected: true,
    });
  });

  it('of a minute cut short or turned calm decide nothing', async () => {
    for (const over of [{ reason: 'tutor' }, { reason: 'closed' }, { calm: true }]) {
      const ids = minuteIds(await room.pupil());
      const events = wholeMinute(ids);
      await room.send([...events.slice(0, -1), { ...(events.at(-1) as object), ...over }]);
      expect((await review(ids.playId)).play.counts).toBe(false);
    }
  });
});

describe('bad batches', () => {
  it('answer 4xx with a reason, and keep nothing', async () => {
    for (const [body, status] of [
      ['not json', 400],
      ['', 400],
      ['[]', 400],
      ['{"events":[]}', 400],
      ['{"deviceNow":"2026-11-24T10:00:00Z"}', 400],
      ['{"deviceNow":"2026-11-24T10:00:00Z","events":{}}', 400],
      ['{"deviceNow":"2026-11-24T10:00:00Z","events":[],"more":1}', 400],
      [JSON.stringify({ deviceNow: new Date().toISOString(), events: [], more: 'x'.repeat(1_100_000) }), 413],
      [
        `{"deviceNow":"2026-11-24T10:00:00Z","events":[${Array.from({ length: 201 }, () => '{}').join()}]}`,
        400,
      ],
    ] as const) {
      const sent = await room.call('POST', '/api/events', body);
      expect(sent.status, body.slice(0, 60)).toBe(status);
      expect((sent.body as { message: string }).message).toMatch(/\.$/);
    }
  });

  it('never fail the server, whatever is sent to whatever route', async () => {
    const pupilId = await room.pupil();
    const ids = minuteIds(pupilId);
    await room.send(wholeMinute(ids));
    const paths = [
      '/api/events',
      '/api/pupils',
      `/api/pupils/${pupilId}/decisions`,
      '/api/sign-in',
      '/api/first-room',
    ];
    const near = fc.record(
      {
        id: fc.oneof(fc.uuid(), fc.string()),
        name: fc.string({ unit: 'binary' }),
        grade: fc.anything(),
        policy: fc.anything(),
        visits: fc.anything(),
        events: fc.array(fc.anything()),
        deviceNow: fc.oneof(fc.constant(new Date().toISOString()), fc.string()),
        kind: fc.constantFrom('answerGiven', 'playStarted', 'constructor', '__proto__'),
        email: fc.string(),
        password: fc.string(),
        timesMs: fc.anything(),
      },
      { requiredKeys: [] },
    );
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...paths),
        fc.oneof(
          fc.json(),
          near.map((one) => JSON.stringify(one) ?? 'null'),
          fc.string(),
        ),
        async (path, body) => {
          const sent = await room.call('POST', path, body);
          expect(sent.status).toBeLessThan(500);
          if (sent.status >= 400)
            expect((sent.body as { message: string }).message.length).toBeGreaterThan(5);
        },
      ),
      { numRuns: 400 },
    );
    const event = fc.record({
      id: fc.uuid({ version: 7 }),
      v: fc.constant(1),
      kind: fc.constant('answerGiven'),
      seat: fc.nat(3),
      pupilId: fc.constant(pupilId),
      visitId: fc.uuid(),
      playId: fc.uuid(),
      at: fc
        .date({ min: new Date('0001-01-01'), max: new Date('9999-12-31'), noInvalidDate: true })
        .map((one) => one.toISOString()),
      fact: fc.constantFrom('7x7', '8x8', '0:1', '12+12'),
      hidden: fc.constant('result'),
      judgement: fc.constantFrom('right', 'wrong', 'workedOut', 'gaveUp'),
      given: fc.option(fc.string({ maxLength: 64, unit: 'binary' })),
      latencyMs: fc.option(fc.double({ min: 0, max: 8e7, noNaN: true })),
      lastKeyMs: fc.constant(null),
      voided: fc.boolean(),
      way: fc.constantFrom('keypad', 'tutor'),
      overheadMs: fc.double({ min: 0, max: 6e4, noNaN: true }),
      spreadMs: fc.double({ min: 0, max: 6e4, noNaN: true }),
      calibrated: fc.boolean(),
      calibrationAgeDays: fc.option(fc.nat(1000)),
      limitMs: fc.integer({ min: 0, max: 10_000 }),
      aided: fc.boolean(),
      seen: fc.subarray(['fingers', 'guessed']),
      usedMs: fc.integer({ min: 0, max: 8e7 }),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(event, { maxLength: 10 }), async (events) => {
        const sent = await room.send(events);
        expect(sent.status).toBe(200);
        expect(statuses(sent).every((one) => one === 'kept' || one === 'already' || one === 'refused')).toBe(
          true,
        );
      }),
      { numRuns: 60 },
    );
    expect((await review(ids.playId)).answers).toHaveLength(13);
    expect((await room.call('GET', `/api/pupils/${pupilId}`)).status).toBe(200);
  });
});
