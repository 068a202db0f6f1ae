import 'fake-indexeddb/auto';
import { QueryClient } from '@tanstack/react-query';
import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import { persistQueryClientSubscribe } from '@tanstack/react-query-persist-client';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { openDeviceDb, type DeviceDb } from './deviceDb.ts';
import { createKeptCache, type KeptCache } from './keptCache.ts';

let nth = 0;
let db: DeviceDb;
let cache: KeptCache;
beforeEach(async () => {
  db = await openDeviceDb(`cache-${(nth += 1)}`);
  cache = createKeptCache(() => Promise.resolve(db));
});
afterEach(() => db.close());
const kept = async () => (await db.getAll('cache')).join('\n');

describe('the kept pages of a user who leaves', () => {
  it('are not written back by what was on its way, nor by what comes after', async () => {
    const onItsWay = cache.setItem('queries', 'Melusine');
    await cache.shut();
    await onItsWay;
    expect(await kept()).toBe('');
    await cache.setItem('queries', 'Melusine');
    expect(await kept()).toBe('');
    cache.open();
    await cache.setItem('queries', 'Osric');
    expect(await kept()).toBe('Osric');
  });

  it('are waited for where the disk is slow', async () => {
    let goOn: () => void = () => undefined;
    const slow = createKeptCache(async () => {
      await new Promise<void>((done) => (goOn = done));
      return db;
    });
    const onItsWay = slow.setItem('queries', 'Melusine');
    const first = goOn;
    const shut = slow.shut();
    first();
    await onItsWay;
    await vi.waitFor(() => expect(goOn).not.toBe(first));
    goOn();
    await shut;
    expect(await kept()).toBe('');
  });

  it('stay away whatever the client writes now and then', async () => {
    const client = new QueryClient();
    const stop = persistQueryClientSubscribe({
      queryClient: client,
      persister: createAsyncStoragePersister({ storage: cache, key: 'queries', throttleTime: 5 }),
    });
    client.setQueryData(['pupils'], ['Melusine']);
    await vi.waitFor(async () => expect(await kept()).toContain('Melusine'));
    client.setQueryData(['pupils'], ['Melusine', 'Melusine']);
    await cache.shut();
    // A page still on screen asks again before it goes.
    client.setQueryData(['pupils'], ['Melusine']);
    await new Promise((done) => setTimeout(done, 40));
    expect(await kept()).toBe('');
    client.clear();
    cache.open();
    client.setQueryData(['pupils'], ['Osric']);
    await vi.waitFor(async () => expect(await kept()).toContain('Osric'));
    expect(await kept()).not.toContain('Melusine');
    stop();
    client.clear();
  });
});
