import { countText, numberText, type CaptureWay, type Measuring } from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';
import { fineMsText } from '../app/format.ts';
import { useSession } from '../app/session.tsx';
import { aimWords } from './aimWords.ts';
import { Explained } from './AnswersBehind.tsx';

/** An overhead that opens the times it is the median of. */
export function OverheadNumber({
  pupil,
  digits,
  measuring,
}: {
  readonly pupil: Pupil;
  /** Of an answer of so many digits; the tutor's own judging time is the same for all. */
  readonly digits: number;
  readonly measuring: Measuring;
}) {
  const { me } = useSession();
  const keypad = pupil.capture === 'keypad';
  const timesMs = keypad
    ? (pupil.keypadCalibration?.samples ?? [])
        .filter((one) => one.digits === digits)
        .map((one) => one.firstKeyMs)
    : (me.judging?.timesMs ?? []);
  const overhead = measuring.overheadFor(digits);
  return (
    <Explained
      title={keypad ? `Overhead, ${countText(digits, 'digit')}` : 'Overhead'}
      how={
        <>
          <p>
            {overhead.calibrated
              ? `The median of ${countText(timesMs.length, 'time')} from a number painted to ${keypad ? 'the first key when the child only copies it' : 'your key when you only judge it'}; ± is half the interquartile range. It is taken off every answer.`
              : `Assumed, not measured: ${overhead.because} Answers measured with it are flagged.`}
          </p>
          <Times timesMs={timesMs} />
        </>
      }
    >
      {fineMsText(overhead.overheadMs)} ± {fineMsText(overhead.spreadMs)}
    </Explained>
  );
}

/** The aim of a minute, which opens how it comes about. */
export function AimNumber({
  wanted,
  aim,
  measuring,
  way,
}: {
  readonly wanted: number;
  readonly aim: number;
  readonly measuring: Measuring;
  readonly way: CaptureWay;
}) {
  return (
    <Explained title="The aim of a minute" how={aimWords(wanted, measuring.ceiling, aim, way)}>
      {numberText(aim)} right a minute
    </Explained>
  );
}

/** Where a ceiling comes from: the times it is worked out from. */
export function CeilingBehind({
  pupil,
  way,
  ceiling,
}: {
  readonly pupil: Pupil;
  readonly way: CaptureWay;
  readonly ceiling: number;
}) {
  const timesMs =
    way === 'keypad'
      ? (pupil.keypadCalibration?.samples ?? [])
          .filter((one) => one.digits <= 2)
          .map((one) => one.promptToPromptMs)
      : (pupil.naming?.promptToPromptMs ?? []);
  return (
    <>
      <p>
        60 s over the child&rsquo;s own median time from prompt to prompt when numbers of one and two digits
        are only read and given: {numberText(ceiling)} a minute. The times:
      </p>
      <Times timesMs={timesMs} />
    </>
  );
}

/** The ceiling, which opens the times behind it; says so where there is none. */
export function CeilingNumber({
  pupil,
  measuring,
}: {
  readonly pupil: Pupil;
  readonly measuring: Measuring;
}) {
  if (measuring.ceiling === null) return 'The ceiling has not been measured.';
  return (
    <>
      <Explained
        title="The ceiling"
        how={<CeilingBehind pupil={pupil} way={pupil.capture} ceiling={measuring.ceiling} />}
      >
        Ceiling {numberText(measuring.ceiling)} a minute
      </Explained>
      .
    </>
  );
}

function Times({ timesMs }: { readonly timesMs: readonly number[] }) {
  if (timesMs.length === 0) return null;
  const text = [...timesMs].sort((a, b) => a - b).map((time) => fineMsText(time));
  return (
    <p className="numeral" style={{ marginTop: 8 }}>
      {text.join(', ')}
    </p>
  );
}
