import {
  batchSchema,
  eventSchema,
  read,
  type EventResult,
  type Problem,
  type TableEvent,
} from '@veldrift/wire';
import type { Logger } from 'pino';
import { inRoom, type Db, type RoomTx } from '../db.ts';
import type { Session } from '../auth/session.ts';
import { refreshCheck } from '../store/checks.ts';
import {
  correctionsOfNothing,
  factsTouched,
  keepEvents,
  playTouched,
  type TimedEvent,
} from '../store/events.ts';
import { refreshStanding } from '../store/proposal.ts';
import { findPupil } from '../store/pupils.ts';
import { refreshFacts } from '../store/states.ts';
import { rightTime } from './clock.ts';

/**
 * Keeps a batch of events: each is judged on its own, so that one refused blocks no other, and one already kept is
 * passed over. Answers are on disk when this returns. Gives a problem when the batch as a whole cannot be read.
 */
export async function keepBatch(
  db: Db,
  session: Session,
  body: unknown,
  log: Logger,
): Promise<{ readonly results: EventResult[] } | { readonly problem: Problem }> {
  const batch = read(batchSchema, body);
  if ('problem' in batch) return batch;
  const now = Date.now();
  const offsetMs = now - Date.parse(batch.value.deviceNow);
  const results: EventResult[] = [];
  const timed: TimedEvent[] = [];
  batch.value.events.forEach((sent, at) => {
    const found = read<TableEvent>(eventSchema as never, sent);
    if ('problem' in found) {
      results[at] = { id: idOf(sent), status: 'refused', ...found.problem };
      return;
    }
    const backMs = batch.value.events.length - at;
    timed.push({ event: found.value, offsetMs, ...rightTime(found.value.at, offsetMs, now, backMs) });
    results[at] = { id: found.value.id, status: 'already' };
  });
  const outcome = new Map<string, EventResult>();
  for (const [pupilId, events] of groupByPupil(timed)) {
    for (const one of await keepGroup(db, session, pupilId, events, log)) outcome.set(one.id as string, one);
  }
  return {
    results: results.map((one) =>
      one.status === 'refused' || one.id === null ? one : (outcome.get(one.id) ?? one),
    ),
  };
}

/** Keeps the events of one pupil, or (`pupilId` null) the tutor's own, in one transaction. */
async function keepGroup(
  db: Db,
  session: Session,
  pupilId: string | null,
  events: readonly TimedEvent[],
  log: Logger,
): Promise<EventResult[]> {
  const { roomId, userId, timeZone } = session;
  try {
    return await inRoom(db, roomId, async (tx) => {
      if (pupilId === null) return resultsOf(events, await keepEvents(tx, events, userId));
      // One writer a pupil at a time: the states kept are then always those of all answers kept.
      const known = await tx.rows('select 1 from pupils where room_id = $1 and id = $2 for update', [
        roomId,
        pupilId,
      ]);
      if (known.length === 0) {
        return events.map(({ event }) => ({
          id: event.id,
          status: 'refused' as const,
          field: 'pupilId',
          message: 'There is no such pupil in this room; perhaps the pupil was deleted.',
        }));
      }
      const kept = await keepEvents(tx, events, userId);
      await refresh(
        tx,
        pupilId,
        events.filter((one) => kept.has(one.event.id)).map((one) => one.event),
        timeZone,
      );
      const lost = await correctionsOfNothing(
        tx,
        events.map((one) => one.event),
      );
      return resultsOf(events, kept).map((one) =>
        lost.has(one.id ?? '')
          ? {
              ...one,
              status: 'refused' as const,
              field: 'answerId',
              message: 'There is no such answer of this pupil to correct.',
            }
          : one,
      );
    });
  } catch (error) {
    if (isOutage(error)) throw error;
    if (events.length === 1) {
      log.error({ err: error, event: events[0]?.event.id }, 'an event could not be kept');
      return [
        {
          id: events[0]?.event.id ?? null,
          status: 'refused',
          message: 'This event could not be kept; it stays on the device.',
        },
      ];
    }
    // One of them cannot be kept: each on its own, so that it blocks no other.
    const results: EventResult[] = [];
    for (const event of events) results.push(...(await keepGroup(db, session, pupilId, [event], log)));
    return results;
  }
}

/** Works out afresh what hangs on the events. */
async function refresh(
  tx: RoomTx,
  pupilId: string,
  events: readonly TableEvent[],
  timeZone: string,
): Promise<void> {
  if (events.length === 0) return;
  await refreshFacts(tx, pupilId, await factsTouched(tx, events), timeZone);
  for (const playId of new Set(events.flatMap((event) => playTouched(event) ?? [])))
    await refreshCheck(tx, playId);
  const pupil = await findPupil(tx, timeZone, pupilId);
  if (pupil) await refreshStanding(tx, pupil, timeZone);
}

function resultsOf(events: readonly TimedEvent[], kept: ReadonlySet<string>): EventResult[] {
  return events.map(({ event }) => ({ id: event.id, status: kept.has(event.id) ? 'kept' : 'already' }));
}

/** Events by pupil; those of no pupil under null. */
function groupByPupil(events: readonly TimedEvent[]): Map<string | null, TimedEvent[]> {
  const groups = new Map<string | null, TimedEvent[]>();
  for (const one of events) {
    const pupilId = 'pupilId' in one.event ? one.event.pupilId : null;
    groups.set(pupilId, [...(groups.get(pupilId) ?? []), one]);
  }
  return groups;
}

function idOf(sent: unknown): string | null {
  const id = typeof sent === 'object' && sent !== null ? (sent as { id?: unknown }).id : undefined;
  return typeof id === 'string' ? id.slice(0, 64) : null;
}

/** The database is away or overworked: nothing is wrong with the event, and it is to be sent again. */
function isOutage(error: unknown): boolean {
  const code = (error as { code?: unknown }).code;
  if (typeof code !== 'string') return true;
  return /^(08|53|57|58|40|55)/.test(code) || /^E[A-Z]+$/.test(code);
}
