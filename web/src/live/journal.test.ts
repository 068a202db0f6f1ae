import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { advanceMinute, newMinute } from '@veldrift/core';
import type { TableEvent } from '@veldrift/wire';
import { openDeviceDb, type PlayRow } from '../app/deviceDb.ts';
import { memoryStorage } from '../testing/memoryStorage.ts';
import { createJournal, recoverJournal } from './journal.ts';

const event = (id: string): TableEvent => ({
  id,
  v: 1,
  kind: 'visitStarted',
  pupilId: 'p',
  visitId: 'v',
  at: '2026-11-24T09:00:00.000Z',
});
const state = (usedMs: number) =>
  advanceMinute(advanceMinute(newMinute(['7x8', '8x7'], 60_000), { kind: 'started' }), {
    kind: 'ticked',
    usedMs,
  });
const row = (usedMs: number): PlayRow =>
  ({
    playId: 'm',
    userId: 'u',
    pupilId: 'p',
    savedAt: new Date(Date.parse('2026-11-24T09:00:00Z') + usedMs).toISOString(),
    state: state(usedMs),
  }) as PlayRow;
let nth = 0;
const disk = () => openDeviceDb(`journal-${(nth += 1)}`);

describe('the journal', () => {
  it('brings back what the disk had not taken when the page went away', async () => {
    const store = memoryStorage();
    const db = await disk();
    await db.put('plays', row(1000));
    createJournal(store).note(row(5000), 0, [event('a')]);
    await recoverJournal(db, store);
    expect((await db.getAll('outbox')).map((one) => [one.id, one.userId, one.refused])).toEqual([
      ['a', 'u', null],
    ]);
    expect((await db.get('plays', 'm'))?.state.usedMs).toBe(5000);
    expect(store.length).toBe(0);
  });

  it('holds nothing once the disk has it, and takes no newer state back', async () => {
    const store = memoryStorage();
    const db = await disk();
    const journal = createJournal(store);
    journal.note(row(2000), 0, [event('a')]);
    journal.note(row(3000), 0, [event('b')]);
    journal.done('m', [event('a')]);
    await db.put('plays', row(9000));
    await recoverJournal(db, store);
    expect((await db.getAll('outbox')).map((one) => one.id)).toEqual(['b']);
    expect((await db.get('plays', 'm'))?.state.usedMs).toBe(9000);
    journal.note(row(9500), 0, [event('c')]);
    journal.done('m', [event('c')]);
    expect(store.length).toBe(0);
  });

  it('lets the disk be written to where it is full, and passes over what is not its own', async () => {
    const store = memoryStorage(40);
    createJournal(store).note(row(1), 0, [event('a')]);
    expect(store.length).toBe(0);
    store.setItem('veldrift.settings', '{}');
    store.setItem('veldrift.journal.x', '{half a');
    const db = await disk();
    await recoverJournal(db, store);
    expect(await db.count('outbox')).toBe(0);
    expect(store.getItem('veldrift.settings')).toBe('{}');
    expect(store.getItem('veldrift.journal.x')).toBeNull();
  });

  it('loses no event, wherever between two answers the page goes away', async () => {
    // Each answer is noted; then its write comes through and is noted as done, or comes through only, or not at all.
    const fates = fc.array(fc.constantFrom('done', 'written', 'gone'), { minLength: 1, maxLength: 20 });
    await fc.assert(
      fc.asyncProperty(fates, async (list) => {
        const store = memoryStorage();
        const db = await disk();
        const journal = createJournal(store);
        for (const [at, fate] of list.entries()) {
          const one = event(`e${at}`);
          const saved = row(1000 * (at + 1));
          journal.note(saved, 0, [one]);
          if (fate === 'gone') continue;
          await db.put('outbox', { id: one.id, userId: 'u', order: at, event: one, refused: null });
          await db.put('plays', saved);
          if (fate === 'done') journal.done('m', [one]);
        }
        await recoverJournal(db, store);
        expect((await db.getAll('outbox')).map((one) => one.id).sort()).toEqual(
          list.map((_, at) => `e${at}`).sort(),
        );
        // The minute stands where the last answer left it, whether the disk knew of it or not.
        const kept = await db.get('plays', 'm');
        expect(kept?.state.usedMs).toBe(1000 * list.length);
        db.close();
      }),
      { numRuns: 40 },
    );
  });
});
