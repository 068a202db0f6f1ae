import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useQuery } from '@tanstack/react-query';
import {
  aimPerMinute,
  captureWayNames,
  countText,
  createRandom,
  findSet,
  isRecalled,
  makeCheckForm,
  newMinute,
  operationNames,
  policyInForce,
  type FactSet,
} from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { deviceDb, type PlayRow } from '../../app/deviceDb.ts';
import { msText } from '../../app/format.ts';
import { pupilsQuery } from '../../app/queries.ts';
import { useSession } from '../../app/session.tsx';
import { measuringFor } from '../../live/measuringOf.ts';
import { useOpenMinutes } from '../../live/useOpenMinutes.ts';
import { AimNumber, CeilingNumber, OverheadNumber } from '../../parts/MeasuredNumbers.tsx';
import { standsStill } from '../../parts/standsStill.ts';
import { checkDue } from '../../parts/today.ts';
import { Empty, Loading, Trouble } from '../../parts/states.tsx';
import { useNow } from '../../parts/useNow.ts';

/** Prompts made for one minute: more than anyone answers in five. */
const formLength = 400;
/** Minutes given within this time belong to one visit. */
const visitLastsMs = 90 * 60_000;

/** Before a minute: what it will ask, how it is measured, and what to know before starting. */
export function NewTable() {
  const { pupilId = '' } = useParams();
  const { data, error, refetch, isFetching } = useQuery(pupilsQuery);
  if (!data)
    return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the pupil" />;
  const pupil = data.find((one) => one.id === pupilId);
  // A pupil added elsewhere is on the way.
  if (!pupil && isFetching) return <Loading what="the pupil" />;
  if (!pupil) {
    return (
      <Empty title="There is no such pupil in this room">
        <Button variant="outlined" component={Link} to="/pupils">
          See the pupils
        </Button>
      </Empty>
    );
  }
  return <Sheet pupil={pupil} set={findSet(pupil.setId) as FactSet} />;
}

