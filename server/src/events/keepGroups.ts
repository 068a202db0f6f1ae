import type { EventResult } from '@veldrift/wire';
import { holdingPupils, type Db, type RoomTx } from '../db.ts';
import { groupBy } from '../groupBy.ts';
import { answersIn, keepEvents, notThere, endedPlays, type TimedEvent } from '../store/events.ts';
import { sumUpPlays } from '../store/playSums.ts';
import { findPupil } from '../store/pupilRecord.ts';
import { foldNew, keepUnfolded } from '../store/unfolded.ts';

/** Events of one pupil, or (null) of a tutor alone, as one user's device sent them. */
export interface EventGroup {
  readonly userId: string;
  readonly pupilId: string | null;
  readonly events: readonly TimedEvent[];
}

/** Whose an event is; null: of a tutor alone. */
export const pupilOf = ({ event }: TimedEvent): string | null => ('pupilId' in event ? event.pupilId : null);

/** The room that events are of. */
export interface EventRoom {
  readonly roomId: string;
  readonly timeZone: string;
}

/**
 * Keeps groups of events in one transaction, and gives what became of each, group by group. Throws where one of them cannot be
 * kept, or one of several is of no pupil there is: then none is.
 */
export async function keepGroups(
  db: Db,
  { roomId, timeZone }: EventRoom,
  groups: readonly EventGroup[],
): Promise<EventResult[][]> {
  const timed = groups.flatMap((one) => one.events);
  const events = timed.map((one) => one.event);
  const pupilIds = groups.flatMap((one) => one.pupilId ?? []);
  // One writer a pupil at a time: the states kept are then always those of all answers kept.
  return holdingPupils(db, roomId, pupilIds, async (tx, there) => {
    const sent = Promise.all([keepEvents(tx, timed), endedPlays(tx, events)]);
    // Where a pupil is not there nothing can be kept, and why is said here.
    sent.catch(() => undefined);
    const here = await there;
    if (pupilIds.some((id) => !here.has(id))) {
      if (groups.length > 1) throw new Error('One of these pupils is not there.');
      return [events.map(({ id }) => ({ id, status: 'refused', ...noSuchPupil }))];
    }
    const [kept, ended] = await sent;
    await refresh(
      tx,
      timed.filter((one) => kept.has(one.event.id)),
      { ended, happened: here },
      timeZone,
    );
    const lost = await notThere(
      tx,
      events.filter((one) => !kept.has(one.id)),
    );
    return groups.map((group) =>
      group.events.map(({ event: { id } }): EventResult => {
        const why = lost.get(id);
        if (why) return { id, status: 'refused', ...why };
        return { id, status: kept.has(id) ? 'kept' : 'already' };
      }),
    );
  });
}

const noSuchPupil = {
  field: 'pupilId',
  message: 'There is no such pupil in this room; perhaps the pupil was deleted.',
} as const;

/** Answers of a pupil wait to be taken into the states of their facts until a play ends or somebody looks, or so many batches came. */
const mostBatches = 64;

/** Notes what events that were kept change beside the answers; where a play has ended, works it out. */
async function refresh(
  tx: RoomTx,
  kept: readonly TimedEvent[],
  of: {
    /** Plays that have ended, by pupil. */
    readonly ended: ReadonlyMap<string, readonly string[]>;
    /** How often something has happened to each pupil. */
    readonly happened: ReadonlyMap<string, number>;
  },
  timeZone: string,
): Promise<void> {
  const byPupil = groupBy(kept, pupilOf);
  // In the order of their ids, as all who take in the answers of several do: none waits for one who waits for them.
  const ids = [...byPupil.keys()].flatMap((id) => id ?? []).sort();
  const answers = new Map(
    ids.map((id) => [id, (byPupil.get(id) ?? []).flatMap(({ event }) => answersIn(event))]),
  );
  keepUnfolded(tx, answers);
  for (const id of ids) {
    const ended = of.ended.get(id) ?? [];
    if (ended.length > 0 || (of.happened.get(id) ?? 0) % mostBatches === 0) await foldNew(tx, id, timeZone);
    if (ended.length > 0) await sumUpPlays(tx, id, timeZone, ended);
    // Finding a pupil asks the school, where it is to be asked again: at a play's end, so that lists need not.
    if (byPupil.get(id)?.some((one) => one.event.kind === 'playEnded')) await findPupil(tx, timeZone, id);
  }
}
