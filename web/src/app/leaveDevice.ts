import type { Me } from '@veldrift/wire';
import { partnersKey } from '../live/classroom/partnersKey.ts';
import { closeChildScreens } from '../live/child/useChildScreens.ts';
import { recoverJournal } from '../live/journal.ts';
import { alone } from '../live/pageLock.ts';
import { takeOwnPathways } from './book.ts';
import { deviceDb } from './deviceDb.ts';
import { keptCache, queryClient } from './queries.ts';
import { sealUser } from './seal.ts';
import { closeOutbox } from './session.tsx';
import { beginSigningOut, finishSigningOut, signingOutKey } from './signingOut.ts';

/** What this device may keep of nobody in particular. */
const kept: ReadonlySet<string> = new Set(['veldrift.settings', signingOutKey]);

/** Leaves nothing of a user readable on this device; what has not been sent is locked up until they sign in again. */
export async function leaveDevice(me: Pick<Me, 'userId' | 'sealKey'>): Promise<void> {
  const db = await deviceDb();
  // One window after another: each locks up with what the one before has locked up.
  await alone('veldrift-leave', async () => {
    await recoverJournal(db, localStorage);
    await closeOutbox(me.userId);
    await sealUser(db, me.userId, me.sealKey);
  });
  queryClient.clear();
  takeOwnPathways([]);
  await keptCache.shut();
  for (const key of Object.keys(localStorage))
    if (key.startsWith('veldrift.') && !kept.has(key)) localStorage.removeItem(key);
  sessionStorage.clear();
}

/**
 * Leaves this window too when another window of the browser signs out: what it shows and would yet write down is that user's.
 * Gives what stops listening.
 */
export function leaveWithOthers(me: Pick<Me, 'userId' | 'sealKey'>): () => void {
  const listen = (event: StorageEvent) => {
    if (event.key !== signingOutKey || event.newValue === null) return;
    void leaveDevice(me).finally(() => window.location.replace('/sign-in'));
  };
  window.addEventListener('storage', listen);
  return () => window.removeEventListener('storage', listen);
}

/** Lets the devices of a class go, where one has joined from this page; what they need is fetched only then. */
async function closeClass(): Promise<void> {
  if (sessionStorage.getItem(partnersKey) === null) return;
  try {
    const { closePartners } = await import('../live/classroom/partnersOnPage.ts');
    await closePartners();
  } catch {
    // Without a network it cannot be fetched: the class runs out by itself.
  }
}

/** Signs out here and on the server; where that cannot be reached, as soon as it can. */
export async function signOut(me: Pick<Me, 'userId' | 'sealKey'>): Promise<void> {
  await closeChildScreens();
  await closeClass();
  beginSigningOut();
  await leaveDevice(me);
  await finishSigningOut();
}

/** Takes all of one pupil off this device: drafts and journals too, of whose text they are part. */
export function forgetWritten(pupilId: string): void {
  for (const key of Object.keys(localStorage))
    if (
      key.startsWith('veldrift.') &&
      (key.includes(pupilId) || (localStorage.getItem(key) ?? '').includes(pupilId))
    )
      localStorage.removeItem(key);
}
