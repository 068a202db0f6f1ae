import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { countText, operationNames, schoolNames } from '@veldrift/core';
import { findSet } from '../app/book.ts';
import type { OpenTable, Pupil } from '@veldrift/wire';
import { Link } from 'react-router';
import { clockText, longDateText, timeText } from '../app/format.ts';
import type { PlayRow } from '../app/deviceDb.ts';
import { pupilsQuery } from '../app/queries.ts';
import { useSession } from '../app/session.tsx';
import { useOpenMinutes } from '../live/useOpenMinutes.ts';
import { useTablesElsewhere } from '../live/useTablesElsewhere.ts';
import { standsStill } from '../parts/standsStill.ts';
import { checkDue, checkedToday, duesOf, minutesNow, visitsToday } from '../parts/today.ts';
import { Empty, Loading, Stale, Trouble } from '../parts/states.tsx';
import { useNow } from '../parts/useNow.ts';
import './today.css';
import { isolated } from '../app/isolated.ts';

/** The day in the order of the clock: who, which check is due, start. */
export function Today() {
  const { me } = useSession();
  const now = useNow();
  const { data, error, refetch, dataUpdatedAt } = useQuery(pupilsQuery);
  const open = useOpenMinutes();
  const elsewhere = useTablesElsewhere();
  if (!data)
    return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the day" />;
  const visits = visitsToday(data, now, me.timeZone);
  const minute = minutesNow(now, me.timeZone);
  const onLine = new Set(visits.map((visit) => visit.pupil.id));
  const others = data.filter((pupil) => !onLine.has(pupil.id) && duesOf(pupil, now, me.timeZone).length > 0);
  const due = visits.filter((visit) => checkDue(visit.pupil, now, me.timeZone)).length;
  const next = visits.find(
    (visit) => visit.startsAtMin + visit.minutes >= minute && !checkedToday(visit.pupil, now, me.timeZone),
  );
  return (
    <>
      {error && <Stale at={dataUpdatedAt} />}
      <div className="work-head">
        <div>
          <h1>{longDateText(now)}</h1>
          <p className="quiet">
            {me.room}.{' '}
            {visits.length === 0
              ? 'No visits today.'
              : `${countText(visits.length, 'visit')}, ${countText(due, 'check')} due.`}
          </p>
        </div>
      </div>
      {data.length === 0 && (
        <Empty title="No pupils yet">
          <p>
            Add a pupil with initials or a first name. A placement then finds the set to begin with, in three
            or four minutes; the first check takes one.
          </p>
          <Button variant="contained" component={Link} to="/pupils/new">
            Add a pupil
          </Button>
        </Empty>
      )}
      <Standing open={open} pupils={data} />
      {visits.length > 0 && (
        <ol className="day">
          {visits.map((visit) => (
            <li
              key={`${visit.pupil.id}${visit.startsAtMin}`}
              className={visit.startsAtMin + visit.minutes < minute ? 'past' : ''}
            >
              <div className="day-time">
                <span className="numeral">{clockText(visit.startsAtMin)}</span>
                <span className="quiet">{visit.minutes} min</span>
              </div>
              <Entry pupil={visit.pupil} now={now} strong={visit === next && open.length === 0} />
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
              <li key={pupil.id}>
                <div className="day-time quiet">any time</div>
                <Entry pupil={pupil} now={now} strong={false} />
              </li>
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

function Entry({
  pupil,
  now,
  strong,
}: {
  readonly pupil: Pupil;
  readonly now: Date;
  readonly strong: boolean;
}) {
  const { me } = useSession();
  const set = findSet(pupil.setId);
  const dues = duesOf(pupil, now, me.timeZone);
  const done = checkedToday(pupil, now, me.timeZone);
  return (
    <>
      <div>
        <Link to={`/pupils/${pupil.id}`} className="day-name">
          {isolated(pupil.name)}
        </Link>
        <p className="quiet">
          {operationNames[pupil.operation]}, {set?.name}
        </p>
      </div>
      <div className="day-dues">
        {done && <span className="quiet">checked today</span>}
        {dues.map((one) => (
          <span key={one} className="notch">
            {one}
          </span>
        ))}
        {!done && dues.length === 0 && <span className="quiet">{schoolNames[pupil.school]}</span>}
      </div>
      <div className="day-keys">
        <Button
          component={Link}
          to={`/shelf?pupil=${pupil.id}`}
          aria-label={`A game for ${isolated(pupil.name)}`}
        >
          Game
        </Button>
        <Button
          variant={strong ? 'contained' : 'outlined'}
          component={Link}
          to={`/table/new/${pupil.id}`}
          aria-label={`Start with ${isolated(pupil.name)}`}
        >
          Start
        </Button>
      </div>
    </>
  );
}
