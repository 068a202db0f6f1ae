import type { JournalAct, JournalEntry } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import type { RoomTx } from '../db.ts';

const mostEntries = 200;

/** Puts an act into the room's journal. `userId` null: done on the machine itself. No pupil is to be named. */
export async function note(tx: RoomTx, userId: string | null, act: JournalAct, whom = ''): Promise<void> {
  await tx.run('insert into journal (room_id, id, user_id, act, whom) values ($1, $2, $3, $4, $5)', [
    tx.roomId,
    uuid(),
    userId,
    act,
    whom,
  ]);
}

/** The latest acts, newest first. */
export async function journalOf(tx: RoomTx): Promise<JournalEntry[]> {
  const rows = await tx.rows<{ id: string; at: Date; by: string | null; act: JournalAct; whom: string }>(
    `select j.id, j.at, u.name as by, j.act, j.whom from journal j
     left join users u on u.room_id = j.room_id and u.id = j.user_id
     where j.room_id = $1 order by j.at desc, j.id desc limit $2`,
    [tx.roomId, mostEntries],
  );
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
}
