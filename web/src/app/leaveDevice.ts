import type { Me } from '@veldrift/wire';
import { recoverJournal } from '../live/journal.ts';
import { takeOwnPathways } from './book.ts';
import { deviceDb } from './deviceDb.ts';
import { queryClient } from './queries.ts';
import { sealUser } from './seal.ts';
import { closeOutbox } from './session.tsx';
import { beginSigningOut, finishSigningOut, signingOutKey } from './signingOut.ts';

/** What this device may keep of nobody in particular. */
const kept: ReadonlySet<string> = new Set(['veldrift.settings', signingOutKey]);

/** Leaves nothing of a user readable on this device; what has not been sent is locked up until they sign in again. */
export async function leaveDevice(me: Pick<Me, 'userId' | 'sealKey'>): Promise<void> {
  const db = await deviceDb();
  await recoverJournal(db, localStorage);
  await closeOutbox(me.userId);
  await sealUser(db, me.userId, me.sealKey);
  queryClient.clear();
  takeOwnPathways([]);
  await db.clear('cache');
  for (const key of Object.keys(localStorage))
    if (key.startsWith('veldrift.') && !kept.has(key)) localStorage.removeItem(key);
  sessionStorage.clear();
}

/** Signs out here and on the server; where that cannot be reached, as soon as it can. */
export async function signOut(me: Pick<Me, 'userId' | 'sealKey'>): Promise<void> {
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
