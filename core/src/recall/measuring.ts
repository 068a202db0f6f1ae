import type { CaptureWay } from './answer.ts';
import {
  calibrationAgeDays,
  calibrationLastsDays,
  keypadOverheadFor,
  keypadOverheads,
  tutorOverhead,
  uncalibrated,
  voiceOverhead,
  type CopySample,
  type Overhead,
} from './calibration.ts';
import { ceilingInForce, namingCeilingOf, type Ceiling } from './ceiling.ts';
import { recallLimitMs, type RecallLimit } from './recallLimit.ts';

/** What has been measured of a pupil and of the tutor at the table. Instants ISO 8601, times ms. */
export interface Measured {
  readonly capture: CaptureWay;
  readonly recallLimit: RecallLimit;
  /** Corrected times on facts that need no thought. */
  readonly easyTimesMs: readonly number[];
  readonly keypad: { readonly at: string; readonly samples: readonly CopySample[] } | null;
  /** Naming by voice, judged by the tutor; it is the ceiling of the voice key too. */
  readonly naming: { readonly at: string; readonly promptToPromptMs: readonly number[] } | null;
  readonly judging: { readonly at: string; readonly timesMs: readonly number[] } | null;
  /** The ceiling of the pupil's own answers in this way of capture, where there are enough. */
  readonly ownCeiling?: Ceiling | null;
  /** The audio path of this tutor's device. */
  readonly voice?: { readonly at: string; readonly timesMs: readonly number[] } | null;
}

/** How answers are measured from now on. */
export interface Measuring {
  readonly limitMs: number;
  /** The overhead of an answer of so many digits. */
  readonly overheadFor: (digits: number) => Overhead;
  /** The most that can be given in a minute in this way of capture; null when not measured. */
  readonly ceiling: Ceiling | null;
  readonly ageDays: number | null;
  /** Measured longer ago than a calibration lasts. */
  readonly stale: boolean;
}

/** Works out limit, overheads, ceiling and age in force for a pupil's way of capture. `now` is ISO 8601. */
export function measuringOf(measured: Measured, now: string): Measuring {
  const limitMs = recallLimitMs(measured.recallLimit, measured.easyTimesMs);
  const source = { keypad: measured.keypad, tutor: measured.judging, voice: measured.voice ?? null }[
    measured.capture
  ];
  const ageDays = source ? calibrationAgeDays(source.at, now) : null;
  return {
    limitMs,
    overheadFor: overheadsOf(measured),
    ceiling: ceilingInForce(measured.ownCeiling ?? null, namingOf(measured)),
    ageDays,
    stale: ageDays !== null && ageDays > calibrationLastsDays,
  };
}

function overheadsOf(measured: Measured): (digits: number) => Overhead {
  if (measured.capture === 'keypad') {
    const overheads = measured.keypad ? keypadOverheads(measured.keypad.samples) : undefined;
    return (digits) => keypadOverheadFor(overheads, digits);
  }
  const overhead =
    measured.capture === 'voice'
      ? measured.voice
        ? voiceOverhead(measured.voice.timesMs)
        : uncalibrated('voice')
      : measured.judging
        ? tutorOverhead(measured.judging.timesMs)
        : uncalibrated('tutor');
  return () => overhead;
}

/** Copying on the keypad is naming by keypad; copies of one and two digits are like most answers. */
function namingOf(measured: Pick<Measured, 'capture' | 'keypad' | 'naming'>): Ceiling | null {
  if (measured.capture !== 'keypad') return namingCeilingOf(measured.naming?.promptToPromptMs ?? []);
  return namingCeilingOf(
    (measured.keypad?.samples ?? []).filter((one) => one.digits <= 2).map((one) => one.promptToPromptMs),
  );
}
