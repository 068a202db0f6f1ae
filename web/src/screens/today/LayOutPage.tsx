import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import type { Pupil } from '@veldrift/wire';
import { clockText, longDateText } from '../../app/format.ts';
import { isolated } from '../../app/isolated.ts';
import { pupilsQuery } from '../../app/queries.ts';
import { useSession } from '../../app/session.tsx';
import { useVisits } from '../../live/plan/useVisit.ts';
import { partName } from '../../parts/PlanWords.tsx';
import { Empty, Loading, Stale, Trouble } from '../../parts/states.tsx';
import { visitsToday } from '../../parts/today.ts';
import './today.css';

const nobody: readonly Pupil[] = [];

/** What to lay out for the visits of the day, table by table, to carry about or to print. */
export function LayOutPage() {
  const { me } = useSession();
  const { data, error, refetch } = useQuery(pupilsQuery);
  const { plan, now, visitOf } = useVisits(data ?? nobody);
  if (!data || !plan.planned) {
    const trouble = error ?? plan.error;
    const retry = () => {
      void refetch();
      plan.retry();
    };
    return trouble ? <Trouble error={trouble} onRetry={retry} /> : <Loading what="the day" />;
  }
  const visits = visitsToday(data, now, me.timeZone, plan.book).filter((one) => !one.absent);
  return (
    <>
      {(error ?? plan.error) && <Stale at={plan.at} />}
      <div className="work-head">
        <div>
          <h1>To lay out</h1>
          <p className="quiet">
            {longDateText(now)}, {me.room}.
          </p>
        </div>
        <Button className="not-printed" variant="outlined" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      {visits.length === 0 && (
        <Empty title="Nothing to lay out today">
          <p>No visit stands on the line.</p>
        </Empty>
      )}
      <ol className="lay-list">
        {visits.map((visit) => {
          const { parts } = visitOf(visit.pupil);
          const games = parts.flatMap((one) => (one.game && one.minutes > 0 ? [one] : []));
          return (
            <li key={`${visit.pupilId} ${visit.of.key}`}>
              <span className="numeral">{clockText(visit.startsAtMin)}</span>
              <div>
                <strong>{isolated(visit.pupil.name)}</strong>
                {games.length === 0 && <p className="quiet">Nothing but a screen.</p>}
                {games.map((one) => (
                  <div key={one.key}>
                    <p>{partName(one)}</p>
                    <ul>
                      {one.game?.lay.map((line) => (
                        <li key={line} className="lay-line">
                          {line}
                        </li>
                      ))}
                    </ul>
                  </div>
                ))}
              </div>
            </li>
          );
        })}
      </ol>
    </>
  );
}
