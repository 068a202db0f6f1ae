import {
  dayNumber,
  dayOf,
  isCheckDue,
  isMinuteOffered,
  probeEveryDays,
  retentionDue,
  type PassedSet,
} from '@veldrift/core';
import { planBook, type PlanBook, type PlannedVisit } from '@veldrift/core/planning';
import { policyOf, type Pupil } from '@veldrift/wire';
import { visitsIn } from '../live/plan/visitsIn.ts';

/** One visit of the day. */
export interface TodayVisit extends PlannedVisit {
  readonly pupil: Pupil;
}

const nothingPlanned = planBook([]);

/** Today's visits in the order of the clock, as they are planned. `now` in the room's time zone decides the day. */
export function visitsToday(
  pupils: readonly Pupil[],
  now: Date,
  timeZone: string,
  book: PlanBook = nothingPlanned,
): TodayVisit[] {
  const byId = new Map(pupils.map((one) => [one.id, one]));
  return visitsIn([dayOf(now.toISOString(), timeZone)], pupils, book)
    .flatMap((visit) => {
      const pupil = byId.get(visit.pupilId);
      return pupil ? [{ ...visit, pupil }] : [];
    })
    .sort((a, b) => a.startsAtMin - b.startsAtMin || a.pupil.name.localeCompare(b.pupil.name));
}

/** Whether a minute given today would confirm that the facts hold. */
export function minuteOffered(pupil: Pick<Pupil, 'offer'>, now: Date, timeZone: string): boolean {
  return isMinuteOffered(pupil.offer, dayOf(now.toISOString(), timeZone));
}

/** Whether a minute is due for a pupil: the week's, or the one that would confirm that the facts hold. */
export function checkDue(pupil: Pupil, now: Date, timeZone: string): boolean {
  if (minuteOffered(pupil, now, timeZone)) return true;
  const day = (at: string) => dayNumber(dayOf(at, timeZone));
  return isCheckDue(pupil.lastCheckAt === null ? null : day(pupil.lastCheckAt), day(now.toISOString()));
}

/** Whether today's check was given already. */
export function checkedToday(pupil: Pupil, now: Date, timeZone: string): boolean {
  return (
    pupil.lastCheckAt !== null && dayOf(pupil.lastCheckAt, timeZone) === dayOf(now.toISOString(), timeZone)
  );
}

/** The sets a pupil has passed, with the looks taken since, as day numbers. */
export function passedSets(pupil: Pick<Pupil, 'passed'>, timeZone: string): PassedSet[] {
  const day = (at: string) => dayNumber(dayOf(at, timeZone));
  return pupil.passed.map((one) => ({
    setId: one.setId,
    passedDay: day(one.at),
    lookDays: one.looksAt.map(day),
  }));
}

/** Whether a set passed is due for a look back. */
export function lookDue(pupil: Pupil, now: Date, timeZone: string): boolean {
  const today = dayNumber(dayOf(now.toISOString(), timeZone));
  const policy = policyOf(pupil);
  return passedSets(pupil, timeZone).some((one) => retentionDue(one, today, policy) !== null);
}

/** Whether the next constant probe is due: two weeks after the last; a pupil who never had one is not nagged. */
export function probeDue(pupil: Pick<Pupil, 'lastProbeAt'>, now: Date, timeZone: string): boolean {
  const day = (at: string) => dayNumber(dayOf(at, timeZone));
  return pupil.lastProbeAt !== null && day(now.toISOString()) - day(pupil.lastProbeAt) >= probeEveryDays;
}

/** Whether nothing is on record of a pupil yet: the set they are on is a guess. */
export function isUnknown(pupil: Pick<Pupil, 'tried' | 'lastCheckAt' | 'passed'>): boolean {
  return Object.keys(pupil.tried).length === 0 && pupil.lastCheckAt === null && pupil.passed.length === 0;
}

/** What waits on a pupil today, as short words. */
export function duesOf(pupil: Pupil, now: Date, timeZone: string): string[] {
  if (isUnknown(pupil)) return ['to be placed'];
  return [
    ...(checkDue(pupil, now, timeZone) ? [minuteWords(pupil, now, timeZone)] : []),
    ...(pupil.verdict === 'advance' ? ['ready to move on'] : []),
    ...(lookDue(pupil, now, timeZone) ? ['look back due'] : []),
    ...(probeDue(pupil, now, timeZone) ? ['same check due'] : []),
  ];
}

function minuteWords(pupil: Pupil, now: Date, timeZone: string): string {
  if (minuteOffered(pupil, now, timeZone)) return 'minute to confirm';
  return pupil.lastCheckAt === null ? 'first check' : 'minute due';
}

/** Minutes after midnight in a time zone. */
export function minutesNow(now: Date, timeZone: string): number {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(now);
  const part = (type: string) => Number(parts.find((one) => one.type === type)?.value ?? 0);
  return part('hour') * 60 + part('minute');
}
