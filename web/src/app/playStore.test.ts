import 'fake-indexeddb/auto';
import { advanceMinute, newMinute, type Answer } from '@veldrift/core';
import { describe, expect, it, vi } from 'vitest';
import { createJournal, recoverJournal } from '../live/journal.ts';
import { createPlayKeeper } from '../live/playKeeper.ts';
import { memoryStorage } from '../testing/memoryStorage.ts';
import { openDeviceDb, type DeviceDb, type MinuteRow, type PlayRow } from './deviceDb.ts';
import { allPlays, deletePlay, getPlay, partsOf, putPlay, sameParts } from './playStore.ts';

let nth = 0;
const disk = () => openDeviceDb(`plays-${(nth += 1)}`);
const answerAt = (at: number, given = '56'): Answer => ({
  ...{ id: `a${at}`, fact: '7x8', at: '2026-11-24T09:00:00.000Z', judgement: 'right', given, latencyMs: 900 },
  ...{
    voided: false,
    overheadMs: 300,
    spreadMs: 50,
    calibrated: true,
    limitMs: 2000,
    seen: [],
    aided: false,
    way: 'tutor',
  },
});
const rowOf = (answers: readonly Answer[], playId = 'm'): MinuteRow => {
  const begun = advanceMinute(newMinute(['7x8'], 60_000), { kind: 'started' });
  return {
    ...{
      playId,
      userId: 'u',
      pupilId: 'p',
      pupil: { id: 'p' } as never,
      visitId: 'v',
      setId: 's',
      purpose: 'check',
    },
    ...{
      way: 'tutor',
      limitMs: 2000,
      startedAt: '2026-11-24T09:00:00.000Z',
      savedAt: '2026-11-24T09:00:00.000Z',
    },
    state: { ...begun, answers },
  };
};
const many = (count: number) => Array.from({ length: count }, (_, at) => answerAt(at));
const answersOf = async (db: DeviceDb, playId = 'm') => {
  const row = await getPlay(db, playId);
  return row && partsOf(row);
};

describe('a play on this device', () => {
  it('is read as it was written: longer, shorter, with its last answer changed, beside others', async () => {
    const db = await disk();
    let before: readonly Answer[] = [];
    const four = many(4);
    const changed = [...four.slice(0, 3), answerAt(3, '54')];
    for (const answers of [
      many(1),
      four,
      changed,
      changed.slice(0, 2),
      [...changed.slice(0, 2), answerAt(9)],
      [],
    ]) {
      await putPlay(db, rowOf(answers), sameParts(before, answers));
      before = answers;
      expect(await answersOf(db)).toEqual(answers);
    }
    await putPlay(db, rowOf(four));
    await putPlay(db, rowOf(many(2), 'other'));
    expect((await allPlays(db)).map((row) => [row.playId, partsOf(row).length])).toEqual([
      ['m', 4],
      ['other', 2],
    ]);
    expect(await getPlay(db, 'm')).toEqual(rowOf(four));
    await deletePlay(db, 'm');
    expect(await db.count('parts')).toBe(2);
    expect(await getPlay(db, 'm')).toBeUndefined();
  });
  it('of a build before is whole in its row, and is gone on with', async () => {
    const db = await disk();
    await db.put('plays', rowOf(many(3)));
    expect(await answersOf(db)).toEqual(many(3));
    await putPlay(db, rowOf(many(4)));
    expect(await answersOf(db)).toEqual(many(4));
    const store = memoryStorage();
    const later = { ...rowOf(many(5)), savedAt: '2026-11-24T09:10:00.000Z' };
    store.setItem('veldrift.journal.m', JSON.stringify({ row: later, events: [] }));
    await recoverJournal(db, store);
    expect(await answersOf(db)).toEqual(many(5));
  });
  it('costs the same an answer after a thousand as after ten: nothing given before is written again', async () => {
    const db = await disk();
    const store = memoryStorage();
    const written: number[] = [];
    const noted: number[] = [];
    const set = vi.spyOn(store, 'setItem');
    const keeper = createPlayKeeper(createJournal(store), async (row: PlayRow, from) => {
      written.push(partsOf(row).length - from);
      await putPlay(db, row, from);
    });
    const answers: Answer[] = [];
    for (let at = 0; at < 1000; at += 1) {
      answers.push(answerAt(at));
      keeper.keep(rowOf([...answers]), [{ id: `e${at}`, kind: 'visitStarted' } as never]);
      noted.push(set.mock.lastCall?.[1].length ?? 0);
      await vi.waitFor(() => expect(store.length).toBe(0), { interval: 0 });
    }
    expect(new Set(written)).toEqual(new Set([1]));
    expect(noted[999] as number).toBeLessThan((noted[9] as number) * 1.05);
    expect(await answersOf(db)).toEqual(answers);
    keeper.close();
  });
});
