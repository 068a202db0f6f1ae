import type { TableEvent } from '@veldrift/wire';
import type { DeviceDb, PlayRow } from '../app/deviceDb.ts';

const prefix = 'veldrift.journal.';

/** What a minute still has to put on disk: its state and events, written down at once and whole. */
interface Page {
  readonly userId: string;
  readonly savedAt: string;
  readonly state: PlayRow['state'];
  readonly events: readonly TableEvent[];
}

/**
 * The few milliseconds between an answer and the disk. IndexedDB answers later, and a page that goes away meanwhile takes
 * the write with it; this store answers at once. What it holds is taken out again when the write has come through.
 */
export interface Journal {
  /** Writes down what is about to be put on disk. */
  readonly note: (row: PlayRow, events: readonly TableEvent[]) => void;
  /** Takes out events that are on disk now. */
  readonly done: (playId: string, events: readonly TableEvent[]) => void;
}

export function createJournal(store: Storage): Journal {
  return {
    note: (row, events) => {
      const before = read(store, prefix + row.playId);
      const page: Page = {
        userId: row.userId,
        savedAt: row.savedAt,
        state: row.state,
        events: [...(before?.events ?? []), ...events],
      };
      try {
        store.setItem(prefix + row.playId, JSON.stringify(page));
      } catch {
        // A full store: the disk itself is written to all the same.
      }
    },
    done: (playId, events) => {
      const page = read(store, prefix + playId);
      if (!page) return;
      const ids = new Set(events.map((one) => one.id));
      const left = page.events.filter((one) => !ids.has(one.id));
      if (left.length === 0) store.removeItem(prefix + playId);
      else store.setItem(prefix + playId, JSON.stringify({ ...page, events: left }));
    },
  };
}

/**
 * Puts on disk what a page that went away had only written down. Events already sent are sent once more and passed over by
 * the server; a minute's state is taken where it is newer than the one on disk.
 */
export async function recoverJournal(db: DeviceDb, store: Storage): Promise<void> {
  const keys = Array.from({ length: store.length }, (_, at) => store.key(at) ?? '').filter((key) =>
    key.startsWith(prefix),
  );
  for (const key of keys) {
    const page = read(store, key);
    if (page) {
      const tx = db.transaction(['outbox', 'plays'], 'readwrite');
      for (const [at, event] of page.events.entries())
        void tx.objectStore('outbox').put({
          id: event.id,
          userId: page.userId,
          order: Date.parse(page.savedAt) * 1000 + at,
          event,
          refused: null,
        });
      const row = await tx.objectStore('plays').get(key.slice(prefix.length));
      if (row && row.savedAt <= page.savedAt)
        // The page and the row are of one play, and so of one kind.
        void tx.objectStore('plays').put({ ...row, savedAt: page.savedAt, state: page.state } as PlayRow);
      await tx.done;
    }
    store.removeItem(key);
  }
}

function read(store: Storage, key: string): Page | undefined {
  try {
    const text = store.getItem(key);
    return text === null ? undefined : (JSON.parse(text) as Page);
  } catch {
    return undefined;
  }
}
