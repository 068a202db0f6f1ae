import type { CaptureWay } from '@veldrift/core';

/** How a table runs what is on it. */
export interface TableOptions {
  /** No time is taken at all. */
  readonly untimed: boolean;
  /** How answers are captured now: another way than planned where the microphone fails. */
  readonly way: CaptureWay;
  /** The voice heard first after a moment. */
  readonly onsetAfter?: (at: number) => number | undefined;
  /** The prompt is shown on another screen, which takes the time. */
  readonly elsewhere?: boolean;
}
