import type { TableEvent } from '@veldrift/wire';
import { useState } from 'react';
import { deviceDb, type PlayRow } from '../app/deviceDb.ts';
import { tellTable } from './tableTrouble.ts';
import { createJournal } from './journal.ts';
import type { Outbox } from './outbox.ts';
import { createPlayKeeper } from './playKeeper.ts';

const journal = createJournal(localStorage);

/** Keeps a play on this device's disk as it goes, with the events to send. */
export function usePlayKeeper(outbox: Outbox): (row: PlayRow, events: readonly TableEvent[]) => void {
  const [keeper] = useState(() =>
    createPlayKeeper(
      journal,
      async (row, events) => {
        if (events.length === 0) await (await deviceDb()).put('plays', row);
        else await outbox.add(events, row);
      },
      (failing) => tellTable({ disk: failing }),
    ),
  );
  return keeper.keep;
}
