import type { FactState, School, Verdict } from '@veldrift/core';
import { inRoom, type Db, type RoomTx } from '../db.ts';
import { sumUpPlays } from './playSums.ts';
import { findPupil } from './pupilRecord.ts';
import { refreshAllFacts } from './states.ts';
import { foldNew } from './unfolded.ts';

/** What is otherwise for a pupil when all is judged afresh from the answers by the rules of now. */
export interface PupilChange {
  readonly pupilId: string;
  readonly name: string;
  /** Null: nobody had answered it, or nobody has any more. */
  readonly facts: readonly {
    readonly fact: string;
    readonly before: FactState | null;
    readonly after: FactState | null;
  }[];
  /** What the school says, where that is otherwise; null of what it was before: it had not been asked. */
  readonly verdict: { readonly before: Verdict | null; readonly after: Verdict } | null;
  /** Plays whose sums are otherwise. */
  readonly plays: number;
}

interface Progress {
  /** Hears of each pupil done, of how many. */
  readonly onPupil?: (done: number, of: number) => void;
  /** Stopping is safe between pupils. */
  readonly signal?: AbortSignal;
}

/**
 * Works out every cache of a room afresh from its answers, a pupil at a time. Changes nothing when the caches were right.
 * Gives the pupils for whom something is otherwise.
 */
export function rebuildRoom(
  db: Db,
  roomId: string,
  timeZone: string,
  progress: Progress = {},
): Promise<PupilChange[]> {
  return judgeAfresh(db, roomId, timeZone, true, progress);
}

/** The same without keeping it: what would be otherwise. */
export function previewRebuild(
  db: Db,
  roomId: string,
  timeZone: string,
  progress: Progress = {},
): Promise<PupilChange[]> {
  return judgeAfresh(db, roomId, timeZone, false, progress);
}

/** Thrown to undo a transaction whose outcome is known. */
class NotKept extends Error {
  constructor(readonly change: PupilChange | undefined) {
    super('Looked at only.');
  }
}

/** While the database reads the answers of some pupils, those of another are judged. */
const atOnce = 3;

async function judgeAfresh(
  db: Db,
  roomId: string,
  timeZone: string,
  isKept: boolean,
  { onPupil = () => undefined, signal }: Progress,
): Promise<PupilChange[]> {
  const pupils = await inRoom(db, roomId, (tx) =>
    tx.rows<{ id: string; name: string }>('select id, name from pupils where room_id = $1 order by id', [
      roomId,
    ]),
  );
  const changes: (PupilChange | undefined)[] = [];
  const waiting = [...pupils.entries()];
  let done = 0;
  const work = async (): Promise<void> => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [at, pupil] = next;
      signal?.throwIfAborted();
      changes[at] = await inRoom(db, roomId, async (tx) => {
        const found = await judgePupil(tx, timeZone, pupil);
        if (!isKept) throw new NotKept(found);
        return found;
      }).catch((error: unknown) => {
        if (error instanceof NotKept) return error.change;
        throw error;
      });
      onPupil((done += 1), pupils.length);
    }
  };
  const works = await Promise.allSettled(
    Array.from({ length: atOnce }, () =>
      work().catch((error: unknown) => {
        // Those under way are ended; no other is begun.
        waiting.length = 0;
        throw error;
      }),
    ),
  );
  for (const one of works) if (one.status === 'rejected') throw one.reason;
  signal?.throwIfAborted();
  return changes.filter((one) => one !== undefined);
}

/** Gives nothing where nothing is otherwise, or the pupil is gone. */
async function judgePupil(
  tx: RoomTx,
  timeZone: string,
  { id, name }: { readonly id: string; readonly name: string },
): Promise<PupilChange | undefined> {
  const own = [tx.roomId, id];
  const [pupil] = await tx.rows<{ school: School }>(
    'select school from pupils where room_id = $1 and id = $2 for update',
    own,
  );
  if (!pupil) return undefined;
  // What waits to be taken in is no change of rules.
  await foldNew(tx, id, timeZone);
  const before = await keptOf(tx, id);
  for (const table of ['fact_states', 'checks', 'standings'])
    await tx.run(`delete from ${table} where room_id = $1 and pupil_id = $2`, own);
  await refreshAllFacts(tx, { id, school: pupil.school }, timeZone);
  await sumUpPlays(tx, id, timeZone);
  // Finding a pupil asks the school.
  await findPupil(tx, timeZone, id);
  const after = await keptOf(tx, id);
  const facts = [...new Set([...before.states.keys(), ...after.states.keys()])]
    .map((fact) => ({
      fact,
      before: before.states.get(fact) ?? null,
      after: after.states.get(fact) ?? null,
    }))
    .filter((one) => one.before !== one.after);
  const plays = [...new Set([...before.sums.keys(), ...after.sums.keys()])].filter(
    (play) => before.sums.get(play) !== after.sums.get(play),
  ).length;
  const verdict =
    after.verdict !== null && after.verdict !== before.verdict
      ? { before: before.verdict, after: after.verdict }
      : null;
  if (facts.length === 0 && plays === 0 && verdict === null) return undefined;
  return { pupilId: id, name, facts, verdict, plays };
}

async function keptOf(tx: RoomTx, pupilId: string) {
  const own = [tx.roomId, pupilId];
  const [states, sums, standings] = await Promise.all([
    tx.rows<{ fact: string; state: FactState }>(
      'select fact, state from fact_states where room_id = $1 and pupil_id = $2',
      own,
    ),
    tx.rows<{ play_id: string; sum: string }>(
      `select play_id, concat_ws(' ', right_count, wrong_count, right_per_minute, digits_per_minute, counts, practice_ms) as sum
       from checks where room_id = $1 and pupil_id = $2`,
      own,
    ),
    tx.rows<{ verdict: Verdict }>('select verdict from standings where room_id = $1 and pupil_id = $2', own),
  ]);
  return {
    states: new Map(states.map((one) => [one.fact, one.state])),
    sums: new Map(sums.map((one) => [one.play_id, one.sum])),
    verdict: standings[0]?.verdict ?? null,
  };
}
