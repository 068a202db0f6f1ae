import {
  batchSchema,
  eventSchema,
  isPlainAnswer,
  plainTrouble,
  read,
  type EventResult,
  type Problem,
  type TableEvent,
} from '@veldrift/wire';
import type { Session } from '../auth/session.ts';
import { groupBy } from '../groupBy.ts';
import type { TimedEvent } from '../store/events.ts';
import { rightTime } from './clock.ts';
import type { Keeper } from './keeper.ts';
import { pupilOf, type EventGroup } from './keepGroups.ts';

/**
 * Keeps a batch of events: each is judged on its own, so that one refused blocks no other, and one already kept is
 * passed over. Answers are on disk when this returns. Gives a problem when the batch as a whole cannot be read.
 */
export async function keepBatch(
  keeper: Keeper,
  session: Session,
  body: unknown,
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
    timed.push({
      event: found.value,
      offsetMs,
      userId: session.userId,
      ...rightTime(found.value.at, offsetMs, now, backMs),
    });
    results[at] = { id: found.value.id, status: 'already' };
  });
  const outcome = new Map<string, EventResult>();
  const kept = await keeper.keep(session, groupsOf(session.userId, timed));
  for (const one of kept.flat()) outcome.set(one.id as string, one);
  return {
    results: results.map((one) =>
      one.status === 'refused' || one.id === null ? one : (outcome.get(one.id) ?? one),
    ),
  };
}

/** One event by its schema; whatever the reading throws, it is this event alone that is refused. */
function readEvent(sent: unknown): { readonly value: TableEvent } | { readonly problem: Problem } {
  const trouble = plainTrouble(sent);
  if (trouble) return { problem: trouble };
  if (isPlainAnswer(sent)) return { value: sent };
  try {
    return read<TableEvent>(eventSchema as never, sent);
  } catch {
    return { problem: { message: 'This event cannot be read; it stays on the device.' } };
  }
}

const isObject = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Events by pupil; those of no pupil together. */
function groupsOf(userId: string, events: readonly TimedEvent[]): EventGroup[] {
  // Moves of a game stand with the play of its first pupil: they are kept before what others at the table answered with them.
  const hasMove = ({ events: of }: EventGroup) => of.some((one) => one.event.kind === 'moveMade');
  return [...groupBy(events, pupilOf)]
    .map(([pupilId, of]): EventGroup => ({ userId, pupilId, events: of }))
    .sort((one, other) => Number(hasMove(other)) - Number(hasMove(one)));
}

function idOf(sent: unknown): string | null {
  const id = typeof sent === 'object' && sent !== null ? (sent as { id?: unknown }).id : undefined;
  return typeof id === 'string' ? id.slice(0, 64) : null;
}
