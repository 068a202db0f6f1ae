import { inRoom, type Db } from '../db.ts';
import { refreshCheck } from './checks.ts';
import { refreshStanding } from './proposal.ts';
import { findPupil } from './pupils.ts';
import { refreshAllFacts } from './states.ts';

/**
 * Works out every cache of a room afresh from its answers, a pupil at a time. Changes nothing when the caches were right.
 * `onPupil` hears of each pupil done, of how many; stopping is safe between pupils (give an aborted signal).
 */
export async function rebuildRoom(
  db: Db,
  roomId: string,
  timeZone: string,
  onPupil: (done: number, of: number) => void = () => undefined,
  signal?: AbortSignal,
): Promise<void> {
  const ids = await inRoom(db, roomId, (tx) =>
    tx.rows<{ id: string }>('select id from pupils where room_id = $1 order by id', [roomId]),
  );
  for (const [at, { id }] of ids.entries()) {
    signal?.throwIfAborted();
    await inRoom(db, roomId, async (tx) => {
      await tx.run('select 1 from pupils where room_id = $1 and id = $2 for update', [roomId, id]);
      for (const table of ['fact_states', 'checks', 'standings'])
        await tx.run(`delete from ${table} where room_id = $1 and pupil_id = $2`, [roomId, id]);
      await refreshAllFacts(tx, id, timeZone);
      const plays = await tx.rows<{ id: string }>(
        'select id from plays where room_id = $1 and pupil_id = $2',
        [roomId, id],
      );
      for (const play of plays) await refreshCheck(tx, play.id);
      const pupil = await findPupil(tx, timeZone, id);
      if (pupil) await refreshStanding(tx, pupil, timeZone);
    });
    onPupil(at + 1, ids.length);
  }
}
