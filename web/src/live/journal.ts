import type { TableEvent } from '@veldrift/wire';
import type { DeviceDb, KeptPart, PlayHead, PlayRow } from '../app/deviceDb.ts';
import { playStores, splitPlay, writeSplit } from '../app/playStore.ts';

const prefix = 'veldrift.journal.';

/** What a play still has to put on disk: the play as it stands, and the events it has to send. Pages of builds before hold it whole. */
interface Page {
  readonly row: PlayHead;
  /** What was given in it that the disk was not known to have. */
  readonly parts?: readonly KeptPart[];
  readonly events: readonly TableEvent[];
}

/**
 * The few milliseconds between an answer and the disk. IndexedDB answers later, and a page that goes away meanwhile takes
 * the write with it; this store answers at once. What it holds is taken out again when the write has come through.
 */
export interface Journal {
  /**
   * Writes down a play as it stands now and what is to be sent of it: one record, so that neither is ever there alone. `from`: of
   * its parts those before are on disk.
   */
  readonly note: (row: PlayRow, from: number, events: readonly TableEvent[]) => void;
  /** Takes out events that are on disk now. */
  readonly done: (playId: string, events: readonly TableEvent[]) => void;
}

export function createJournal(store: Storage): Journal {
  return {
    note: (row, from, events) => {
      const before = read(store, prefix + row.playId);
      const { head, parts } = splitPlay(row, from);
      const page: Page = { row: head, parts, events: [...(before?.events ?? []), ...events] };
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
 * the server; the play is taken as it was written down where that is newer than what is on disk.
 */
export async function recoverJournal(db: DeviceDb, store: Storage): Promise<void> {
  for (const key of journalKeys(store)) {
    const page = read(store, key);
    if (page) {
      const { row, parts = [], events } = page;
      const tx = db.transaction(['outbox', ...playStores], 'readwrite');
      for (const [at, event] of events.entries())
        void tx.objectStore('outbox').put({
          id: event.id,
          userId: row.userId,
          order: Date.parse(row.savedAt) * 1000 + at,
          event,
          refused: null,
        });
      const onDisk = await tx.objectStore('plays').get(row.playId);
      if (!onDisk || onDisk.savedAt <= row.savedAt) writeSplit(tx, row, parts);
      await tx.done;
    }
    store.removeItem(key);
  }
}

/** Under which the journals of this device lie. */
export function journalKeys(store: Storage): string[] {
  return Array.from({ length: store.length }, (_, at) => store.key(at) ?? '').filter((key) =>
    key.startsWith(prefix),
  );
}

function read(store: Storage, key: string): Page | undefined {
  try {
    const page = JSON.parse(store.getItem(key) ?? 'null') as Partial<Page> | null;
    // Half a page, or one of a build that wrote otherwise, tells nothing that can be trusted.
    return page?.row && page.events ? (page as Page) : undefined;
  } catch {
    return undefined;
  }
}
