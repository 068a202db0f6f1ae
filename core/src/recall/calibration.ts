import { median, quantile } from './quantile.ts';
import type { CaptureWay } from './answer.ts';

/** Spread assumed where none was measured, ms (half an interquartile range). */
export const defaultSpreadMs = 150;
/** Overheads assumed where none was measured, ms. */
export const defaultOverheadMs: Readonly<Record<CaptureWay, number>> = {
  keypad: 650,
  tutor: 600,
  voice: 60,
};
/** A calibration older than this is due again. */
export const calibrationLastsDays = 30;
/** A spread beyond this share of the median is too uneven to use. */
export const largestSpreadShare = 0.4;

/** One copied number: how many digits, prompt painted to first key, and to the next prompt painted. */
export interface CopySample {
  readonly digits: number;
  readonly firstKeyMs: number;
  readonly promptToPromptMs: number;
}

/** One measured overhead. */
export interface Overhead {
  readonly overheadMs: number;
  /** Half the interquartile range, ms. */
  readonly spreadMs: number;
  readonly calibrated: boolean;
  readonly samples: number;
  /** Why it is not calibrated; empty when it is. */
  readonly because: string;
}

/** Copies asked by number of digits: 6 of one digit, 6 of two, 4 of three. */
export const copiesAsked: Readonly<Record<1 | 2 | 3, number>> = { 1: 6, 2: 6, 3: 4 };
/** Shown answers the tutor judges. */
export const judgingsAsked = 12;
/** Clicks sent from the speaker to the microphone. */
export const clicksAsked = 10;
/** Numbers the pupil names for the ceiling, in the tutor's way of capture. */
export const namingsAsked = 12;

function measured(timesMs: readonly number[], asked: number, fallbackMs: number, what: string): Overhead {
  const enough = Math.ceil((asked * 2) / 3);
  const fallback = (because: string): Overhead => ({
    overheadMs: fallbackMs,
    spreadMs: defaultSpreadMs,
    calibrated: false,
    samples: timesMs.length,
    because,
  });
  if (timesMs.length < enough)
    return fallback(`${timesMs.length} of ${asked} ${what} could be used; ${enough} are needed.`);
  const overheadMs = median(timesMs);
  const spreadMs = (quantile(timesMs, 0.75) - quantile(timesMs, 0.25)) / 2;
  if (spreadMs > largestSpreadShare * overheadMs) {
    return fallback(
      `The times vary by ${Math.round(spreadMs)} ms around ${Math.round(overheadMs)} ms, too much to rely on.`,
    );
  }
  return { overheadMs, spreadMs, calibrated: true, samples: timesMs.length, because: '' };
}

/** The keypad overhead for each number of digits, from the copies that were right. */
export function keypadOverheads(samples: readonly CopySample[]): Readonly<Record<1 | 2 | 3, Overhead>> {
  const of = (digits: 1 | 2 | 3) =>
    measured(
      samples.filter((one) => one.digits === digits).map((one) => one.firstKeyMs),
      copiesAsked[digits],
      defaultOverheadMs.keypad,
      `${digits}-digit copies`,
    );
  return { 1: of(1), 2: of(2), 3: of(3) };
}

/** The tutor's own judging time, from answers shown to be judged right or wrong. */
export function tutorOverhead(timesMs: readonly number[]): Overhead {
  return measured(timesMs, judgingsAsked, defaultOverheadMs.tutor, 'judgements');
}

/** The delay of the audio path, from clicks heard again. */
export function voiceOverhead(delaysMs: readonly number[]): Overhead {
  return measured(delaysMs, clicksAsked, defaultOverheadMs.voice, 'clicks');
}

/** What to use where nothing was measured. */
export function uncalibrated(way: CaptureWay): Overhead {
  return {
    overheadMs: defaultOverheadMs[way],
    spreadMs: defaultSpreadMs,
    calibrated: false,
    samples: 0,
    because: 'Not measured yet.',
  };
}

/** The overhead to subtract from an answer of so many digits; longer answers use the longest measured. */
export function keypadOverheadFor(
  overheads: Readonly<Record<1 | 2 | 3, Overhead>> | undefined,
  digits: number,
): Overhead {
  if (!overheads) return uncalibrated('keypad');
  return overheads[Math.min(3, Math.max(1, digits)) as 1 | 2 | 3];
}

/** Whole days since a calibration; it is due again after `calibrationLastsDays`. Both instants ISO 8601. */
export function calibrationAgeDays(measuredAt: string, now: string): number {
  return Math.max(0, Math.floor((Date.parse(now) - Date.parse(measuredAt)) / 86_400_000));
}
