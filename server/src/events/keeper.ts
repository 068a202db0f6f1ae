import type { EventResult } from '@veldrift/wire';
import type { Logger } from 'pino';
import type { Db } from '../db.ts';
import { Outage } from '../outage.ts';
import { keepGroups, type EventGroup, type EventRoom } from './keepGroups.ts';

/** Keeps events: those of a room that arrive while others of it are being written wait, and are written together. */
export interface Keeper {
  /** What became of each event, group by group. Throws an `Outage` where the database is away. */
  readonly keep: (room: EventRoom, groups: readonly EventGroup[]) => Promise<EventResult[][]>;
}

interface Waiting {
  readonly groups: readonly EventGroup[];
  readonly done: (results: EventResult[][]) => void;
  readonly failed: (error: unknown) => void;
}

/** The most events that are written together. */
const mostTogether = 400;
/** Others need not wait for a transaction that takes longer than this, ms. */
const slowMs = 40;

/**
 * One transaction of a room at a time, and whatever arrived meanwhile in the next: with many devices at once each costs a part
 * of a transaction. One that is slow is overtaken. Where one event cannot be kept it alone is refused.
 */
export function openKeeper(db: Db, log: Logger): Keeper {
  const rooms = new Map<string, { readonly room: EventRoom; waiting: Waiting[]; underWay: number }>();

  const next = (roomId: string): void => {
    const one = rooms.get(roomId);
    if (!one) return;
    if (one.waiting.length === 0) {
      if (one.underWay === 0) rooms.delete(roomId);
      return;
    }
    const now: Waiting[] = [];
    let count = 0;
    for (let first = one.waiting[0]; first; first = one.waiting[0]) {
      count += first.groups.reduce((sum, group) => sum + group.events.length, 0);
      if (now.length > 0 && count > mostTogether) break;
      now.push(first);
      one.waiting.shift();
    }
    one.underWay += 1;
    let isCounted = true;
    const over = () => {
      if (!isCounted) return;
      isCounted = false;
      one.underWay -= 1;
      next(roomId);
    };
    const slow = setTimeout(over, slowMs);
    void together(one.room, now).finally(() => {
      clearTimeout(slow);
      over();
    });
  };

  const together = async (room: EventRoom, now: readonly Waiting[]): Promise<void> => {
    if (now.length > 1)
      try {
        const results = await keepGroups(
          db,
          room,
          now.flatMap((one) => one.groups),
        );
        for (const one of now) one.done(results.splice(0, one.groups.length));
        return;
      } catch (error) {
        // Each by itself: what is wrong with one is no matter of the others.
        if (error instanceof Outage) {
          for (const one of now) one.failed(error);
          return;
        }
      }
    for (const one of now) await alone(room, one.groups).then(one.done, one.failed);
  };

  const alone = async (room: EventRoom, groups: readonly EventGroup[]): Promise<EventResult[][]> => {
    if (groups.length > 1)
      try {
        return await keepGroups(db, room, groups);
      } catch (error) {
        if (error instanceof Outage) throw error;
      }
    const results: EventResult[][] = [];
    for (const group of groups) results.push(await keepGroup(room, group));
    return results;
  };

  const keepGroup = async (room: EventRoom, group: EventGroup): Promise<EventResult[]> => {
    const { events } = group;
    try {
      return (await keepGroups(db, room, [group])).flat();
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
        ...(await keepGroup(room, { ...group, events: events.slice(0, half) })),
        ...(await keepGroup(room, { ...group, events: events.slice(half) })),
      ];
    }
  };

  return {
    keep: ({ roomId, timeZone }, groups) =>
      new Promise((done, failed) => {
        if (groups.length === 0) return done([]);
        const one = rooms.get(roomId) ?? { room: { roomId, timeZone }, waiting: [], underWay: 0 };
        rooms.set(roomId, one);
        one.waiting.push({ groups, done, failed });
        if (one.underWay === 0) next(roomId);
      }),
  };
}
