import type { DeviceDb } from './deviceDb.ts';

/** Where this device keeps the pages it fetched. */
export interface KeptCache {
  readonly getItem: (key: string) => Promise<string | null>;
  readonly setItem: (key: string, value: string) => Promise<void>;
  readonly removeItem: (key: string) => Promise<void>;
  /** Empties it, once what is being written is through, and takes nothing more until it is opened: a user leaves. */
  readonly shut: () => Promise<void>;
  /** Takes what is fetched again: somebody is in. */
  readonly open: () => void;
}

/** The store of fetched pages. What writes to it does so now and then, and may come with a page of a user who has left. */
export function createKeptCache(deviceDb: () => Promise<DeviceDb>): KeptCache {
  let isShut = false;
  let writing: Promise<unknown> = Promise.resolve();
  const write = async (key: string, value: string): Promise<void> => {
    const db = await deviceDb();
    if (!isShut) await db.put('cache', value, key);
  };
  return {
    getItem: async (key) => (await (await deviceDb()).get('cache', key)) ?? null,
    setItem: (key, value) => {
      const written = write(key, value);
      writing = Promise.allSettled([writing, written]);
      return written;
    },
    removeItem: async (key) => void (await (await deviceDb()).delete('cache', key)),
    shut: async () => {
      isShut = true;
      await writing;
      await (await deviceDb()).clear('cache');
    },
    open: () => {
      isShut = false;
    },
  };
}
