import type { School } from '@veldrift/core';
import { inRoom, type Db } from '../db.ts';
import { sumUpPlays } from './playSums.ts';
import { findPupil } from './pupilRecord.ts';
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
      const [{ school } = { school: null }] = await tx.rows<{ school: School }>(
        'select school from pupils where room_id = $1 and id = $2',
        [roomId, id],
      );
      if (school === null) return;
      await refreshAllFacts(tx, { id, school }, timeZone);
      await sumUpPlays(tx, id, timeZone);
      // Finding a pupil asks the school.
      await findPupil(tx, timeZone, id);
    });
    onPupil(at + 1, ids.length);
  }
}
