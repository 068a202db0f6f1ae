import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { advanceMinute, newMinute, resumeWithinMs, timeLeftMs, type MinuteState } from '@veldrift/core';
import type { TableEvent } from '@veldrift/wire';
import { openDeviceDb, type PlayRow } from '../app/deviceDb.ts';
import { openMinutes, takeUp } from './openMinutes.ts';
import { createOutbox } from './outbox.ts';

const savedAt = '2026-11-24T09:00:00.000Z';
const after = (ms: number) => new Date(Date.parse(savedAt) + ms).toISOString();
const running = (usedMs: number): MinuteState =>
  [{ kind: 'started' } as const, { kind: 'ticked', usedMs } as const].reduce(
    advanceMinute,
    newMinute(['7x8', '8x7'], 60_000),
  );
const row = (state: MinuteState, over: Partial<PlayRow> = {}): PlayRow =>
  ({
    playId: 'm',
    userId: 'u',
    pupilId: 'p',
    visitId: 'v',
    savedAt,
    startedAt: savedAt,
    state,
    ...over,
  }) as PlayRow;

describe('a minute found on disk', () => {
  it('goes on with the time left within ten minutes, and is closed with the time it had used after', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 59_999 }),
        fc.integer({ min: 0, max: 3_600_000 }),
        (used, away) => {
          const { state } = takeUp(row(running(used)), after(away));
          expect(timeLeftMs(state as MinuteState)).toBe(60_000 - used);
          if (away <= resumeWithinMs)
            expect(state).toMatchObject({ status: 'paused', pauseReason: 'reload', interrupted: true });
          else expect(state).toMatchObject({ status: 'over', endReason: 'closed', usedMs: used });
        },
      ),
    );
  });
  it('is left as it is when it is over or not begun', () => {
    for (const state of [
      newMinute(['7x8', '8x7'], 60_000),
      advanceMinute(running(5000), { kind: 'ended', usedMs: 5000, reason: 'tutor' }),
    ])
      expect(takeUp(row(state), after(7_200_000)).state).toBe(state);
  });
  it('is offered, or closed and put on record, by the tutor\u2019s own list', async () => {
    const db = await openDeviceDb('open-minutes');
    const sent: TableEvent[] = [];
    const outbox = createOutbox(db, 'u', (events) => {
      sent.push(...events);
      return Promise.resolve({ kind: 'away' });
    });
    const old = after(-resumeWithinMs - 1);
    await db.put('plays', row(running(5000), { playId: 'open' }));
    await db.put('plays', row(running(9000), { playId: 'lapsed', savedAt: old }));
    await db.put('plays', row(running(9000), { playId: 'elsewhere', savedAt: after(59_500) }));
    await db.put('plays', row(running(9000), { playId: 'another', userId: 'other', savedAt: old }));
    const found = await openMinutes(db, outbox, 'u', after(60_000));
    expect(found.map((one) => one.playId)).toEqual(['open']);
    expect((await db.get('plays', 'lapsed'))?.state).toMatchObject({ status: 'over', endReason: 'closed' });
    expect((await db.get('plays', 'another'))?.state.status).toBe('running');
    const [ended] = await db.getAll('outbox');
    expect(ended?.event).toMatchObject({
      kind: 'playEnded',
      playId: 'lapsed',
      usedMs: 9000,
      reason: 'closed',
      at: old,
    });
    expect(await openMinutes(db, outbox, 'u', after(60_000))).toHaveLength(1);
    expect(await db.count('outbox')).toBe(1);
    outbox.close();
    db.close();
  });
});
