import { dayOf } from '@veldrift/core';
import {
  minutesTrouble,
  planVisit,
  withinMinutes,
  type GameOffer,
  type PlanBook,
  type PlannedVisit,
  type VisitPart,
} from '@veldrift/core/planning';
import type { Pupil } from '@veldrift/wire';
import { minutesNow } from '../../parts/today.ts';
import { visitNeed } from './visitNeed.ts';

/** Minutes of a visit that nobody set a time for; common practice. */
export const usualMinutes = 20;

/** A part with what became of it. */
export interface PartNow extends VisitPart {
  /** Minutes it was planned for, where it was shortened since the visit runs late. */
  readonly plannedMinutes: number;
  readonly begun: { readonly playId: string | null; readonly at: string } | null;
}

/** How a pupil's visit of today stands. */
export interface VisitNow {
  readonly day: string;
  /** Null: no time was set for today. */
  readonly visit: PlannedVisit | null;
  readonly minutes: number;
  /** In their order, begun and to come. */
  readonly parts: readonly PartNow[];
  /** Whether somebody has changed or begun the plan: then it is on record and stays as it is. */
  readonly isKept: boolean;
  /** Null: all of it was begun. */
  readonly next: PartNow | null;
  /** Minutes left of the visit, rounded up; null: it has not begun, or has long been over. */
  readonly leftMinutes: number | null;
  /** Whether what is to come was shortened. */
  readonly isLate: boolean;
  /** What may be swapped for a game. */
  readonly games: readonly GameOffer[];
}

/** Which of a pupil's visits of today is meant: the one under way or next, else the last. */
export function visitOfDay(visits: readonly PlannedVisit[], minute: number): PlannedVisit | null {
  const own = visits.filter((one) => !one.absent);
  return own.find((one) => one.startsAtMin + one.minutes > minute) ?? own.at(-1) ?? null;
}

/** The parts somebody has kept of a plan; null: nobody has. */
function keptParts(book: PlanBook, pupilId: string, day: string): VisitPart[] | null {
  const own = book.all('part').filter((one) => one.pupilId === pupilId && one.day === day);
  if (own.length === 0) return null;
  return own
    .flatMap(({ key, value }) => (value === null ? [] : [{ ...value, key }]))
    .sort((a, b) => a.order - b.order || (a.key < b.key ? -1 : 1));
}

/**
 * A pupil's visit as it stands: as it was kept, else as it is planned by rule; what is to come is shortened where the visit runs late.
 * `games`: what may be played, the best first.
 */
export function visitPlanNow(
  pupil: Pupil,
  {
    book,
    visits,
    games,
    now,
    timeZone,
  }: {
    readonly book: PlanBook;
    /** The pupil's own of today. */
    readonly visits: readonly PlannedVisit[];
    readonly games: readonly GameOffer[];
    readonly now: Date;
    readonly timeZone: string;
  },
): VisitNow {
  const day = dayOf(now.toISOString(), timeZone);
  const minute = minutesNow(now, timeZone);
  const visit = visitOfDay(visits, minute);
  const wished = visit?.minutes ?? usualMinutes;
  // A visit longer than can be planned is planned as far as it can be.
  const minutes = minutesTrouble(wished) === null ? wished : 120;
  const checkFirst = book.value('habit', { key: 'checkFirst' }) ?? false;
  const kept = keptParts(book, pupil.id, day);
  const parts = kept ?? planVisit(visitNeed(pupil, { minutes, games, checkFirst, now, timeZone }));
  const begun = (key: string) => book.value('begun', { pupilId: pupil.id, day, key }) ?? null;
  const begins = parts.flatMap(({ key }) => begun(key)?.at ?? []).sort();
  const [first] = begins;
  const left = leftOf(first ?? null, visit, minutes, minute, now);
  const toCome = parts.filter((one) => begun(one.key) === null);
  const planned = toCome.reduce((sum, one) => sum + one.minutes, 0);
  const isLate = left !== null && left < planned;
  const short = new Map((isLate ? withinMinutes(toCome, left) : toCome).map((one) => [one.key, one.minutes]));
  const all = parts.map((one): PartNow => ({
    ...one,
    plannedMinutes: one.minutes,
    minutes: begun(one.key) === null ? (short.get(one.key) ?? 0) : one.minutes,
    begun: begun(one.key),
  }));
  return {
    day,
    visit,
    minutes,
    parts: all,
    isKept: kept !== null,
    next: all.find((one) => one.begun === null && one.minutes > 0) ?? null,
    leftMinutes: left,
    isLate,
    games,
  };
}

/** Minutes of a visit that are left; null: it has not begun, or is over. */
function leftOf(
  firstAt: string | null,
  visit: PlannedVisit | null,
  minutes: number,
  minute: number,
  now: Date,
): number | null {
  const ends = visit ? visit.startsAtMin + visit.minutes : null;
  if (firstAt === null) {
    // The child should be here: what is late is not there any more.
    return visit && ends !== null && minute > visit.startsAtMin && minute < ends ? ends - minute : null;
  }
  const since = (now.getTime() - Date.parse(firstAt)) / 60_000;
  const own = Math.ceil(minutes - since);
  // The next child comes by the clock, if this one came while it was theirs.
  const begunAt = minute - since;
  const byClock =
    visit && ends !== null && begunAt >= visit.startsAtMin && begunAt < ends ? ends - minute : own;
  const left = Math.min(own, byClock);
  return left < -minutes ? null : Math.max(0, left);
}
