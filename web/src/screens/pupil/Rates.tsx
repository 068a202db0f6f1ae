import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  aimLineOf,
  aimPerMinute,
  answerWayNames,
  dayNumber,
  dayOf,
  growthOf,
  isCaptureWay,
  numberText,
  theilSen,
  readAimLine,
  trendNeeds,
  type AimLine,
  type Growth,
  type TrendPoint,
} from '@veldrift/core';
import { findSet, useBookVersion } from '../../app/book.ts';
import { policyOf, type PupilPage, type RatedCheck } from '@veldrift/wire';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { dateText, rateText } from '../../app/format.ts';
import { useSession } from '../../app/session.tsx';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { RateChart } from '../../parts/RateChart.tsx';

/** Checks over time, the aim and its line, and the trend of those of one kind; the constant probe carries the long line. */
export function Rates({ page }: { readonly page: PupilPage }) {
  const { me } = useSession();
  const navigate = useNavigate();
  const [kindShown, setKindShown] = useState<'check' | 'mixed' | 'probe'>('check');
  const [log, setLog] = useState(false);
  const ended = page.checks;
  const kinds = checkKinds.filter(([one]) => one === 'check' || ended.some((play) => play.purpose === one));
  const checks = useMemo(() => ended.filter((play) => play.purpose === kindShown), [ended, kindShown]);
  const { capture, aimBy } = page.pupil;
  const points = useMemo(
    () =>
      checks.map((play) => ({
        playId: play.id,
        at: play.startedAt,
        rate: play.rightPerMinute,
        way: isCaptureWay(play.way) ? play.way : capture,
        counts: play.counts,
      })),
    [checks, capture],
  );
  const book = useBookVersion();
  const moves = useMemo(
    () =>
      page.decisions
        .filter((one) => one.toSetId !== one.setId && one.about !== 'retention')
        .map((one) => ({ at: one.at, name: findSet(one.toSetId)?.name ?? '' })),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- names of sets come from the book
    [page.decisions, book],
  );
  const policy = policyOf(page.pupil);
  const aim = aimPerMinute(page.proposal.ceiling, policy.aimPerMinute);
  const kind = checks.filter((play) => play.counts && play.way === capture);
  const days = kind.map((play) => ({
    day: dayNumber(dayOf(play.startedAt, me.timeZone)),
    value: play.rightPerMinute,
  }));
  const line = aimBy === null ? undefined : aimLineOf(days, aim.perMinute, dayNumber(aimBy));
  const chartLine = useMemo(
    () => (line ? { from: atDay(line.from), to: atDay(line.to) } : null),
    // A line is made anew at each look; it is the same while its ends are.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [line?.from.day, line?.from.value, line?.to.day, line?.to.value],
  );
  return (
    <section aria-labelledby="rates-title">
      <h2 id="rates-title">Right in a minute</h2>
      {(kinds.length > 1 || checks.length > 1) && (
        <div className="rates-choice">
          {kinds.length > 1 && (
            <ToggleButtonGroup
              exclusive
              size="small"
              value={kindShown}
              aria-label="Which checks"
              onChange={(_, value: typeof kindShown | null) => value && setKindShown(value)}
            >
              {kinds.map(([value, says]) => (
                <ToggleButton key={value} value={value}>
                  {says}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          )}
          <button type="button" className="linkish" aria-pressed={log} onClick={() => setLog(!log)}>
            {log ? 'On an even axis' : 'On a log axis'}
          </button>
        </div>
      )}
      {checks.length === 0 ? (
        <p className="quiet">
          {kindShown === 'probe' ? 'No probe yet.' : 'No check yet. The first takes a minute.'}
        </p>
      ) : (
        <>
          <RateChart
            points={points}
            moves={moves}
            aim={aim.perMinute}
            line={chartLine}
            log={log}
            onOpen={(playId) => void navigate(`/review/${playId}`)}
          />
          {line && <LineSays line={line} days={days} run={policy.lineRun} aimBy={aimBy ?? ''} plays={kind} />}
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

const checkKinds = [
  ['check', 'On the set'],
  ['mixed', 'Mixed'],
  ['probe', 'Same check each time'],
] as const;

const atDay = ({ day, value }: TrendPoint) => ({ at: new Date(day * 86_400_000).toISOString(), value });

/** How the checks stand to the aim line. */
function LineSays({
  line,
  days,
  run,
  aimBy,
  plays,
}: {
  readonly line: AimLine;
  readonly days: readonly TrendPoint[];
  readonly run: number;
  readonly aimBy: string;
  readonly plays: readonly RatedCheck[];
}) {
  const found = readAimLine(line, days, run);
  const says = {
    on: 'The checks lie about the aim line.',
    below: `${run} checks running lie below the aim line: change one thing.`,
    above: `${run} checks running lie above the aim line: raise it, or move on.`,
  }[found];
  return (
    <p className={found === 'below' ? 'notch' : undefined}>
      <Explained
        title="The aim line"
        how={
          <>
            <p>
              From {numberText(line.from.value)} a minute, the median of the first three checks, to{' '}
              {numberText(line.to.value)}, the aim, on {dateText(`${aimBy}T12:00:00Z`)}.
            </p>
            <CheckTable plays={[...plays].reverse()} />
          </>
        }
      >
        {says}
      </Explained>
    </p>
  );
}

function TrendLine({
  plays,
  timeZone,
}: {
  readonly plays: readonly RatedCheck[];
  readonly timeZone: string;
}) {
  if (plays.length < trendNeeds) {
    return (
      <p className="quiet">
        Growth is shown from {trendNeeds} checks of one kind; there are {plays.length}.
      </p>
    );
  }
  const points = plays.map((play) => ({
    day: dayNumber(dayOf(play.startedAt, timeZone)),
    value: play.rightPerMinute,
  }));
  const { perWeek } = theilSen(points);
  if (perWeek === null) return null;
  const growth = growthOf(points);
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
      </Explained>
      {growth && (
        <>
          , <GrowthFactor growth={growth} plays={plays} />
        </>
      )}{' '}
      <span className="quiet">over {plays.length} checks</span>
    </p>
  );
}

/** Growth as a factor a week, with its interval. */
function GrowthFactor({ growth, plays }: { readonly growth: Growth; readonly plays: readonly RatedCheck[] }) {
  const factor = (value: number) => value.toFixed(2);
  return (
    <Explained
      title="Growth as a factor"
      how={
        <>
          <p>
            The same, on the logarithms: each week is so many times the one before. The interval holds it in
            95 of 100 (Sen 1968).
          </p>
          <CheckTable plays={[...plays].reverse()} />
        </>
      }
    >
      × {factor(growth.perWeek)} a week ({factor(growth.low)} to {factor(growth.high)})
    </Explained>
  );
}

function CheckTable({ plays }: { readonly plays: readonly RatedCheck[] }) {
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
              {rateText(play.rightPerMinute)}
              {play.counts ? '' : ' (decides nothing)'}
            </td>
            <td className="numeral">{play.wrong}</td>
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
