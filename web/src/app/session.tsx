import { useQuery } from '@tanstack/react-query';
import type { Me } from '@veldrift/wire';
import { createContext, useContext, useEffect, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import { recoverJournal } from '../live/journal.ts';
import { createOutbox, type Outbox, type OutboxState } from '../live/outbox.ts';
import { alone } from '../live/pageLock.ts';
import { ApiError, sendEvents } from './api.ts';
import { deviceDb } from './deviceDb.ts';
import { unsealUser } from './seal.ts';
import { meQuery, refetchRecords } from './queries.ts';

export interface SignedIn {
  readonly me: Me;
  readonly outbox: Outbox;
  /** The sign-in has ended; what is typed waits on this device until the same user signs in again. */
  readonly ended: boolean;
}

const SessionContext = createContext<SignedIn | undefined>(undefined);

/** The signed-in tutor. Throws outside a signed-in page. */
export function useSession(): SignedIn {
  const session = useContext(SessionContext);
  if (!session) throw new Error('This page needs a sign-in.');
  return session;
}

export type SessionStatus = 'loading' | 'none' | 'in' | 'away';

/** Finds out who is signed in; without a network, who last was on this device. */
export function useSessionStatus(): {
  readonly status: SessionStatus;
  readonly me: Me | undefined;
  readonly ended: boolean;
} {
  const { data, error, isPending } = useQuery(meQuery);
  const ended = error instanceof ApiError && error.status === 401;
  if (data) return { status: 'in', me: data, ended };
  if (isPending) return { status: 'loading', me: undefined, ended };
  return { status: ended ? 'none' : 'away', me: undefined, ended };
}

const outboxes = new Map<string, Promise<Outbox>>();

/** One outbox a user, for the life of the page; only one page of the browser sends at a time. */
function outboxOf({ userId, sealKey }: Pick<Me, 'userId' | 'sealKey'>): Promise<Outbox> {
  const found = outboxes.get(userId);
  if (found) return found;
  const made = deviceDb().then(async (db) => {
    await recoverJournal(db, localStorage);
    await unsealUser(db, userId, sealKey);
    const outbox = createOutbox(db, userId, sendEvents, (work) => alone(`veldrift-outbox-${userId}`, work));
    window.addEventListener('online', () => void outbox.flush());
    void outbox.flush();
    return outbox;
  });
  outboxes.set(userId, made);
  return made;
}

/** Closes a user's outbox in this page: they sign out, and what waits is no more to be sent from here. */
export async function closeOutbox(userId: string): Promise<void> {
  const open = outboxes.get(userId);
  outboxes.delete(userId);
  (await open)?.close();
}

export function SessionProvider({
  me,
  ended,
  outbox,
  children,
}: {
  readonly me: Me;
  readonly ended: boolean;
  readonly outbox: Outbox;
  readonly children: ReactNode;
}) {
  const value = useMemo(() => ({ me, ended, outbox }), [me, ended, outbox]);
  useEffect(() => {
    if (!ended) void outbox.flush();
  }, [ended, outbox]);
  useEffect(() => {
    let before = outbox.state().waiting;
    return outbox.subscribe(() => {
      const now = outbox.state();
      if (before > 0 && now.waiting === 0 && now.held === null) void refetchRecords();
      before = now.waiting;
    });
  }, [outbox]);
  return <SessionContext value={value}>{children}</SessionContext>;
}

/** The outbox of a user, suspending until this device's store is open. */
export { outboxOf };

export function useOutboxState(): OutboxState {
  const { outbox } = useSession();
  return useSyncExternalStore(outbox.subscribe, outbox.state);
}