function Sheet({ pupil, set }: { readonly pupil: Pupil; readonly set: FactSet }) {
  const { me, outbox } = useSession();
  const now = useNow();
  const navigate = useNavigate();
  const [purpose, setPurpose] = useState<'check' | 'practice'>(() =>
    checkDue(pupil, new Date(), me.timeZone) ? 'check' : 'practice',
  );
  const measuring = measuringFor(pupil, me);
  const policy = policyInForce(pupil.policy);
  const aim = aimPerMinute(measuring.ceiling, policy.aimPerMinute);
  const overheads =
    pupil.capture === 'keypad'
      ? [1, 2].map((digits) => measuring.overheadFor(digits))
      : [measuring.overheadFor(1)];
  const calibrated = overheads.every((one) => one.calibrated);
  const calibratePath = pupil.capture === 'keypad' ? `/calibrate/keypad/${pupil.id}` : '/calibrate/judging';
  const [starting, setStarting] = useState(false);
  const standing = useOpenMinutes().find((one) => one.pupilId === pupil.id);

  const start = async () => {
    setStarting(true);
    const row = await makeRow(pupil, set, purpose, measuring.limitMs, policy.minuteMs, me.userId);
    const head = { v: 1 as const, pupilId: pupil.id, visitId: row.visitId, at: row.startedAt };
    await outbox.add(
      [
        { ...head, id: uuid(), kind: 'visitStarted' },
        {
          ...head,
          id: uuid(),
          kind: 'playStarted',
          seat: 0,
          playId: row.playId,
          purpose,
          setId: set.id,
          seed: row.seed,
          lengthMs: policy.minuteMs,
          way: pupil.capture,
          limitMs: measuring.limitMs,
          device: navigator.userAgent.slice(0, 200),
        },
      ],
      row.row,
    );
    await navigate(`/table/${row.playId}`);
  };

  return (
    <div style={{ maxWidth: 860 }}>
      <div className="work-head">
        <div>
          <h1>{pupil.name}</h1>
          <p className="quiet">
            {operationNames[pupil.operation]}, <strong>{set.name}</strong>,{' '}
            {countText(set.practises.length, 'fact')}. {set.hint}
          </p>
        </div>
        <Button variant="contained" size="large" disabled={starting} onClick={() => void start()} autoFocus>
          To the table
        </Button>
      </div>
      {standing && (
        <p className="notch" style={{ marginBottom: 16 }}>
          <span>
            A {standsStill(standing)}. <Link to={`/table/${standing.playId}`}>Go on with it</Link>
          </span>
        </p>
      )}
      <dl className="facts">
        <dt>Minute</dt>
        <dd>
          <ToggleButtonGroup
            exclusive
            value={purpose}
            aria-label="What this minute is for"
            onChange={(_, value: typeof purpose | null) => value && setPurpose(value)}
          >
            <ToggleButton value="check">Weekly minute</ToggleButton>
            <ToggleButton value="practice">Practice minute</ToggleButton>
          </ToggleButtonGroup>
          <p className="quiet">
            {purpose === 'check' ? (
              <>
                It is logged as a check. The aim is{' '}
                <AimNumber
                  wanted={policy.aimPerMinute}
                  aim={aim.perMinute}
                  measuring={measuring}
                  way={pupil.capture}
                />
                {aim.binds && ', nine tenths of this child\u2019s own ceiling'}, at most {policy.wrongAllowed}{' '}
                wrong.
              </>
            ) : (
              'Every fact is kept; the count is not logged as a check.'
            )}{' '}
            {checkDue(pupil, now, me.timeZone)
              ? 'The weekly check is due.'
              : 'The weekly check is not due yet.'}
          </p>
        </dd>
        <dt>Answers by</dt>
        <dd>
          {captureWayNames[pupil.capture]}.{' '}
          {pupil.capture === 'keypad'
            ? 'The child types only the answer and presses done.'
            : 'The child says only the answer; you judge it with one key.'}
          <br />
          {calibrated ? (
            <span className="quiet">
              Overhead{' '}
              {pupil.capture === 'keypad' ? (
                <>
                  <OverheadNumber pupil={pupil} digits={1} measuring={measuring} /> for one digit,{' '}
                  <OverheadNumber pupil={pupil} digits={2} measuring={measuring} /> for two
                </>
              ) : (
                <>
                  <OverheadNumber pupil={pupil} digits={1} measuring={measuring} />, your own judging time
                </>
              )}
              {measuring.ageDays !== null &&
                `, measured ${measuring.ageDays === 0 ? 'today' : `${countText(measuring.ageDays, 'day')} ago`}`}
              .{measuring.stale && ' It is older than a month: measure again.'}
            </span>
          ) : (
            <span className="notch">
              Not calibrated: {msText(overheads[0]?.overheadMs ?? null)} is assumed, and flagged wherever it
              matters.
            </span>
          )}
          <div className="actions" style={{ marginTop: 8 }}>
            <Button variant="outlined" component={Link} to={calibratePath}>
              {calibrated ? 'Measure again' : 'Calibrate first, half a minute'}
            </Button>
            {pupil.capture === 'tutor' && (
              <Button variant="outlined" component={Link} to={`/calibrate/naming/${pupil.id}`}>
                Measure the ceiling
              </Button>
            )}
          </div>
        </dd>
        <dt>Limit</dt>
        <dd>
          {msText(measuring.limitMs)}
          {pupil.recallLimit === 'own' && ', own pace'}. <CeilingNumber pupil={pupil} measuring={measuring} />
          {aim.binds && ' It is what limits the aim: another way of capture may allow more.'}
        </dd>
        <dt>Clock</dt>
        <dd>
          {
            {
              shown: 'Shown to the child.',
              hidden: 'Measured but hidden.',
              none: 'None: no time is taken and nothing is counted.',
            }[pupil.clock]
          }
        </dd>
        {pupil.aids !== '' && (
          <>
            <dt>Aids</dt>
            <dd>{pupil.aids} In a check no aids are in sight.</dd>
          </>
        )}
        {pupil.notes !== '' && (
          <>
            <dt>Notes</dt>
            <dd style={{ whiteSpace: 'pre-wrap' }}>{pupil.notes}</dd>
          </>
        )}
      </dl>
      <p className="quiet" style={{ marginTop: 20, maxWidth: '66ch' }}>
        Timed work can raise anxiety. At signs of distress press <kbd>C</kbd> for calm, or stop.
      </p>
    </div>
  );
}

async function makeRow(
  pupil: Pupil,
  set: FactSet,
  purpose: 'check' | 'practice',
  limitMs: number,
  lengthMs: number,
  userId: string,
) {
  const startedAt = new Date().toISOString();
  const playId = uuid();
  const seed = crypto.getRandomValues(new Int32Array(1))[0] as number;
  const plays = await (await deviceDb()).getAll('plays');
  const visit = plays
    .filter(
      (one) =>
        one.pupilId === pupil.id &&
        one.userId === userId &&
        Date.now() - Date.parse(one.startedAt) < visitLastsMs,
    )
    .at(-1);
  const known = set.practises.filter((fact) => isRecalled(pupil.setStates[fact] ?? 'untried'));
  const random = createRandom(seed);
  const row: PlayRow = {
    playId,
    userId,
    pupilId: pupil.id,
    pupil,
    visitId: visit?.visitId ?? uuid(),
    setId: set.id,
    purpose,
    way: pupil.capture,
    limitMs,
    startedAt,
    savedAt: startedAt,
    state: newMinute(
      makeCheckForm(set.practises, formLength, random),
      lengthMs,
      known.length > 1 ? makeCheckForm(known, 60, random) : [],
    ),
  };
  return { row, seed, startedAt, playId, visitId: row.visitId };
}
