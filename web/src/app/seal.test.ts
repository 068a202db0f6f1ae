import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { TableEvent } from '@veldrift/wire';
import { openDeviceDb, type DeviceDb, type OutboxRow, type PlayRow } from './deviceDb.ts';
import { sealUser, unsealUser } from './seal.ts';
import { allPlays, deletePlay, putPlay } from './playStore.ts';

let nth = 0;
let db: DeviceDb;
beforeEach(async () => {
  db = await openDeviceDb(`seal-${(nth += 1)}`);
});
afterEach(() => {
  db.close();
  vi.unstubAllGlobals();
});

const key = (byte: number) => btoa(String.fromCharCode(...new Uint8Array(32).fill(byte)));
const row = (id: string, userId = 'u'): OutboxRow => ({
  id,
  userId,
  order: 1,
  event: { id, kind: 'visitStarted', pupilId: 'Zephyrine' } as unknown as TableEvent,
  refused: null,
});
const play = (playId: string, status: string, userId = 'u') =>
  ({
    playId,
    userId,
    pupilId: 'Zephyrine',
    state: { status, answers: [{ id: playId, given: 'Zephyrine' }] },
  }) as unknown as PlayRow;
const fill = async () => {
  for (const one of [row('a'), row('b'), row('c', 'other')]) await db.put('outbox', one);
  for (const one of [play('open', 'paused'), play('done', 'over'), play('theirs', 'paused', 'other')])
    await putPlay(db, one);
};
/** All that can be read on this device. */
const readable = async () =>
  JSON.stringify([
    await db.getAll('outbox'),
    await db.getAll('plays'),
    await db.getAll('parts'),
    await db.getAll('sealed'),
  ]);

describe('signing out', () => {
  it('leaves nothing of a user readable, and gives what was unsent back at the next sign-in', async () => {
    await fill();
    await sealUser(db, 'u', key(7));
    expect((await db.getAll('outbox')).map((one) => one.id)).toEqual(['c']);
    expect((await db.getAll('plays')).map((one) => one.playId)).toEqual(['theirs']);
    for (const one of await db.getAll('outbox')) await db.delete('outbox', one.id);
    for (const one of await db.getAll('plays')) await deletePlay(db, one.playId);
    expect(await readable()).not.toContain('Zephyrine');
    const [sealed] = await db.getAll('sealed');
    expect(new TextDecoder().decode(sealed?.data)).not.toContain('Zephyrine');
    await unsealUser(db, 'u', key(7));
    expect(await db.getAll('outbox')).toEqual([row('a'), row('b')]);
    // A play that was over is on record and needs no device; one under way goes on.
    expect(await allPlays(db)).toEqual([play('open', 'paused')]);
    expect(await db.count('sealed')).toBe(0);
  });

  it('adds to what another window has just locked up', async () => {
    await fill();
    await sealUser(db, 'u', key(7));
    await db.put('outbox', row('d'));
    await sealUser(db, 'u', key(7));
    // And again with nothing more.
    await sealUser(db, 'u', key(7));
    expect(await readable()).not.toContain('"a"');
    await unsealUser(db, 'u', key(7));
    expect((await db.getAll('outbox')).map((one) => one.id)).toEqual(['a', 'b', 'c', 'd']);
    expect((await db.getAll('plays')).map((one) => one.playId)).toEqual(['open', 'theirs']);
  });

  it('opens under no other key and for no other user', async () => {
    await fill();
    await sealUser(db, 'u', key(7));
    await unsealUser(db, 'u', key(8));
    await unsealUser(db, 'other', key(7));
    expect((await db.getAll('outbox')).map((one) => one.id)).toEqual(['c']);
    expect(await db.count('sealed')).toBe(1);
  });

  it('takes all away where nothing can be locked up', async () => {
    await fill();
    vi.stubGlobal('crypto', {});
    await sealUser(db, 'u', key(7));
    expect((await db.getAll('outbox')).map((one) => one.id)).toEqual(['c']);
    expect(await db.count('sealed')).toBe(0);
  });

  it('keeps nothing locked up where nothing was left', async () => {
    await db.put('plays', play('done', 'over'));
    await sealUser(db, 'u', key(7));
    expect(await db.count('plays')).toBe(0);
    expect(await db.count('sealed')).toBe(0);
  });
});

describe('a device of a build before', () => {
  it('keeps what it held', async () => {
    const { openDB } = await import('idb');
    const old = await openDB('seal-old', 1, {
      upgrade(made) {
        made.createObjectStore('outbox', { keyPath: 'id' }).createIndex('byUser', ['userId', 'order']);
        made.createObjectStore('plays', { keyPath: 'playId' });
        made.createObjectStore('cache');
      },
    });
    await old.put('outbox', row('a'));
    old.close();
    const now = await openDeviceDb('seal-old');
    expect(await now.getAll('outbox')).toEqual([row('a')]);
    expect(await now.count('sealed')).toBe(0);
    now.close();
  });
});
