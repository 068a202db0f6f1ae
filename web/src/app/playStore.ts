import type { Answer, KeptMove } from '@veldrift/core';
import type { IDBPTransaction, StoreNames } from 'idb';
import {
  isGame,
  type DeviceDb,
  type DeviceSchema,
  type KeptPart,
  type PlayHead,
  type PlayPart,
  type PlayRow,
} from './deviceDb.ts';

/** Stores that hold plays: whoever writes one opens both. */
export const playStores = ['plays', 'parts'] as const;
type PlayTx = IDBPTransaction<DeviceSchema, StoreNames<DeviceSchema>[], 'readwrite'>;

export const partsOf = (row: PlayRow): readonly PlayPart[] => (isGame(row) ? row.moves : row.state.answers);

/** The same play with other parts. */
function withParts(row: PlayRow, parts: readonly PlayPart[]): PlayRow {
  if (isGame(row)) return { ...row, moves: parts as readonly KeptMove[] };
  return { ...row, state: { ...row.state, answers: parts as readonly Answer[] } } as PlayRow;
}

/** What lies in `plays`, and what in `parts`: each part is written once, so that a long play costs no more than a short one. */
export function splitPlay(
  row: PlayRow,
  from = 0,
): { readonly head: PlayHead; readonly parts: readonly KeptPart[] } {
  const all = partsOf(row);
  const parts = all.slice(from).map((part, at) => ({ playId: row.playId, nth: from + at, part }));
  return { head: { ...withParts(row, []), parts: all.length }, parts };
}

export function joinPlay(head: PlayHead, parts: readonly KeptPart[]): PlayRow {
  const { parts: count, ...row } = head;
  if (count === undefined) return row as PlayRow;
  return withParts(
    row as PlayRow,
    parts.slice(0, count).map((one) => one.part),
  );
}

/** How many parts of two states of a play are the same, from the first on: so many need not be written again. */
export function sameParts(before: readonly PlayPart[], now: readonly PlayPart[]): number {
  const most = Math.min(before.length, now.length);
  let same = 0;
  while (same < most && before[same] === now[same]) same += 1;
  return same;
}

/** Writes a play; of its parts those before `from` lie there already. */
export function writePlay(tx: PlayTx, row: PlayRow, from = 0): void {
  const { head, parts } = splitPlay(row, from);
  writeSplit(tx, head, parts);
}

/** The same, of a play that is split. */
export function writeSplit(tx: PlayTx, head: PlayHead, parts: readonly KeptPart[]): void {
  for (const part of parts) void tx.objectStore('parts').put(part);
  void tx.objectStore('plays').put(head);
}

export function dropPlay(tx: PlayTx, playId: string): void {
  void tx.objectStore('parts').delete(IDBKeyRange.bound([playId, 0], [playId, Infinity]));
  void tx.objectStore('plays').delete(playId);
}

/** Writes a play by itself. */
export async function putPlay(db: DeviceDb, row: PlayRow, from = 0): Promise<void> {
  const tx = db.transaction<StoreNames<DeviceSchema>[], 'readwrite'>([...playStores], 'readwrite');
  writePlay(tx, row, from);
  await tx.done;
}

/** Takes a play off this device by itself. */
export async function deletePlay(db: DeviceDb, playId: string): Promise<void> {
  const tx = db.transaction<StoreNames<DeviceSchema>[], 'readwrite'>([...playStores], 'readwrite');
  dropPlay(tx, playId);
  await tx.done;
}

/** One play of this device, whole. */
export async function getPlay(db: DeviceDb, playId: string): Promise<PlayRow | undefined> {
  const tx = db.transaction([...playStores]);
  const head = await tx.objectStore('plays').get(playId);
  if (!head) return undefined;
  const range = IDBKeyRange.bound([playId, 0], [playId, Infinity]);
  return joinPlay(head, head.parts ? await tx.objectStore('parts').getAll(range) : []);
}

/** All plays of this device, whole. */
export async function allPlays(db: DeviceDb): Promise<PlayRow[]> {
  const tx = db.transaction([...playStores]);
  const [heads, parts] = await Promise.all([
    tx.objectStore('plays').getAll(),
    tx.objectStore('parts').getAll(),
  ]);
  // Parts come in the order of their keys: a play's together, the first first.
  const of = new Map<string, KeptPart[]>();
  for (const part of parts) {
    const own = of.get(part.playId);
    if (own) own.push(part);
    else of.set(part.playId, [part]);
  }
  return heads.map((head) => joinPlay(head, of.get(head.playId) ?? []));
}

/** A play kept on this device: its own, or that of another pupil at a game's table. */
export async function rowOfPlay(db: DeviceDb, playId: string): Promise<PlayRow | undefined> {
  const own = await getPlay(db, playId);
  if (own) return own;
  return (await allPlays(db)).find((row) => isGame(row) && row.seats.some((seat) => seat.playId === playId));
}
