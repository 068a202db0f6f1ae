import type { Answer, CaptureWay } from './answer.ts';
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
import { overheadShortByMs } from './overheadWatch.ts';
import { easyRawMs, provisionalOverhead } from './provisionalOverhead.ts';
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
  /** Raw times of a visit's first answers by keypad on facts that need no thought, where there were enough, ms. */
  readonly easyKeypadMs?: readonly number[] | null;
  /** The fastest tenth of the latest answers in this way of capture, ms beyond the measured overhead; null: too few. */
  readonly quickestTenthMs?: number | null;
  /** The audio path of this tutor's device. */
  readonly voice?: { readonly at: string; readonly timesMs: readonly number[] } | null;
}

type OverheadSources = Pick<Measured, 'capture' | 'keypad' | 'judging' | 'voice' | 'easyKeypadMs'>;

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

/**
 * The overhead of an answer of so many digits while a placement goes on: where the keypad is not calibrated, its first answers, which
 * needed no thought, give a provisional one. `answers`: of the placement so far, in the order given.
 */
export function overheadInVisit(
  { overheadFor }: Pick<Measuring, 'overheadFor'>,
  way: CaptureWay,
  answers: readonly Answer[],
): (digits: number) => Overhead {
  if (way !== 'keypad') return overheadFor;
  const provisional = provisionalOverhead(easyRawMs(answers));
  if (!provisional) return overheadFor;
  return (digits) => {
    const measured = overheadFor(digits);
    return measured.calibrated ? measured : provisional;
  };
}

/** The overhead as it was measured, but for what the latest answers show of it since. */
function overheadsOf(measured: Measured): (digits: number) => Overhead {
  const found = measuredOverheads(measured);
  const { quickestTenthMs = null, easyTimesMs } = measured;
  return (digits) => {
    const one = found(digits);
    if (!one.calibrated) return one;
    const shortByMs = overheadShortByMs(quickestTenthMs, easyTimesMs, one.spreadMs);
    if (shortByMs === 0) return one;
    return {
      ...one,
      overheadMs: Math.max(0, one.overheadMs - shortByMs),
      calibrated: false,
      because: `Answers come ${Math.round(shortByMs)} ms sooner than was measured: measure again.`,
    };
  };
}

/** Overheads as they were measured, by the number of digits of an answer. */
export function measuredOverheads(measured: OverheadSources): (digits: number) => Overhead {
  if (measured.capture === 'keypad') {
    const overheads = measured.keypad ? keypadOverheads(measured.keypad.samples) : undefined;
    const provisional = provisionalOverhead(measured.easyKeypadMs ?? []);
    return (digits) => {
      const one = keypadOverheadFor(overheads, digits);
      return one.calibrated ? one : (provisional ?? one);
    };
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
