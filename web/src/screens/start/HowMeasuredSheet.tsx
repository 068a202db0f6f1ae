import Button from '@mui/material/Button';
import { captureWayNames, countText, type Measuring } from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { msText } from '../../app/format.ts';
import { CeilingNumber, OverheadNumber } from '../../parts/MeasuredNumbers.tsx';

interface Props {
  readonly pupil: Pupil;
  readonly measuring: Measuring;
  /** The key that starts it. */
  readonly start: ReactNode;
  /** What it asks. */
  readonly children: ReactNode;
  /** No clock runs towards the child, and nothing is counted. */
  readonly calm?: boolean;
}

/** A sheet before a play: what it asks, and how the answers are measured. */
export function HowMeasuredSheet({ pupil, measuring, start, children, calm = false }: Props) {
  const overheads =
    pupil.capture === 'keypad'
      ? [1, 2].map((digits) => measuring.overheadFor(digits))
      : [measuring.overheadFor(1)];
  const calibrated = overheads.every((one) => one.calibrated);
  return (
    <>
      <div className="sheet-start">{start}</div>
      {children}
      <dl className="facts">
        <dt>Answers by</dt>
        <dd>
          {captureWayNames[pupil.capture]}. {waySays[pupil.capture]}
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
                  <OverheadNumber pupil={pupil} digits={1} measuring={measuring} />
                  {pupil.capture === 'tutor' ? ', your own judging time' : ', the way of the sound'}
                </>
              )}
              {measuring.ageDays !== null &&
                `, measured ${measuring.ageDays === 0 ? 'today' : `${countText(measuring.ageDays, 'day')} ago`}`}
              .{measuring.stale && ' It is older than a month: measure again.'}
            </span>
          ) : (
            <span className="notch">
              Not calibrated: {msText(overheads[0]?.overheadMs ?? null)} is taken off, and flagged wherever it
              matters. {overheads.find((one) => !one.calibrated)?.because}
            </span>
          )}
          <div className="actions" style={{ marginTop: 8 }}>
            <Button variant="outlined" component={Link} to={calibratePath(pupil)}>
              {calibrated ? 'Measure again' : 'Calibrate first, half a minute'}
            </Button>
            {pupil.capture !== 'keypad' && (
              <Button variant="outlined" component={Link} to={`/calibrate/naming/${pupil.id}`}>
                Measure the ceiling
              </Button>
            )}
          </div>
        </dd>
        <dt>Limit</dt>
        <dd>
          {msText(measuring.limitMs)}
          {pupil.recallLimit === 'own' && ', own pace'}.{' '}
          {!calm && <CeilingNumber pupil={pupil} measuring={measuring} />}
        </dd>
        <dt>Clock</dt>
        <dd>
          {calm
            ? 'Hidden: the child sees neither clock nor score.'
            : {
                shown: 'Shown to the child.',
                hidden: 'Measured but hidden.',
                none: 'None: no time is taken and nothing is counted.',
              }[pupil.clock]}
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
    </>
  );
}

const waySays = {
  keypad: 'The child types only the answer and presses done.',
  tutor: 'The child says only the answer; you judge it with one key.',
  voice:
    'The child says only the answer; the microphone hears when, you judge it with one key. No sound is kept.',
} as const;

function calibratePath(pupil: Pupil): string {
  switch (pupil.capture) {
    case 'keypad':
      return `/calibrate/keypad/${pupil.id}`;
    case 'tutor':
      return '/calibrate/judging';
    case 'voice':
      return '/calibrate/voice';
  }
}
