import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  advanceMinute,
  advanceTurns,
  newMinute,
  newTurns,
  plainDrill,
  resumeWithinMs,
  timeLeftMs,
  type MinuteState,
  type TurnsEvent,
  type TurnsPlan,
} from '@veldrift/core';
import type { TableEvent } from '@veldrift/wire';
import { openDeviceDb, type PlayRow } from '../app/deviceDb.ts';
import { closeMinute, isCalm, isOpen, openMinutes, takeUp, turnsResumeWithinMs } from './openMinutes.ts';
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

describe('a drill found on disk', () => {
  const plan: TurnsPlan = {
    kind: 'drill',
    timed: true,
    ...plainDrill({
      facts: ['7x8', '6x7', '8x9'].map((fact) => ({
        fact,
        known: true,
        ofSet: true,
        evidence: 3,
        due: false,
      })),
      most: 9,
      seed: 2,
    }),
  };
  const play = (...events: readonly TurnsEvent[]) =>
    events.reduce((state, event) => advanceTurns(plan, state, event), newTurns());
  const asking = play({ kind: 'started' });
  const turnsRow = (state: typeof asking) => row(state as never, { kind: 'turns', plan } as never);

  it('stands where it stood for six hours, and is closed with the time it had used after', () => {
    for (const away of [0, turnsResumeWithinMs])
      expect(takeUp(turnsRow(asking), after(away)).state).toMatchObject({
        ...{
          status: 'paused',
          pausedFrom: 'asking',
          pauseReason: 'reload',
          interrupted: true,
          pausedAt: savedAt,
        },
      });
    expect(takeUp(turnsRow(asking), after(turnsResumeWithinMs + 1)).state).toMatchObject({
      ...{ status: 'over', endReason: 'closed' },
    });
    const paused = play(
      { kind: 'started' },
      { kind: 'paused', usedMs: 4000, at: after(60_000), reason: 'pause' },
    );
    const found = turnsRow(paused);
    // It stood still from its pause on, and lay open from then.
    expect(takeUp(found, after(60_000 + turnsResumeWithinMs))).toBe(found);
    expect(takeUp(found, after(60_001 + turnsResumeWithinMs)).state).toMatchObject({
      status: 'over',
      usedMs: 4000,
    });
  });
  it('is left as it is when it is over or not begun, and says whether it is open and calm', () => {
    const over = play({ kind: 'started' }, { kind: 'ended', usedMs: 1, reason: 'tutor' });
    const calm = play({ kind: 'started' }, { kind: 'calmed' });
    for (const state of [newTurns(), over]) {
      const found = turnsRow(state);
      expect(takeUp(found, after(10 * turnsResumeWithinMs))).toBe(found);
      expect(isOpen(found)).toBe(false);
    }
    expect([isOpen(turnsRow(asking)), isCalm(turnsRow(asking)), isCalm(turnsRow(calm))]).toEqual([
      true,
      false,
      true,
    ]);
    const quiet = advanceMinute(running(100), { kind: 'calmed', usedMs: 100 });
    expect([isCalm(row(running(100))), isCalm(row(quiet))]).toEqual([false, true]);
  });
  it('that was closed is put on record with how it stood', async () => {
    const db = await openDeviceDb('close-minutes');
    const outbox = createOutbox(db, 'u', () => Promise.resolve({ kind: 'away' }));
    const closed = play(
      { kind: 'started' },
      { kind: 'calmed' },
      { kind: 'paused', usedMs: 4000, at: savedAt, reason: 'hidden' },
      { kind: 'ended', usedMs: 4000, reason: 'closed' },
    );
    await closeMinute(outbox, turnsRow(closed));
    expect((await db.getAll('outbox'))[0]?.event).toMatchObject({
      ...{ kind: 'playEnded', usedMs: 4000, calm: true, interrupted: true, reason: 'closed', at: savedAt },
    });
    expect((await db.get('plays', 'm'))?.state.status).toBe('over');
    outbox.close();
    db.close();
  });
});

describe('a game found on disk', () => {
  const game = (status: string) =>
    row(
      { status, usedMs: 7, interrupted: false, pausedAt: null } as never,
      { kind: 'game', moves: [] } as never,
    );
  it('stands where it stood, on whatever day; one that was not played is left alone', () => {
    expect(takeUp(game('playing'), after(90 * 86_400_000)).state).toEqual({
      ...{ status: 'paused', usedMs: 7, interrupted: false, pausedAt: savedAt, pauseReason: 'reload' },
    });
    for (const status of ['ready', 'paused', 'over']) {
      const found = game(status);
      expect(takeUp(found, after(1000))).toBe(found);
    }
  });
  it('is offered with others, the latest first', async () => {
    const db = await openDeviceDb('open-games');
    const outbox = createOutbox(db, 'u', () => Promise.resolve({ kind: 'away' }));
    const at = (playId: string, savedAtMs: number) => ({
      ...game('paused'),
      playId,
      savedAt: after(savedAtMs),
    });
    for (const one of [at('first', 0), at('third', 9000), at('second', 5000)]) await db.put('plays', one);
    const found = await openMinutes(db, outbox, 'u', after(60_000));
    expect(found.map((one) => one.playId)).toEqual(['third', 'second', 'first']);
    outbox.close();
    db.close();
  });
});
