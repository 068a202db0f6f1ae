import {
  aimPerMinute,
  answerWayNames,
  dayNumber,
  dayOf,
  findSet,
  isCaptureWay,
  numberText,
  theilSen,
  trendNeeds,
} from '@veldrift/core';
import { policyOf, type Play, type PupilPage } from '@veldrift/wire';
import { useMemo } from 'react';
import { Link, useNavigate } from 'react-router';
import { dateText, rateText } from '../../app/format.ts';
import { useSession } from '../../app/session.tsx';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { RateChart } from '../../parts/RateChart.tsx';

/** Checks over time, the aim, and the trend of those of one kind. */
export function Rates({ page }: { readonly page: PupilPage }) {
  const { me } = useSession();
  const navigate = useNavigate();
  const checks = useMemo(
    () => page.plays.filter((play) => play.purpose === 'check' && play.endedAt !== null && !play.calm),
    [page.plays],
  );
  const points = useMemo(
    () =>
      checks.map((play) => ({
        playId: play.id,
        at: play.startedAt,
        rate: play.summary.rightPerMinute,
        way: isCaptureWay(play.way) ? play.way : page.pupil.capture,
        counts: play.counts,
      })),
    [checks, page.pupil.capture],
  );
  const moves = useMemo(
    () =>
      page.decisions
        .filter((one) => one.toSetId !== one.setId)
        .map((one) => ({ at: one.at, name: findSet(one.toSetId)?.name ?? '' })),
    [page.decisions],
  );
  const aim = aimPerMinute(page.proposal.ceiling, policyOf(page.pupil).aimPerMinute);
  const kind = checks.filter((play) => play.counts && play.way === page.pupil.capture);
  return (
    <section aria-labelledby="rates-title">
      <h2 id="rates-title">Right in a minute</h2>
      {checks.length === 0 ? (
        <p className="quiet">No check yet. The first takes a minute.</p>
      ) : (
        <>
          <RateChart
            points={points}
            moves={moves}
            aim={aim.perMinute}
            onOpen={(playId) => void navigate(`/review/${playId}`)}
          />
          <TrendLine plays={kind} timeZone={me.timeZone} />
          <details>
            <summary style={{ minHeight: 32, cursor: 'pointer' }}>The checks as a list</summary>
            <CheckTable plays={[...checks].reverse()} />
          </details>
        </>
      )}
    </section>
  );
}

function TrendLine({ plays, timeZone }: { readonly plays: readonly Play[]; readonly timeZone: string }) {
  if (plays.length < trendNeeds) {
    return (
      <p className="quiet">
        Growth is shown from {trendNeeds} checks of one kind; there are {plays.length}.
      </p>
    );
  }
  const { perWeek } = theilSen(
    plays.map((play) => ({
      day: dayNumber(dayOf(play.startedAt, timeZone)),
      value: play.summary.rightPerMinute,
    })),
  );
  if (perWeek === null) return null;
  return (
    <p>
      <Explained
        title="Growth a week"
        how={
          <>
            <p>
              The median of the slopes between all pairs of these {plays.length} checks (Theil 1950, Sen
              1968), × 7 days. One odd day hardly moves it. Sets changed under way, so read it with the marks
              on the chart.
            </p>
            <CheckTable plays={[...plays].reverse()} />
          </>
        }
      >
        {perWeek >= 0 ? '+' : '−'}
        {numberText(Math.abs(perWeek))} right a minute each week
      </Explained>{' '}
      <span className="quiet">over {plays.length} checks</span>
    </p>
  );
}

function CheckTable({ plays }: { readonly plays: readonly Play[] }) {
  return (
    <table className="rates-table">
      <thead>
        <tr>
          <th scope="col">Day</th>
          <th scope="col">Set</th>
          <th scope="col">Right a minute</th>
          <th scope="col">Wrong</th>
          <th scope="col">By</th>
          <th scope="col">
            <span className="sr-only">Review</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {plays.map((play) => (
          <tr key={play.id}>
            <td>{dateText(play.startedAt)}</td>
            <td>{findSet(play.setId)?.name}</td>
            <td className="numeral">
              {rateText(play.summary.rightPerMinute)}
              {play.counts ? '' : ' (decides nothing)'}
            </td>
            <td className="numeral">{play.summary.wrong}</td>
            <td>{answerWayNames[play.way]}</td>
            <td>
              <Link to={`/review/${play.id}`} aria-label={`Review of ${dateText(play.startedAt)}`}>
                review
              </Link>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
