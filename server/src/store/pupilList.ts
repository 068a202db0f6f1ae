import type { Policy } from '@veldrift/core';
import { recordInShort, type ListedPupil, type PupilList } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { findPupil, mondayOf, settle, type KeptForLists } from './pupilRecord.ts';
import { inputOfRow, pupilColumns, type PupilRow } from './pupils.ts';

interface ListedRow extends PupilRow {
  kept: KeptForLists | null;
  asked_of: string | null;
}

/**
 * Pupils of the room, by name, each with what was kept of them for lists when their school was last asked. Those to whom
 * something has happened since are looked up, and kept, one by one.
 */
export async function listPupils(tx: RoomTx, timeZone: string): Promise<PupilList> {
  const [rows, policies] = await Promise.all([
    tx.rows<ListedRow>(
      `select ${pupilColumns}, s.listed as kept, s.proposal->>'setId' as asked_of
       from pupils p left join standings s on s.room_id = p.room_id and s.pupil_id = p.id and s.worked_revision = p.revision
       where p.room_id = $1 order by lower(p.name), p.id`,
      [tx.roomId],
    ),
    tx.rows<{ policy: Partial<Policy> }>('select policy from policies where room_id = $1', [tx.roomId]),
  ]);
  const monday = mondayOf(new Date(), timeZone);
  // In the order of their ids, as all who look up several do: none waits for one who waits for them.
  const lookedUp = new Map<string, Awaited<ReturnType<typeof recordNow>>>();
  for (const id of rows.flatMap((row) => (row.kept ? [] : row.id)).sort())
    lookedUp.set(id, await recordNow(tx, timeZone, id));
  const pupils: ListedPupil[] = [];
  for (const row of rows) {
    const record = row.kept
      ? settle(row.kept.record, row.asked_of ?? row.set_id, row.kept.word)
      : lookedUp.get(row.id);
    if (!record) continue;
    const { week } = record;
    pupils.push({
      ...inputOfRow(row),
      createdAt: row.created_at.toISOString(),
      ways: row.ways,
      record: { ...record, week: week[0] === monday ? week : [monday, 0] },
    });
  }
  return { roomPolicy: policies[0]?.policy ?? {}, pupils };
}

async function recordNow(tx: RoomTx, timeZone: string, id: string) {
  const pupil = await findPupil(tx, timeZone, id);
  return pupil && recordInShort(pupil, mondayOf(new Date(), timeZone));
}
