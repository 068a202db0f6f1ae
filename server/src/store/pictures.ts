import type { FactPicture } from '@veldrift/core';
import type { RoomTx } from '../db.ts';

/** Pictures of one pupil: more facts than are hard for anybody. */
export const mostPictures = 300;

/** The pictures a pupil made, those of the latest first. */
export const picturesOf = (tx: RoomTx, pupilId: string): Promise<FactPicture[]> =>
  tx.rows<FactPicture>(
    `select fact, sentence, lines from fact_pictures where room_id = $1 and pupil_id = $2
     order by kept_at desc, fact limit $3`,
    [tx.roomId, pupilId, mostPictures],
  );

/** Keeps a picture in the place of the one before; false: there are as many as are kept. */
export async function keepPicture(tx: RoomTx, pupilId: string, picture: FactPicture): Promise<boolean> {
  const kept = await tx.run(
    `insert into fact_pictures (room_id, pupil_id, fact, sentence, lines)
     select $1, $2, $3, $4, $5::jsonb
     where (select count(*) from fact_pictures where room_id = $1 and pupil_id = $2 and fact <> $3) < $6
     on conflict (room_id, pupil_id, fact) do update
       set sentence = excluded.sentence, lines = excluded.lines, kept_at = now()`,
    [tx.roomId, pupilId, picture.fact, picture.sentence, JSON.stringify(picture.lines), mostPictures],
  );
  return kept > 0;
}

/** Deletes the picture of a fact for good; there may be none. */
export async function dropPicture(tx: RoomTx, pupilId: string, fact: string): Promise<void> {
  await tx.run('delete from fact_pictures where room_id = $1 and pupil_id = $2 and fact = $3', [
    tx.roomId,
    pupilId,
    fact,
  ]);
}
