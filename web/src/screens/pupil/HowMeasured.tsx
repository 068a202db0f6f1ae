import Button from '@mui/material/Button';
import {
  aimPerMinute,
  captureWayNames,
  countText,
  numberText,
  policyInForce,
  schoolNames,
  type Overhead,
} from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';
import { Link } from 'react-router';
import { fineMsText, msText } from '../../app/format.ts';
import { aimWords } from '../../parts/aimWords.ts';
import { CeilingBehind } from '../../parts/CeilingBehind.tsx';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { useSession } from '../../app/session.tsx';
import { measuringFor } from '../../live/measuringOf.ts';

/** How this pupil's answers are measured and judged. */
export function HowMeasured({ pupil }: { readonly pupil: Pupil }) {
  const { me } = useSession();
  const measuring = measuringFor(pupil, me);
  const policy = policyInForce(pupil.policy);
  const aim = aimPerMinute(measuring.ceiling, policy.aimPerMinute);
  const timesOf = (count: number): readonly number[] =>
    pupil.capture === 'keypad'
      ? (pupil.keypadCalibration?.samples ?? [])
          .filter((one) => one.digits === count)
          .map((one) => one.firstKeyMs)
      : (me.judging?.timesMs ?? []);
  const digits = pupil.capture === 'keypad' ? ([1, 2, 3] as const) : ([1] as const);
  return (
    <section aria-labelledby="measure-title">
      <h2 id="measure-title">How we measure</h2>
      <dl className="facts" style={{ border: 0 }}>
        <dt>Answers by</dt>
        <dd>{captureWayNames[pupil.capture]}</dd>
        <dt>Overhead</dt>
        <dd>
          {digits.map((count) => {
            const one = measuring.overheadFor(count);
            return (
              <p key={count} style={{ margin: 0 }}>
                {digits.length > 1 && `${countText(count, 'digit')}: `}
                <Explained
                  title={`Overhead${digits.length > 1 ? `, ${countText(count, 'digit')}` : ''}`}
                  how={
                    <OverheadBehind
                      overhead={one}
                      timesMs={timesOf(count)}
                      keypad={pupil.capture === 'keypad'}
                    />
                  }
                >
                  {fineMsText(one.overheadMs)} ± {fineMsText(one.spreadMs)}
                </Explained>
                {!one.calibrated && <span className="quiet">, assumed. {one.because}</span>}
              </p>
            );
          })}
          {measuring.ageDays !== null && (
            <p className="quiet">
              Measured {measuring.ageDays === 0 ? 'today' : `${countText(measuring.ageDays, 'day')} ago`}.
              {measuring.stale && ' Older than a month: measure again.'}
            </p>
          )}
        </dd>
        <dt>Recall limit</dt>
        <dd>
          {msText(measuring.limitMs)}
          {pupil.recallLimit === 'own' &&
            ', own pace: twice the median on facts that need no thought, within 1.5 and 4 s'}
        </dd>
        <dt>Ceiling, aim</dt>
        <dd>
          {measuring.ceiling === null ? (
            'Ceiling not measured'
          ) : (
            <Explained
              title="The ceiling"
              how={<CeilingBehind pupil={pupil} way={pupil.capture} ceiling={measuring.ceiling} />}
            >
              Ceiling {numberText(measuring.ceiling)} a minute
            </Explained>
          )}
          ;{' '}
          <Explained
            title="The aim of a minute"
            how={aimWords(policy.aimPerMinute, measuring.ceiling, aim.perMinute, pupil.capture)}
          >
            aim {numberText(aim.perMinute)} a minute
          </Explained>
          .{aim.binds && ' The ceiling limits the aim: another way of capture may allow more.'}
        </dd>
        <dt>School</dt>
        <dd>{schoolNames[pupil.school]}</dd>
      </dl>
      <div className="actions" style={{ marginTop: 12 }}>
        {pupil.capture === 'keypad' ? (
          <Button variant="outlined" component={Link} to={`/calibrate/keypad/${pupil.id}`}>
            Calibrate the keypad
          </Button>
        ) : (
          <>
            <Button variant="outlined" component={Link} to={`/calibrate/naming/${pupil.id}`}>
              Measure the ceiling
            </Button>
            <Button variant="outlined" component={Link} to="/calibrate/judging">
              Measure my judging time
            </Button>
          </>
        )}
      </div>
    </section>
  );
}

/** Where an overhead comes from: the times it is the median of. */
function OverheadBehind({
  overhead,
  timesMs,
  keypad,
}: {
  readonly overhead: Overhead;
  readonly timesMs: readonly number[];
  readonly keypad: boolean;
}) {
  return (
    <>
      <p>
        {overhead.calibrated
          ? `The median of ${countText(timesMs.length, 'time')} from a number painted to ${keypad ? 'the first key when the child only copies it' : 'your key when you only judge it'}; ± is half the interquartile range. It is taken off every answer.`
          : `Assumed, not measured: ${overhead.because} Answers measured with it are flagged.`}
      </p>
      {timesMs.length > 0 && (
        <p className="numeral" style={{ marginTop: 8 }}>
          {[...timesMs]
            .sort((a, b) => a - b)
            .map((time) => fineMsText(time))
            .join(', ')}
        </p>
      )}
    </>
  );
}
