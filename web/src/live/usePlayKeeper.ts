import type { TableEvent } from '@veldrift/wire';
import { useCallback, useRef } from 'react';
import { deviceDb, type PlayRow } from '../app/deviceDb.ts';
import { createJournal } from './journal.ts';
import type { Outbox } from './outbox.ts';

const journal = createJournal(localStorage);

/**
 * Keeps a play on this device's disk as it goes, with the events to send: written down at once, then in one transaction,
 * in the order handed in.
 */
export function usePlayKeeper(outbox: Outbox): (row: PlayRow, events: readonly TableEvent[]) => void {
  const writing = useRef<Promise<unknown>>(Promise.resolve());
  return useCallback(
    (row, events) => {
      const saved: PlayRow = { ...row, savedAt: new Date().toISOString() };
      if (events.length > 0) journal.note(saved, events);
      writing.current = writing.current
        .then(async () => {
          if (events.length === 0) return void (await (await deviceDb()).put('plays', saved));
          await outbox.add(events, saved);
          journal.done(saved.playId, events);
        })
        .catch((error: unknown) =>
          console.error('A part of this play could not be kept on this device.', error),
        );
    },
    [outbox],
  );
}
