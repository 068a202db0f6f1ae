import type { BatchResult, TableEvent } from '@veldrift/wire';
import { isGame, type DeviceDb, type OutboxRow, type PlayRow } from '../app/deviceDb.ts';
import { dropPlay, playStores, writePlay } from '../app/playStore.ts';

/** What became of a try to send. */
export type SendOutcome =
  | { readonly kind: 'sent'; readonly result: BatchResult }
  /** `retryAfterMs`: when the server asked to be asked again; left out where it did not answer. */
  | { readonly kind: 'away'; readonly retryAfterMs?: number }
  | { readonly kind: 'signIn' }
  | { readonly kind: 'refused'; readonly message: string };

export type Send = (events: readonly TableEvent[]) => Promise<SendOutcome>;

export interface OutboxState {
  /** Events not yet on the server. */
  readonly waiting: number;
  readonly refused: number;
  /** Why nothing is being sent: the server is away, or the sign-in has ended. */
  readonly held: 'away' | 'signIn' | null;
}

export interface Outbox {
  readonly state: () => OutboxState;
  readonly subscribe: (listener: () => void) => () => void;
  /**
   * Puts events on this device's disk, together with the play they belong to; resolves once they are there. Sending follows by
   * itself. `from`: of the play's parts those before lie there already.
   */
  readonly add: (events: readonly TableEvent[], play?: PlayRow, from?: number) => Promise<void>;
  /** Sends what waits now. Resolves when nothing more can be sent for the moment. */
  readonly flush: () => Promise<void>;
  readonly refusedRows: () => Promise<OutboxRow[]>;
  /** Takes a refused event away for good. */
  readonly discard: (id: string) => Promise<void>;
  /** Takes away what waits of a pupil deleted for good, and the minutes of that pupil kept on this device. */
  readonly forgetPupil: (pupilId: string) => Promise<void>;
  readonly close: () => void;
}

const batchSize = 100;
const firstRetryMs = 1000;
const longestRetryMs = 30_000;

/**
 * The outbox of one user on this device. Events survive reloads, crashes, lost networks and the end of a sign-in; they are
 * sent in order, again and again until acknowledged (the server passes over what it has). A refused event stays, with its
 * reason, and blocks no other.
 */
export function createOutbox(
  db: DeviceDb,
  userId: string,
  send: Send,
  lock: <T>(work: () => Promise<T>) => Promise<T> = (work) => work(),
): Outbox {
  let state: OutboxState = { waiting: 0, refused: 0, held: null };
  let sending: Promise<void> | undefined;
  let again = false;
  let retryMs = firstRetryMs;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let order = Date.now() * 1000;
  let closed = false;
  const listeners = new Set<() => void>();

  const rows = () =>
    db.getAllFromIndex('outbox', 'byUser', IDBKeyRange.bound([userId, -Infinity], [userId, Infinity]));

  async function update(held: OutboxState['held']): Promise<void> {
    const all = await rows();
    const refused = all.filter((row) => row.refused).length;
    state = { waiting: all.length - refused, refused, held };
    listeners.forEach((listener) => listener());
  }

  async function sendAll(): Promise<void> {
    let size = batchSize;
    for (;;) {
      const batch = (await rows()).filter((row) => !row.refused).slice(0, size);
      if (batch.length === 0) return update(null);
      const outcome = await send(batch.map((row) => row.event));
      if (outcome.kind === 'refused') {
        // The batch as a whole was refused: find out which event it is, one at a time.
        if (batch.length > 1) size = 1;
        else
          await settle(batch, {
            serverNow: '',
            results: [{ id: null, status: 'refused', message: outcome.message }],
          });
        continue;
      }
      if (outcome.kind !== 'sent') {
        await update(outcome.kind);
        if (outcome.kind === 'away' && !closed) {
          clearTimeout(timer);
          // The server's own word on when comes first; ours where it has none.
          timer = setTimeout(() => void flush(), Math.max(retryMs, outcome.retryAfterMs ?? 0));
          retryMs = Math.min(longestRetryMs, retryMs * 2);
        }
        return;
      }
      retryMs = firstRetryMs;
      await settle(batch, outcome.result);
    }
  }

  async function settle(batch: readonly OutboxRow[], result: BatchResult): Promise<void> {
    const tx = db.transaction('outbox', 'readwrite');
    for (const [at, row] of batch.entries()) {
      const found = result.results[at];
      if (found && found.status !== 'refused') await tx.store.delete(row.id);
      else
        await tx.store.put({
          ...row,
          refused: {
            message: found?.message ?? 'The server said nothing of this event.',
            ...(found?.field ? { field: found.field } : {}),
          },
        });
    }
    await tx.done;
  }

  async function flush(): Promise<void> {
    if (closed) return;
    if (sending) {
      again = true;
      return sending;
    }
    sending = lock(sendAll).finally(() => {
      sending = undefined;
    });
    await sending;
    if (again) {
      again = false;
      return flush();
    }
  }

  void update(null);
  return {
    state: () => state,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    add: async (events, play, from) => {
      const tx = db.transaction(['outbox', ...playStores], 'readwrite');
      for (const event of events) {
        order = Math.max(order + 1, Date.now() * 1000);
        void tx.objectStore('outbox').put({ id: event.id, userId, order, event, refused: null });
      }
      if (play) writePlay(tx, play, from);
      await tx.done;
      state = { ...state, waiting: state.waiting + events.length };
      listeners.forEach((listener) => listener());
      void flush();
    },
    flush,
    refusedRows: async () => (await rows()).filter((row) => row.refused),
    discard: async (id) => {
      await db.delete('outbox', id);
      await update(state.held);
    },
    forgetPupil: async (pupilId) => {
      const tx = db.transaction(['outbox', ...playStores], 'readwrite');
      for (const row of await tx.objectStore('outbox').getAll())
        if ('pupilId' in row.event && row.event.pupilId === pupilId)
          void tx.objectStore('outbox').delete(row.id);
      for (const play of await tx.objectStore('plays').getAll())
        if (
          play.pupilId === pupilId ||
          (isGame(play) && play.seats.some((seat) => seat.pupil?.id === pupilId))
        )
          dropPlay(tx, play.playId);
      await tx.done;
      await update(state.held);
    },
    close: () => {
      closed = true;
      clearTimeout(timer);
    },
  };
}
