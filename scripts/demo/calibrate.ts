import { measuringOf, type CopySample, type RandomSource } from '@veldrift/core';
import type { TableEvent } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import type { DemoPupil } from './pupils.ts';

/** A calibration of a made-up pupil at an instant (ms), added to the events; gives what was measured. */
export function calibrate(
  pupil: DemoPupil,
  pupilId: string,
  at: number,
  events: TableEvent[],
  random: RandomSource,
) {
  const vary = (ms: number, share: number) => Math.round(ms * (1 + share * (random.unit() - 0.5)));
  const samples: CopySample[] = [
    ...Array<number>(6).fill(1),
    ...Array<number>(6).fill(2),
    ...Array<number>(4).fill(3),
  ].map((digits) => ({
    digits,
    firstKeyMs: vary(pupil.namingMs * (0.42 + 0.04 * digits), 0.3),
    promptToPromptMs: vary(pupil.namingMs * (0.85 + 0.12 * digits), 0.25),
  }));
  const promptToPromptMs = Array.from({ length: 12 }, () => vary(pupil.namingMs, 0.3));
  const head = { v: 1, pupilId, at: new Date(at).toISOString() } as const;
  if (pupil.capture === 'keypad')
    events.push({ ...head, id: uuid({ msecs: at }), kind: 'keypadCalibrated', samples });
  else events.push({ ...head, id: uuid({ msecs: at }), kind: 'namingMeasured', promptToPromptMs });
  return {
    keypad: pupil.capture === 'keypad' ? { at: new Date(at).toISOString(), samples } : null,
    naming: pupil.capture === 'tutor' ? { at: new Date(at).toISOString(), promptToPromptMs } : null,
    ceiling: measuringOf(
      {
        capture: pupil.capture,
        recallLimit: '2000',
        easyTimesMs: [],
        keypad: { at: new Date(at).toISOString(), samples },
        naming: { at: new Date(at).toISOString(), promptToPromptMs },
        judging: null,
      },
      new Date(at).toISOString(),
    ).ceiling,
  };
}
