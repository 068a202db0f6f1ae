import {
  batchSchema,
  eventSchema,
  plainTrouble,
  read,
  type EventResult,
  type Problem,
  type TableEvent,
} from '@veldrift/wire';
import type { Logger } from 'pino';
import { holdingPupil, inRoom, type Db, type RoomTx } from '../db.ts';
import { Outage } from '../outage.ts';
import type { Session } from '../auth/session.ts';
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
import { addToFacts } from '../store/states.ts';
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
  // What is wrong with one event is said of that one below.
  const trouble = plainTrouble(isObject(body) ? { ...body, events: undefined } : body);
  if (trouble) return { problem: trouble };
  const batch = read(batchSchema, body);
  if ('problem' in batch) return batch;
  const now = Date.now();
  const offsetMs = now - Date.parse(batch.value.deviceNow);
  const results: EventResult[] = [];
  const timed: TimedEvent[] = [];
  batch.value.events.forEach((sent, at) => {
    const found = readEvent(sent);
    if ('problem' in found) {
      results[at] = { id: idOf(sent), status: 'refused', ...found.problem };
      return;
    }
    const backMs = batch.value.events.length - at;
    timed.push({ event: found.value, offsetMs, ...rightTime(found.value.at, offsetMs, now, backMs) });
    results[at] = { id: found.value.id, status: 'already' };
  });
  const outcome = new Map<string, EventResult>();
  // Moves of a game stand with the play of its first pupil: they are kept before what others at the table answered with them.
  const hasMove = (events: readonly TimedEvent[]) => events.some((one) => one.event.kind === 'moveMade');
  const groups = [...groupByPupil(timed)].sort(([, a], [, b]) => Number(hasMove(b)) - Number(hasMove(a)));
  for (const [pupilId, events] of groups) {
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
    if (pupilId === null)
      return await inRoom(db, roomId, async (tx) => resultsOf(events, await keepEvents(tx, events, userId)));
    // One writer a pupil at a time: the states kept are then always those of all answers kept.
    return await holdingPupil(db, roomId, pupilId, async (tx, isThere) => {
      const sent = Promise.all([
        keepEvents(tx, events, userId),
        touchedBy(
          tx,
          pupilId,
          events.map((one) => one.event),
        ),
      ]);
      // Where there is no such pupil nothing can be kept, and why is said here.
      sent.catch(() => undefined);
      if (!(await isThere)) {
        return events.map(({ event }) => ({
          id: event.id,
          status: 'refused' as const,
          field: 'pupilId',
          message: 'There is no such pupil in this room; perhaps the pupil was deleted.',
        }));
      }
      const [kept, touched] = await sent;
      if (touched)
        await refresh(
          tx,
          pupilId,
          touched,
          events.filter((one) => kept.has(one.event.id)),
          timeZone,
        );
      const lost = await notThere(
        tx,
        events.flatMap((one) => (kept.has(one.event.id) ? [] : [one.event])),
      );
      return resultsOf(events, kept).map((one) => {
        const why = lost.get(one.id ?? '');
        return why ? { ...one, status: 'refused' as const, ...why } : one;
      });
    });
  } catch (error) {
    if (error instanceof Outage) throw error;
    const [first] = events;
    if (events.length === 1 && first) {
      log.error({ err: error, kind: first.event.kind }, 'an event could not be kept');
      return [
        {
          id: first.event.id,
          status: 'refused',
          message: 'This event could not be kept; it stays on the device.',
        },
      ];
    }
    // One of them cannot be kept: halves find it in as many steps as the number has binary figures.
    const half = Math.ceil(events.length / 2);
    return [
      ...(await keepGroup(db, session, pupilId, events.slice(0, half), log)),
      ...(await keepGroup(db, session, pupilId, events.slice(half), log)),
    ];
  }
}

/** One event by its schema; whatever the reading throws, it is this event alone that is refused. */
function readEvent(sent: unknown): { readonly value: TableEvent } | { readonly problem: Problem } {
  const trouble = plainTrouble(sent);
  if (trouble) return { problem: trouble };
  try {
    return read<TableEvent>(eventSchema as never, sent);
  } catch {
    return { problem: { message: 'This event cannot be read; it stays on the device.' } };
  }
}

const isObject = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Takes events that were kept into what is kept beside the answers. */
async function refresh(
  tx: RoomTx,
  pupilId: string,
  touched: Touched,
  kept: readonly TimedEvent[],
  timeZone: string,
): Promise<void> {
  if (kept.length === 0) return;
  const answers = kept.flatMap((one) =>
    // States rest on answers with the result hidden.
    one.event.kind === 'answerGiven' && one.event.hidden === 'result'
      ? [rowOfAnswer({ ...one, event: one.event })]
      : [],
  );
  await addToFacts(tx, { id: pupilId, school: touched.school }, { ...touched, answers }, timeZone);
  if (touched.ended.length > 0) await sumUpPlays(tx, pupilId, timeZone, touched.ended);
  if (kept.some((one) => one.event.kind === 'playEnded')) {
    // Finding a pupil asks the school, where it is to be asked again: at a play's end, so that lists need not.
    await findPupil(tx, timeZone, pupilId);
  }
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
