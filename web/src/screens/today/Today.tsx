import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { countText, dayOf } from '@veldrift/core';
import type { OpenTable, Pupil } from '@veldrift/wire';
import { Link } from 'react-router';
import type { PlayRow } from '../../app/deviceDb.ts';
import { longDateText, timeText } from '../../app/format.ts';
import { isolated } from '../../app/isolated.ts';
import { pupilsQuery } from '../../app/queries.ts';
import { useSession } from '../../app/session.tsx';
import { useBegin, useVisits } from '../../live/plan/useVisit.ts';
import { useOpenMinutes } from '../../live/useOpenMinutes.ts';
import { useTablesElsewhere } from '../../live/useTablesElsewhere.ts';
import { PlanConflicts } from '../../parts/PlanConflicts.tsx';
import { standsStill } from '../../parts/standsStill.ts';
import { Loading, Stale, Trouble } from '../../parts/states.tsx';
import { checkDue, checkedToday, duesOf, minutesNow, visitsToday } from '../../parts/today.ts';
import { lengthText } from '../../parts/lengthText.ts';
import { FirstChild } from './FirstChild.tsx';
import { TodayEntry } from './TodayEntry.tsx';
import './today.css';

const nobody: readonly Pupil[] = [];

/** The day in the order of the clock: who comes, what each does, what to lay out, what is due; start in one tap. */
export function Today() {
  const { me } = useSession();
  const { data, error, refetch, dataUpdatedAt } = useQuery(pupilsQuery);
  const { plan, now, visitOf } = useVisits(data ?? nobody);
  const { busy, begin } = useBegin(plan);
  const open = useOpenMinutes();
  const elsewhere = useTablesElsewhere();
  if (!data)
    return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the day" />;
  // Who is absent or moved is known first: nothing that can be pressed moves for it.
  if (!plan.planned && !plan.error) return <Loading what="the day" />;
  const visits = visitsToday(data, now, me.timeZone, plan.book);
  const minute = minutesNow(now, me.timeZone);
  const onLine = new Set(visits.map((visit) => visit.pupil.id));
  const others = data.filter((pupil) => !onLine.has(pupil.id) && duesOf(pupil, now, me.timeZone).length > 0);
  const coming = visits.filter((visit) => !visit.absent);
  const due = coming.filter((visit) => checkDue(visit.pupil, now, me.timeZone)).length;
  const past = visits.filter((visit) => visit.startsAtMin + visit.minutes < minute);
  const ahead = visits.filter((visit) => !past.includes(visit));
  const next = ahead.find((visit) => !visit.absent && !checkedToday(visit.pupil, now, me.timeZone));
  const holiday = plan.book.value('holiday', { day: dayOf(now.toISOString(), me.timeZone) });
  const entry = (pupil: Pupil, strong: boolean, visit: (typeof visits)[number] | null) => (
    <TodayEntry
      pupil={pupil}
      now={now}
      strong={strong}
      visit={visit}
      plan={plan}
      visitNow={visitOf(pupil)}
      busy={busy}
      onBegin={(part, whole) => void begin(pupil, whole, part)}
    />
  );
  return (
    <>
      {error && <Stale at={dataUpdatedAt} />}
      <div className="work-head">
        <div>
          <h1>{longDateText(now)}</h1>
          <p className="quiet">
            {me.room}. {holiday ? `${holiday}. ` : ''}
            {visits.length === 0
              ? 'No visits today.'
              : `${countText(coming.length, 'visit')}, ${lengthText(coming.reduce((sum, one) => sum + one.minutes, 0))} with children, ${countText(due, 'check')} due.`}
          </p>
        </div>
        <div className="actions">
          <Button variant="outlined" component={Link} to="/week">
            Week
          </Button>
          <Button variant="outlined" component={Link} to="/lay-out">
            Lay out
          </Button>
        </div>
      </div>
      {data.length === 0 && <FirstChild />}
      <PlanConflicts plan={plan} pupils={data} />
      <Standing open={open} pupils={data} />
      {past.length > 0 && (
        <details className="day-past">
          <summary>{countText(past.length, 'visit')} before now</summary>
          <ol className="day">
            {past.map((visit) => (
              <li key={`${visit.pupil.id}${visit.of.key}`} className="past">
                {entry(visit.pupil, false, visit)}
              </li>
            ))}
          </ol>
        </details>
      )}
      {ahead.length > 0 && (
        <ol className="day" aria-label="Visits to come">
          {ahead.map((visit) => (
            <li
              key={`${visit.pupil.id}${visit.of.key}`}
              className={visit.absent ? 'past' : visit === next ? 'largest' : ''}
            >
              {entry(visit.pupil, visit === next && open.length === 0, visit)}
            </li>
          ))}
        </ol>
      )}
      {others.length > 0 && (
        <section aria-labelledby="also">
          <h2 id="also" style={{ margin: '28px 0 4px' }}>
            No time set for today
          </h2>
          <ol className="day">
            {others.map((pupil) => (
              <li key={pupil.id}>{entry(pupil, false, null)}</li>
            ))}
          </ol>
        </section>
      )}
      {/* Last: it comes when the server has answered, and moves nothing that is being pressed. */}
      <Elsewhere tables={elsewhere} pupils={data} />
    </>
  );
}
/** Games that stand on another device and can be taken up here. */
function Elsewhere({
  tables,
  pupils,
}: {
  readonly tables: readonly OpenTable[];
  readonly pupils: readonly Pupil[];
}) {
  const known = tables.flatMap((table) => {
    const pupil = pupils.find((one) => one.id === table.pupilId);
    return pupil ? [{ table, pupil }] : [];
  });
  if (known.length === 0) return null;
  return (
    <section aria-labelledby="elsewhere">
      <h2 id="elsewhere" style={{ margin: '28px 0 4px' }}>
        On another device
      </h2>
      <ul className="standing">
        {known.map(({ table, pupil }) => (
          <li key={table.playId}>
            <span>
              <strong>{isolated(pupil.name)}</strong>: {table.title}, last heard of at{' '}
              {timeText(table.lastAt)}.
            </span>
            <Button
              variant="outlined"
              component={Link}
              to={`/table/${table.playId}`}
              aria-label={`Take up the game of ${isolated(pupil.name)}`}
            >
              Take up
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Minutes that stand still and may be taken up again. */
function Standing({
  open,
  pupils,
}: {
  readonly open: readonly PlayRow[];
  readonly pupils: readonly Pupil[];
}) {
  const known = open.flatMap((row) => {
    const pupil = pupils.find((one) => one.id === row.pupilId);
    return pupil ? [{ row, pupil }] : [];
  });
  if (known.length === 0) return null;
  return (
    <ul className="standing" aria-label="Minutes that stand still">
      {known.map(({ row, pupil }) => (
        <li key={row.playId}>
          <span>
            <strong>{isolated(pupil.name)}</strong>: a {standsStill(row)}.
          </span>
          <Button
            variant="contained"
            component={Link}
            to={`/table/${row.playId}`}
            aria-label={`Go on with ${isolated(pupil.name)}`}
          >
            Go on
          </Button>
        </li>
      ))}
    </ul>
  );
}
