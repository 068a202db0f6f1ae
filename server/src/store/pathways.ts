import { makeBook, type OwnPathway, type PathwayBook } from '@veldrift/core';
import type { RoomTx } from '../db.ts';

/** A room's own pathways, by name. */
export async function ownPathways(tx: RoomTx): Promise<OwnPathway[]> {
  const rows = await tx.rows<{ id: string; name: string; copied_from: string; sets: OwnPathway['sets'] }>(
    'select id, name, copied_from, sets from pathways where room_id = $1 order by lower(name), id',
    [tx.roomId],
  );
  return rows.map((row) => ({ id: row.id, name: row.name, copiedFrom: row.copied_from, sets: row.sets }));
}

const shippedOnly = makeBook([]);
const books = new WeakMap<RoomTx, Promise<PathwayBook>>();

/** The pathways that a room may use, read once a transaction. */
export function bookOf(tx: RoomTx): Promise<PathwayBook> {
  let book = books.get(tx);
  if (!book) {
    book = ownPathways(tx).then((own) => (own.length === 0 ? shippedOnly : makeBook(own)));
    books.set(tx, book);
  }
  return book;
}

/** Keeps a pathway, new or changed. */
export async function keepPathway(tx: RoomTx, own: OwnPathway, userId: string): Promise<void> {
  await tx.run(
    `insert into pathways (room_id, id, name, copied_from, sets, user_id) values ($1, $2, $3, $4, $5, $6)
     on conflict (room_id, id) do update set name = excluded.name, sets = excluded.sets, user_id = excluded.user_id, changed_at = now()`,
    [tx.roomId, own.id, own.name.trim(), own.copiedFrom, JSON.stringify(own.sets), userId],
  );
  books.delete(tx);
}

/** Whether there was such a pathway to take away. */
export async function dropPathway(tx: RoomTx, id: string): Promise<boolean> {
  return (await tx.run('delete from pathways where room_id = $1 and id = $2', [tx.roomId, id])) === 1;
}
