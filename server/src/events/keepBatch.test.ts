import type { EventResult, TableEvent } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { describe, expect, it } from 'vitest';
import { answerEvent, minuteIds } from '../testing/room.ts';
import { rightTime, trustedOffsetMs } from './clock.ts';
import { keepBatch } from './keepBatch.ts';
import type { Keeper } from './keeper.ts';
import type { EventGroup } from './keepGroups.ts';

/* How a batch is read and shared out, without a database: what is kept is only written down here. */

const session = { roomId: uuid(), userId: uuid(), timeZone: 'UTC' } as never;
const ids = (pupilId = uuid()) => minuteIds(pupilId);

async function send(body: unknown, status: EventResult['status'] = 'kept') {
  const seen: EventGroup[] = [];
  const keeper = {
    keep: (_session: unknown, groups: readonly EventGroup[]) => {
      seen.push(...groups);
      return Promise.resolve(
        groups.map((group) =>
          group.events.map(({ event: { id } }): EventResult => ({ id, status }) as EventResult),
        ),
      );
    },
  } as unknown as Keeper;
  const found = await keepBatch(keeper, session, body);
  return { found, seen };
}
const batch = (events: readonly unknown[], deviceNow = new Date().toISOString()) => ({ deviceNow, events });
const results = (found: Awaited<ReturnType<typeof send>>['found']) =>
  'results' in found ? found.results : [];

describe('a batch', () => {
  it('is answered event by event, in the order sent', async () => {
    const [one, other] = [ids(), ids()];
    const events = [answerEvent(one), answerEvent(other), answerEvent(one)];
    const { found, seen } = await send(batch(events));
    expect(results(found)).toEqual(events.map(({ id }) => ({ id, status: 'kept' })));
    expect(seen.map((group) => [group.pupilId, group.events.length])).toEqual([
      [one.pupilId, 2],
      [other.pupilId, 1],
    ]);
    expect(new Set(seen.map((group) => group.userId))).toEqual(
      new Set([(session as { userId: string }).userId]),
    );
  });
  it('says what became of each as it was told', async () => {
    const events = [answerEvent(ids())];
    expect(results((await send(batch(events), 'already')).found)).toEqual([
      { id: events[0]?.id, status: 'already' },
    ]);
  });
  it('with a faulty event refuses that one, with field and reason, and keeps the others', async () => {
    const [good, late] = [answerEvent(ids()), answerEvent(ids())];
    const bad = { ...answerEvent(ids()), latencyMs: 'soon' };
    const long = { kind: 'nothing', id: 'x'.repeat(100) };
    const { found, seen } = await send(batch([good, bad, null, 'text', long, { id: 7 }, late]));
    const all = results(found);
    expect(all.map((one) => one.status)).toEqual([
      'kept',
      'refused',
      'refused',
      'refused',
      'refused',
      'refused',
      'kept',
    ]);
    expect(all.map((one) => one.id)).toEqual([good.id, bad.id, null, null, 'x'.repeat(64), null, late.id]);
    expect(all[1]).toMatchObject({ field: 'latencyMs' });
    for (const one of all) if (one.status === 'refused') expect(one.message).toMatch(/^.{8,}\.$/);
    expect(seen.flatMap((group) => group.events.map((one) => one.event.id))).toEqual([good.id, late.id]);
  });
  it('that holds what cannot be kept is refused as a whole only where that is not in an event', async () => {
    const good = answerEvent(ids());
    const nul = { ...answerEvent(ids()), given: 'a\u0000' };
    const { found, seen } = await send(batch([nul, good]));
    expect(results(found)).toMatchObject([
      { id: nul.id, status: 'refused', field: 'given' },
      { status: 'kept' },
    ]);
    expect(seen.flatMap((group) => group.events.map((one) => one.event.id))).toEqual([good.id]);
    const whole = await send({ ...batch([good]), more: '\u0000' });
    expect(whole).toMatchObject({ found: { problem: { field: 'more' } }, seen: [] });
    for (const body of [null, 'text', [], 7])
      expect((await send(body)).found).toHaveProperty('problem.message');
  });
  it('puts moves of a game before what others at the table answered with them', async () => {
    const [first, second] = [ids(), ids()];
    const move = {
      ...second,
      v: 1,
      id: uuid(),
      seat: 0,
      kind: 'moveMade',
      at: new Date().toISOString(),
      nth: 0,
      move: { kind: 'go' },
      usedMs: 1000,
    };
    const { found, seen } = await send(batch([answerEvent(first), move, answerEvent(second)]));
    expect(results(found).map((one) => one.status)).toEqual(['kept', 'kept', 'kept']);
    expect(seen.map((group) => group.pupilId)).toEqual([second.pupilId, first.pupilId]);
  });
  it.each([
    [null],
    [[]],
    ['text'],
    [{ events: [] }],
    [{ deviceNow: 'yesterday', events: [] }],
    [{ deviceNow: new Date().toISOString(), events: 'all' }],
    [{ deviceNow: new Date().toISOString(), events: [], note: 'a\u0000b' }],
  ])('that is %j as a whole cannot be read, and nothing of it is kept', async (body) => {
    const { found, seen } = await send(body);
    expect(found).toHaveProperty('problem.message');
    expect(seen).toEqual([]);
  });
  it('of a device whose clock is wrong is moved by what it is off', async () => {
    const hours = 3_600_000;
    const deviceNow = Date.now() - 5 * hours;
    const at = new Date(deviceNow - 60_000).toISOString();
    const { seen } = await send(
      batch([{ ...answerEvent(ids()), at } as TableEvent], new Date(deviceNow).toISOString()),
    );
    const [kept] = seen[0]?.events ?? [];
    expect(kept?.clockCorrected).toBe(true);
    expect(Math.abs(Date.parse(kept?.at ?? '') - (Date.now() - 60_000))).toBeLessThan(5000);
    expect(Math.abs((kept?.offsetMs ?? 0) - 5 * hours)).toBeLessThan(5000);
  });
  it('with times that cannot be puts them before now, the last of it nearest', async () => {
    const own = ids();
    const at = '1999-01-01T00:00:00.000Z';
    const before = Date.now();
    const { seen } = await send(batch([1, 2, 3].map(() => ({ ...answerEvent(own), at }))));
    const times = (seen[0]?.events ?? []).map((one) => Date.parse(one.at));
    expect(times).toEqual([...times].sort((a, b) => a - b));
    expect(new Set(times).size).toBe(3);
    expect(times[2]).toBeLessThan(Date.now());
    expect(times[0]).toBeGreaterThanOrEqual(before - 3);
  });
});

