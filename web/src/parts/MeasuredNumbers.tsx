import {
  captureWayNames,
  countText,
  numberText,
  type CaptureWay,
  type Ceiling,
  type Measuring,
} from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';
import { api } from '../app/api.ts';
import { fineMsText } from '../app/format.ts';
import { useSession } from '../app/session.tsx';
import { aimWords } from './aimWords.ts';
import { Explained, type AnswerSource } from './AnswersBehind.tsx';

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
              : `Not calibrated: ${overhead.because} Answers measured with it are flagged.`}
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
  readonly ceiling: Ceiling;
}) {
  if (ceiling.from === 'ownAnswers')
    return (
      <p>
        60 s over the middle of this child&rsquo;s last {ceiling.answers} times from prompt to prompt by{' '}
        {captureWayNames[way]}, on facts now recalled or kept, right and without an aid, within 90 days:{' '}
        {numberText(ceiling.perMinute)} a minute
        {ceiling.held && ', held at what naming numbers allows, over 1.4, since the times are longer still'}.
        It stands in place of naming numbers, which for many children is quicker than recalling.
      </p>
    );
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
        are only read and given: {numberText(ceiling.perMinute)} a minute. It serves until there are 12
        answers on recalled facts. The times:
      </p>
      <Times timesMs={timesMs} />
    </>
  );
}

/** The answers a ceiling rests on, to be fetched when it is opened; none behind one of naming. */
export function ceilingAnswers(pupilId: string, ceiling: Ceiling): { readonly answers?: AnswerSource } {
  if (ceiling.from === 'naming') return {};
  return {
    answers: {
      key: ['ceilingAnswers', pupilId, ceiling.perMinute, ceiling.answers],
      fetch: () => api.answersOfCeiling(pupilId),
    },
  };
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
        {...ceilingAnswers(pupil.id, measuring.ceiling)}
      >
        Ceiling {numberText(measuring.ceiling.perMinute)} a minute
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
