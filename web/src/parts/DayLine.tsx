import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { clockText } from '../app/format.ts';
import { pupilsQuery } from '../app/queries.ts';
import { useSession } from '../app/session.tsx';
import { duesOf, minutesNow, visitsToday, type TodayVisit } from './today.ts';
import { useNow } from './useNow.ts';
import { usePlan } from '../live/plan/usePlan.ts';
import './dayLine.css';
import { isolated } from '../app/isolated.ts';

const leastApartPx = 26;

/** The slim strip on which the day's visits lie in the order of the clock; now is marked, what is due is a notch. */
export function DayLine() {
  const { me } = useSession();
  const { data } = useQuery(pupilsQuery);
  const now = useNow();
  const { book } = usePlan();
  const visits = visitsToday(data ?? [], now, me.timeZone, book).filter((one) => !one.absent);
  const minute = minutesNow(now, me.timeZone);
  const { from, to } = spanOf(visits, minute);
  const place = (at: number) => `${(100 * (at - from)) / (to - from)}%`;
  // Visits that overlap are kept apart by a finger's tip: the one before can still be pressed.
  const lefts = visits.reduce<readonly string[]>((done, { startsAtMin }) => {
    const before = done.at(-1);
    const own = place(startsAtMin);
    return [...done, before === undefined ? own : `max(${own}, ${before} + ${leastApartPx}px)`];
  }, []);
  const hours = Array.from(
    { length: Math.floor(to / 60) - Math.ceil(from / 60) + 1 },
    (_, at) => Math.ceil(from / 60) + at,
  );
  return (
    <nav className="day-line" aria-label="Visits today">
      {hours.map((hour) => (
        <span key={hour} className="day-hour numeral" style={{ left: place(hour * 60) }} aria-hidden>
          {hour}
        </span>
      ))}
      {visits.map((visit, nth) => {
        const due = duesOf(visit.pupil, now, me.timeZone);
        const past = visit.startsAtMin + visit.minutes < minute;
        return (
          <Link
            key={`${visit.pupil.id}${visit.startsAtMin}`}
            to={`/pupils/${visit.pupil.id}`}
            className={`day-visit${past ? ' past' : ''}`}
            style={{
              left: lefts[nth],
              width: `${(100 * widthOf(visit, visits)) / (to - from)}%`,
            }}
            aria-label={`${clockText(visit.startsAtMin)} ${isolated(visit.pupil.name)}${due.length > 0 ? `, ${due.join(', ')}` : ''}`}
          >
            <span className="day-bar" style={{ width: `${(100 * visit.minutes) / widthOf(visit, visits)}%` }}>
              {due.length > 0 && <i className="day-notch" />}
            </span>
            <span
              className="day-who"
              style={{ maxWidth: `${(100 * roomOf(visit, visits)) / widthOf(visit, visits)}%` }}
            >
              {isolated(visit.pupil.name)}
            </span>
          </Link>
        );
      })}
      {visits.length === 0 && (
        <span className="day-none quiet">{data ? 'No visits on the line today.' : ''}</span>
      )}
      <span className="day-now" style={{ left: place(Math.min(to, Math.max(from, minute))) }} aria-hidden />
    </nav>
  );
}

function spanOf(visits: readonly TodayVisit[], minute: number): { from: number; to: number } {
  const from = Math.min(8.5 * 60, ...visits.map((one) => one.startsAtMin - 15));
  const to = Math.max(15.5 * 60, ...visits.map((one) => one.startsAtMin + one.minutes + 40));
  // Now is kept on the line when it is near the day's work.
  return {
    from: minute > from - 90 && minute < from ? minute - 10 : from,
    to: minute > to && minute < to + 90 ? minute + 10 : to,
  };
}

/** Minutes of the line that a name may take: up to the next visit, which may begin before this one ends. */
function roomOf(visit: TodayVisit, visits: readonly TodayVisit[]): number {
  const next = visits.find((one) => one.startsAtMin > visit.startsAtMin);
  return Math.min(75, (next?.startsAtMin ?? Infinity) - visit.startsAtMin - 2);
}

const widthOf = (visit: TodayVisit, visits: readonly TodayVisit[]): number =>
  Math.max(visit.minutes, roomOf(visit, visits));
