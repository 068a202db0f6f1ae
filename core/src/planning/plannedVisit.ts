import { dayNumber } from '../recall/day.ts';
import type { PlanBook } from './planChange.ts';

/** A visit that comes every week. */
export interface WeeklySlot {
  readonly pupilId: string;
  /** 0 Sunday ... 6 Saturday. */
  readonly weekday: number;
  readonly startsAtMin: number;
  readonly minutes: number;
}

/** One visit on one day. Minutes are after midnight by the room's clock, so that no night makes a day longer. */
export interface PlannedVisit {
  readonly pupilId: string;
  readonly day: string;
  readonly startsAtMin: number;
  readonly minutes: number;
  /** Null: whoever is there. */
  readonly tutorId: string | null;
  readonly absent: boolean;
  /** What changes of it are kept under: the day and key it had first. */
  readonly of: { readonly day: string; readonly key: string };
  /** Whether it stands elsewhere than every week, or only this once. */
  readonly moved: boolean;
  readonly once: boolean;
}

/** Lengths of a visit, minutes. */
export const visitBounds = { least: 5, most: 180 } as const;

/** What changes of a weekly visit are kept under. */
export const weeklyKey = ({ startsAtMin }: Pick<WeeklySlot, 'startsAtMin'>): string =>
  `weekly ${startsAtMin}`;

/** The weekday of a calendar day, 0 Sunday ... 6 Saturday. */
export const weekdayOf = (day: string): number => (((dayNumber(day) + 4) % 7) + 7) % 7;

/** A calendar day so many days on. */
export const dayAfter = (day: string, days: number): string =>
  new Date((dayNumber(day) + days) * 86_400_000).toISOString().slice(0, 10);

/** The Monday of a day's week. */
export const mondayOf = (day: string): string => dayAfter(day, -((weekdayOf(day) + 6) % 7));

/**
 * Visits on some days in the order of the clock: the weekly ones, but on holidays; moved, once, absent as the book says. A visit moved
 * to a holiday by somebody stands.
 */
export function visitsOn(
  days: readonly string[],
  slots: readonly WeeklySlot[],
  book: PlanBook,
): PlannedVisit[] {
  const asked = new Set(days);
  const out: PlannedVisit[] = [];
  const add = (
    visit: Pick<PlannedVisit, 'pupilId' | 'day' | 'startsAtMin' | 'minutes' | 'of' | 'moved' | 'once'>,
  ) => {
    if (!asked.has(visit.day)) return;
    const at = { pupilId: visit.pupilId, ...visit.of };
    out.push({
      ...visit,
      minutes: book.value('visitMinutes', at) ?? visit.minutes,
      tutorId: book.value('visitTutor', at) ?? null,
      absent: book.value('absent', at) ?? false,
    });
  };
  const weekly = new Set<string>();
  const slotAt = (pupilId: string, day: string, key: string) =>
    slots.find((one) => one.pupilId === pupilId && one.weekday === weekdayOf(day) && weeklyKey(one) === key);
  for (const day of days)
    for (const slot of slots) {
      if (slot.weekday !== weekdayOf(day)) continue;
      const key = weeklyKey(slot);
      const place = `${slot.pupilId}/${day}/${key}`;
      if (weekly.has(place)) continue;
      weekly.add(place);
      if (book.value('visitAt', { pupilId: slot.pupilId, day, key }) !== undefined) continue;
      if (book.value('holiday', { day })) continue;
      add({ ...slot, day, of: { day, key }, moved: false, once: false });
    }
  for (const { pupilId, day, key, value } of book.all('visitAt')) {
    if (value === null || pupilId === null || day === null) continue;
    const slot = slotAt(pupilId, day, key);
    // Of a weekly visit that is not there any more nothing stands.
    if (!slot && key.startsWith('weekly ')) continue;
    add({
      pupilId,
      ...value,
      minutes: slot?.minutes ?? 20,
      of: { day, key },
      moved: slot !== undefined && (value.day !== day || value.startsAtMin !== slot.startsAtMin),
      once: slot === undefined,
    });
  }
  return out.sort(
    (a, b) =>
      dayNumber(a.day) - dayNumber(b.day) ||
      a.startsAtMin - b.startsAtMin ||
      (a.pupilId < b.pupilId ? -1 : a.pupilId > b.pupilId ? 1 : 0),
  );
}

/** Two visits that one tutor, or one pupil, would be at together. Pupils of one group come together, and that is no clash. */
export function clashesIn(
  visits: readonly PlannedVisit[],
  groupOf: (pupilId: string) => string | null,
): (readonly [PlannedVisit, PlannedVisit])[] {
  const out: (readonly [PlannedVisit, PlannedVisit])[] = [];
  const there = visits.filter((one) => !one.absent);
  there.forEach((one, at) => {
    for (const other of there.slice(at + 1)) {
      const meet =
        one.day === other.day &&
        one.startsAtMin < other.startsAtMin + other.minutes &&
        other.startsAtMin < one.startsAtMin + one.minutes;
      if (!meet) continue;
      const group = groupOf(one.pupilId);
      const together = group !== null && group === groupOf(other.pupilId) && one.tutorId === other.tutorId;
      if (one.pupilId === other.pupilId || (one.tutorId === other.tutorId && !together))
        out.push([one, other]);
    }
  });
  return out;
}
