import type { EventResult } from '@veldrift/wire';
import { holdingPupils, type Db, type RoomTx } from '../db.ts';
import { groupBy } from '../groupBy.ts';
import {
  keepEvents,
  notThere,
  rowOfAnswer,
  touchedBy,
  type TimedEvent,
  type Touched,
} from '../store/events.ts';
import { sumUpPlays } from '../store/playSums.ts';
import { findPupil } from '../store/pupilRecord.ts';
import { addToFacts, keepFolds, type PupilFolds } from '../store/states.ts';

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
    const sent = Promise.all([keepEvents(tx, timed), touchedBy(tx, events)]);
    // Where a pupil is not there nothing can be kept, and why is said here.
    sent.catch(() => undefined);
    const here = await there;
    if (pupilIds.some((id) => !here.has(id))) {
      if (groups.length > 1) throw new Error('One of these pupils is not there.');
      return [events.map(({ id }) => ({ id, status: 'refused', ...noSuchPupil }))];
    }
    const [kept, touched] = await sent;
    await refresh(
      tx,
      timed.filter((one) => kept.has(one.event.id)),
      touched,
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

/** Takes events that were kept into what is kept beside the answers. */
async function refresh(
  tx: RoomTx,
  kept: readonly TimedEvent[],
  touched: ReadonlyMap<string, Touched>,
  timeZone: string,
): Promise<void> {
  const byPupil = groupBy(kept, pupilOf);
  const folds: PupilFolds[] = [];
  for (const [id, events] of byPupil) {
    const own = id === null ? undefined : touched.get(id);
    if (id === null || !own) continue;
    const answers = events.flatMap((one) =>
      // States rest on answers with the result hidden.
      one.event.kind === 'answerGiven' && one.event.hidden === 'result'
        ? [rowOfAnswer({ ...one, event: one.event })]
        : [],
    );
    folds.push({
      id,
      school: own.school,
      folds: await addToFacts(tx, id, { ...own, answers }, timeZone),
    });
  }
  keepFolds(tx, folds);
  for (const [id, events] of byPupil) {
    if (id === null) continue;
    const ended = touched.get(id)?.ended ?? [];
    if (ended.length > 0) await sumUpPlays(tx, id, timeZone, ended);
    // Finding a pupil asks the school, where it is to be asked again: at a play's end, so that lists need not.
    if (events.some((one) => one.event.kind === 'playEnded')) await findPupil(tx, timeZone, id);
  }
}
