import { measuringOf, type Measuring } from '@veldrift/core';
import type { Me, Pupil } from '@veldrift/wire';

/** How this pupil's answers are measured now, with this tutor at the table. */
export function measuringFor(pupil: Pupil, me: Me, capture = pupil.capture): Measuring {
  return measuringOf(
    {
      capture,
      recallLimit: pupil.recallLimit,
      easyTimesMs: pupil.easyTimesMs,
      easyKeypadMs: pupil.easyKeypadMs,
      quickestTenthMs: capture === pupil.capture ? pupil.quickestTenthMs : null,
      keypad: pupil.keypadCalibration,
      naming: pupil.naming,
      ownCeiling: capture === pupil.capture ? pupil.ownCeiling : null,
      judging: me.judging,
      voice: me.voice,
    },
    new Date().toISOString(),
  );
}