describe('the time of an event', () => {
  const now = Date.parse('2026-11-20T09:00:00.000Z');
  const at = (ms: number) => new Date(now + ms).toISOString();
  it('of a device off by no more than two minutes is taken at its word', () => {
    for (const offset of [0, trustedOffsetMs, -trustedOffsetMs])
      expect(rightTime(at(-1000), offset, now, 5)).toEqual({ at: at(-1000), clockCorrected: false });
  });
  it('of one off by more is moved, either way, and flagged', () => {
    for (const offset of [trustedOffsetMs + 1, -trustedOffsetMs - 1])
      expect(rightTime(at(-600_000 - offset), offset, now, 5)).toEqual({
        at: at(-600_000),
        clockCorrected: true,
      });
  });
  it('that lies ahead of now by more than two minutes, or before anything was given, is put just before now', () => {
    expect(rightTime(at(trustedOffsetMs), 0, now, 5)).toEqual({
      at: at(trustedOffsetMs),
      clockCorrected: false,
    });
    expect(rightTime(at(trustedOffsetMs + 1), 0, now, 5)).toEqual({ at: at(-5), clockCorrected: true });
    const first = '2020-01-01T00:00:00.000Z';
    expect(rightTime(first, 0, now, 5)).toEqual({ at: first, clockCorrected: false });
    expect(rightTime('2019-12-31T23:59:59.999Z', 0, now, 7)).toEqual({ at: at(-7), clockCorrected: true });
  });
});
