import type { TableEvent } from '@veldrift/wire';
import { useState } from 'react';
import { deviceDb, type PlayRow } from '../app/deviceDb.ts';
import { putPlay } from '../app/playStore.ts';
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
      async (row, from, events) => {
        if (events.length === 0) await putPlay(await deviceDb(), row, from);
        else await outbox.add(events, row, from);
      },
      (failing) => tellTable({ disk: failing }),
    ),
  );
  return keeper.keep;
}
