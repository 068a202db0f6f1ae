import type { Operation } from '@veldrift/core';
import type { KeptPack, KeptPackInput } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';

/** The most packs that a room keeps. */
export const mostPacks = 500;

/** Packs kept for a pupil, and those of the room, by name. */
export async function packsFor(tx: RoomTx, pupilId: string): Promise<KeptPack[]> {
  const rows = await tx.rows<{
    id: string;
    pupil_id: string | null;
    name: string;
    operation: Operation;
    pack: string;
    at: Date;
  }>(
    `select id, pupil_id, name, operation, pack, at from kept_packs
     where room_id = $1 and (pupil_id = $2 or pupil_id is null) order by (pupil_id is null), name, id`,
    [tx.roomId, pupilId],
  );
  return rows.map(({ pupil_id: whose, at, ...row }) => ({ ...row, pupilId: whose, at: at.toISOString() }));
}

/** Keeps a pack, or what it is now; false: the room keeps as many as it can. */
export async function keepPack(tx: RoomTx, input: KeptPackInput): Promise<boolean> {
  const kept = await tx.rows(
    `insert into kept_packs (room_id, id, pupil_id, name, operation, pack)
     select $1, $2, $3, $4, $5, $6
     where exists (select 1 from kept_packs where room_id = $1 and id = $2)
        or (select count(*) from kept_packs where room_id = $1) < $7
     on conflict (room_id, id) do update set pupil_id = excluded.pupil_id, name = excluded.name,
       operation = excluded.operation, pack = excluded.pack, at = now()
     returning id`,
    [tx.roomId, input.id, input.pupilId, input.name.trim(), input.operation, input.pack, mostPacks],
  );
  return kept.length > 0;
}

/** Gives whether there was such a pack. */
export async function dropPack(tx: RoomTx, id: string): Promise<boolean> {
  const gone = await tx.rows('delete from kept_packs where room_id = $1 and id = $2 returning id', [
    tx.roomId,
    id,
  ]);
  return gone.length > 0;
}
