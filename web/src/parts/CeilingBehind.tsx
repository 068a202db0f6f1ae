import { numberText, type CaptureWay } from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';
import { fineMsText } from '../app/format.ts';

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
  const intervals =
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
      <p className="numeral" style={{ marginTop: 8 }}>
        {[...intervals]
          .sort((a, b) => a - b)
          .map((time) => fineMsText(time))
          .join(', ')}
      </p>
    </>
  );
}
