import type { DeviceDb, OutboxRow, PlayRow } from './deviceDb.ts';
import { allPlays, dropPlay, playStores, writePlay } from './playStore.ts';

/** What a user leaves behind on a device, locked up until they sign in again. */
interface Left {
  readonly outbox: readonly OutboxRow[];
  readonly plays: readonly PlayRow[];
}

/** Whether this page can lock anything up: browsers give the means on https and on the machine itself only. */
export const canSeal = (): boolean => 'subtle' in crypto;

const keyFrom = (sealKey: string): Promise<CryptoKey> =>
  crypto.subtle.importKey(
    'raw',
    Uint8Array.from(atob(sealKey), (one) => one.charCodeAt(0)),
    'AES-GCM',
    false,
    ['encrypt', 'decrypt'],
  );

/**
 * Takes what a user's plays and unsent events are off this device, and locks them up under the key of their sign-in (AES-GCM),
 * which the device forgets with it. Where nothing can be locked up, or without a key, it is only taken off.
 */
export async function sealUser(db: DeviceDb, userId: string, sealKey: string | null): Promise<void> {
  // What another window has locked up just before is locked up again with the rest.
  if (sealKey !== null) await unsealUser(db, userId, sealKey);
  const outbox = await db.getAllFromIndex(
    'outbox',
    'byUser',
    IDBKeyRange.bound([userId, -Infinity], [userId, Infinity]),
  );
  const all = (await allPlays(db)).filter((one) => one.userId === userId);
  // A play that is over is on record, or on its way there.
  const plays = all.filter((one) => one.state.status !== 'over' && one.state.status !== 'ready');
  let sealed: { readonly iv: Uint8Array<ArrayBuffer>; readonly data: ArrayBuffer } | undefined;
  if (sealKey !== null && canSeal() && outbox.length + plays.length > 0) {
    const iv = crypto.getRandomValues(new Uint8Array(12));
    const text = new TextEncoder().encode(JSON.stringify({ outbox, plays } satisfies Left));
    sealed = { iv, data: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, await keyFrom(sealKey), text) };
  }
  const tx = db.transaction(['sealed', 'outbox', ...playStores], 'readwrite');
  if (sealed) void tx.objectStore('sealed').put({ userId, ...sealed });
  for (const row of outbox) void tx.objectStore('outbox').delete(row.id);
  for (const row of all) dropPlay(tx, row.playId);
  await tx.done;
}

/** Puts back what this user left locked up on this device. What the key does not open is left where it is. */
export async function unsealUser(db: DeviceDb, userId: string, sealKey: string): Promise<void> {
  const found = await db.get('sealed', userId);
  if (!found || !canSeal()) return;
  let left: Left;
  try {
    const { iv, data } = found;
    const text = await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, await keyFrom(sealKey), data);
    left = JSON.parse(new TextDecoder().decode(text)) as Left;
  } catch {
    return;
  }
  const tx = db.transaction(['sealed', 'outbox', ...playStores], 'readwrite');
  for (const row of left.outbox) void tx.objectStore('outbox').put(row);
  for (const row of left.plays) writePlay(tx, row);
  void tx.objectStore('sealed').delete(userId);
  await tx.done;
}
