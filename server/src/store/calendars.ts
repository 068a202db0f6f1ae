import { dayOf } from '@veldrift/core';
import { dayAfter, instantOf, mondayOf, visitsOn, type WeeklySlot } from '@veldrift/core/planning';
import type { CalendarLink } from '@veldrift/wire';
import ical, { ICalCalendarMethod } from 'ical-generator';
import { createHash, randomBytes } from 'node:crypto';
import { inRoom, type Db, type RoomTx } from '../db.ts';
import { bookOf } from './planned.ts';

const hashOf = (token: string) => createHash('sha256').update(`calendar:${token}`).digest();

/** The most addresses that one tutor has at once. */
const mostLinks = 10;
/** Days that stand in a calendar: from the Monday of last week. */
const calendarDays = 9 * 7;

/** Addresses of one's own, newest first. */
export async function calendarLinks(tx: RoomTx, userId: string): Promise<CalendarLink[]> {
  const rows = await tx.rows<{ id: string; names: boolean; made_at: Date }>(
    'select id, names, made_at from calendar_links where room_id = $1 and user_id = $2 order by made_at desc, id',
    [tx.roomId, userId],
  );
  return rows.map((row) => ({ id: row.id, names: row.names, madeAt: row.made_at.toISOString() }));
}

/** Makes an address and gives its secret, once; undefined: there are as many as there may be, or one of that id. */
export async function makeCalendarLink(
  tx: RoomTx,
  userId: string,
  { id, names }: { readonly id: string; readonly names: boolean },
): Promise<string | undefined> {
  const token = randomBytes(32).toString('base64url');
  const made = await tx.rows(
    `insert into calendar_links (room_id, id, user_id, token_hash, names) select $1, $2, $3, $4, $5
     where (select count(*) from calendar_links where room_id = $1 and user_id = $3) < $6 on conflict do nothing returning id`,
    [tx.roomId, id, userId, hashOf(token), names, mostLinks],
  );
  return made.length > 0 ? token : undefined;
}

/** Withdraws an address of one's own; gives whether there was one. */
export async function dropCalendarLink(tx: RoomTx, userId: string, id: string): Promise<boolean> {
  const gone = await tx.rows(
    'delete from calendar_links where room_id = $1 and user_id = $2 and id = $3 returning id',
    [tx.roomId, userId, id],
  );
  return gone.length > 0;
}

/** The visits of whoever an address is of, as an iCalendar (RFC 5545); undefined: there is no such address, or no more. */
export async function calendarAt(db: Db, token: string, now: Date): Promise<string | undefined> {
  const { rows } = await db.query<{
    room_id: string;
    user_id: string;
    names: boolean;
    room: string;
    time_zone: string;
  }>('select * from find_calendar($1)', [hashOf(token)]);
  const [link] = rows;
  if (!link) return undefined;
  const { time_zone: timeZone } = link;
  const { pupils, book } = await inRoom(db, link.room_id, async (tx) => ({
    pupils: await tx.rows<{ id: string; name: string; visits: Omit<WeeklySlot, 'pupilId'>[] }>(
      'select id, name, visits from pupils where room_id = $1',
      [tx.roomId],
    ),
    book: await bookOf(tx, dayOf(now.toISOString(), timeZone)),
  }));
  const monday = dayAfter(mondayOf(dayOf(now.toISOString(), timeZone)), -7);
  const days = Array.from({ length: calendarDays }, (_, at) => dayAfter(monday, at));
  const slots = pupils.flatMap((one) => one.visits.map((visit) => ({ ...visit, pupilId: one.id })));
  const names = new Map(pupils.map((one) => [one.id, one.name]));
  const calendar = ical({
    name: link.room,
    prodId: '//Veldrift//Visits//EN',
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const visit of visitsOn(days, slots, book)) {
    const name = names.get(visit.pupilId);
    if (visit.absent || name === undefined) continue;
    if (visit.tutorId !== null && visit.tutorId !== link.user_id) continue;
    const start = instantOf(visit.day, visit.startsAtMin, timeZone);
    const id = createHash('sha256').update(`${visit.pupilId} ${visit.of.day} ${visit.of.key}`).digest('hex');
    calendar.createEvent({
      id: id.slice(0, 32),
      start,
      end: new Date(start.getTime() + visit.minutes * 60_000),
      stamp: now,
      summary: link.names ? name : 'A visit',
    });
  }
  return calendar.toString();
}
