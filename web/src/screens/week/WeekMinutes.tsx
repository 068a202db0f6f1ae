import { dayAfter, type PlannedVisit } from '@veldrift/core/planning';
import type { Pupil } from '@veldrift/wire';
import { Link } from 'react-router';
import { isolated } from '../../app/isolated.ts';
import { useSession } from '../../app/session.tsx';
import type { Plan } from '../../live/plan/usePlan.ts';
import { duesOf } from '../../parts/today.ts';
import { useRoomDay } from '../../parts/useRoomDay.ts';
import { useNow } from '../../parts/useNow.ts';

/** Minutes of practice a week: common practice, ten a day. */
const aimMinutes = 60;

/** For each pupil: minutes done and still planned in a week against the aim, and what is due. */
export function WeekMinutes({
  week,
  plan,
  pupils,
  visits,
}: {
  readonly week: string;
  readonly plan: Plan;
  readonly pupils: readonly Pupil[];
  readonly visits: readonly PlannedVisit[];
}) {
  const { me } = useSession();
  const now = useNow();
  const today = useRoomDay();
  const { planned } = plan;
  if (!planned) return null;
  const ends = dayAfter(week, 7);
  const rows = pupils
    .map((pupil) => {
      const done = planned.minutes
        .filter((one) => one.pupilId === pupil.id && one.day >= week && one.day < ends)
        .reduce((sum, one) => sum + one.minutes, 0);
      const to = visits
        .filter((one) => one.pupilId === pupil.id && !one.absent && one.day >= today)
        .filter((one) => one.day > today || !planned.done.some((play) => play.pupilId === pupil.id))
        .reduce((sum, one) => sum + one.minutes, 0);
      return { pupil, done: Math.round(done), to, dues: duesOf(pupil, now, me.timeZone) };
    })
    .filter((one) => one.done > 0 || one.to > 0 || one.dues.length > 0);
  if (rows.length === 0) return null;
  return (
    <section aria-labelledby="minutes-title" className="week-minutes">
      <h2 id="minutes-title">Minutes of practice</h2>
      <p className="quiet">
        The aim, ten a day and {aimMinutes} a week, is common practice. Done: from the first prompt to the
        last of each play, without breaks. Still planned: the visits to come.
      </p>
      <table>
        <thead>
          <tr>
            <th scope="col">Pupil</th>
            <th scope="col">Done</th>
            <th scope="col">Planned</th>
            <th scope="col">
              <span className="sr-only">Of the aim</span>
            </th>
            <th scope="col">Due</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ pupil, done, to, dues }) => (
            <tr key={pupil.id}>
              <th scope="row">
                <Link to={`/pupils/${pupil.id}`}>{isolated(pupil.name)}</Link>
              </th>
              <td className="numeral">{done}</td>
              <td className="numeral">{to}</td>
              <td>
                <span
                  className="week-bar"
                  role="img"
                  aria-label={`${done} done and ${to} planned of ${aimMinutes} minutes`}
                >
                  <i style={{ width: `${Math.min(100, (100 * done) / aimMinutes)}%` }} />
                  <b
                    style={{
                      width: `${Math.min(100 - Math.min(100, (100 * done) / aimMinutes), (100 * to) / aimMinutes)}%`,
                    }}
                  />
                </span>
              </td>
              <td>
                {dues.map((one) => (
                  <span key={one} className="notch">
                    {one}
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
