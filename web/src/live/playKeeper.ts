import type { TableEvent } from '@veldrift/wire';
import type { PlayPart, PlayRow } from '../app/deviceDb.ts';
import { partsOf, sameParts } from '../app/playStore.ts';
import type { Journal } from './journal.ts';

/** After a disk that failed the next try comes so much later, ms: twice as long each time. */
const retryMs = { first: 250, longest: 8000 } as const;

/** Keeps one play on this device as it goes. */
export interface PlayKeeper {
  /** Keeps the play as it stands, with what is to be sent of it. Never waits and never throws. */
  readonly keep: (row: PlayRow, events: readonly TableEvent[]) => void;
  /** Whether the disk fails now: what happens is written down beside it and tried again. */
  readonly failing: () => boolean;
  readonly close: () => void;
}

/**
 * Writes each state of a play together with its events: to the journal at once, then to disk, in order, one write at a time. Of
 * what was given in it only what the disk has not taken yet is written. A disk that fails is tried again with all that has
 * gathered, until it takes it.
 */
export function createPlayKeeper(
  journal: Journal,
  write: (row: PlayRow, from: number, events: readonly TableEvent[]) => Promise<void>,
  onFailing: (failing: boolean) => void = () => undefined,
): PlayKeeper {
  let latest: PlayRow | undefined;
  let pending: readonly TableEvent[] = [];
  let writing = false;
  let failing = false;
  let closed = false;
  let wait: number = retryMs.first;
  /** What was given in the play as far as the disk has it, as it has it. */
  let onDisk: readonly PlayPart[] = [];

  const tell = (now: boolean) => {
    if (failing === now) return;
    failing = now;
    onFailing(now);
  };
  async function writeAll(): Promise<void> {
    writing = true;
    while (latest && !closed) {
      const row = latest;
      const events = pending;
      latest = undefined;
      pending = [];
      try {
        await write(row, sameParts(onDisk, partsOf(row)), events);
        onDisk = partsOf(row);
        if (events.length > 0) journal.done(row.playId, events);
        wait = retryMs.first;
        tell(false);
      } catch {
        latest ??= row;
        pending = [...events, ...pending];
        tell(true);
        await new Promise((done) => setTimeout(done, wait));
        wait = Math.min(retryMs.longest, wait * 2);
      }
    }
    writing = false;
  }

  return {
    keep: (row, events) => {
      const saved: PlayRow = { ...row, savedAt: new Date().toISOString() };
      if (events.length > 0 || failing) journal.note(saved, sameParts(onDisk, partsOf(saved)), events);
      latest = saved;
      pending = [...pending, ...events];
      if (!writing) void writeAll();
    },
    failing: () => failing,
    close: () => {
      closed = true;
    },
  };
}
