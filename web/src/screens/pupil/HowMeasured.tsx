import Button from '@mui/material/Button';
import { aimPerMinute, captureWayNames, countText, schoolNames } from '@veldrift/core';
import { policyOf, type Pupil } from '@veldrift/wire';
import { Link } from 'react-router';
import { msText } from '../../app/format.ts';
import { AimNumber, CeilingNumber, OverheadNumber } from '../../parts/MeasuredNumbers.tsx';
import { useSession } from '../../app/session.tsx';
import { measuringFor } from '../../live/measuringOf.ts';

/** How this pupil's answers are measured and judged. */
export function HowMeasured({ pupil }: { readonly pupil: Pupil }) {
  const { me } = useSession();
  const measuring = measuringFor(pupil, me);
  const policy = policyOf(pupil);
  const aim = aimPerMinute(measuring.ceiling, policy.aimPerMinute);
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
                <OverheadNumber pupil={pupil} digits={count} measuring={measuring} />
                {!one.calibrated && <span className="quiet">, not calibrated. {one.because}</span>}
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
          <CeilingNumber pupil={pupil} measuring={measuring} /> The aim is{' '}
          <AimNumber
            wanted={policy.aimPerMinute}
            aim={aim.perMinute}
            measuring={measuring}
            way={pupil.capture}
          />
          .{aim.binds && ' The ceiling limits the aim: another way of capture may allow more.'}
        </dd>
        <dt>School</dt>
        <dd>
          {schoolNames[pupil.school]}. <Link to={`/pupils/${pupil.id}/policy`}>Its numbers</Link>
          {Object.keys(pupil.policy).length > 0 && ', some of them this pupil\u2019s own'}
        </dd>
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
