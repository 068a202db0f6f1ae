import type { CaptureWay, Measuring } from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';
import { useMemo, useState } from 'react';
import { useSession } from '../../app/session.tsx';
import { measuringFor } from '../../live/measuringOf.ts';
import { useVoiceKey, type VoiceKey } from '../../live/voice/useVoiceKey.ts';

/** How answers come to the table now. */
export interface TableCapture {
  readonly way: CaptureWay;
  readonly measuring: Measuring;
  readonly voice: VoiceKey;
}

/** The way of capture in force: where the microphone fails, the tutor's mark, measured as such, until it is back. */
export function useTableCapture(planned: CaptureWay, pupil: Pupil): TableCapture {
  const { me } = useSession();
  const voice = useVoiceKey(planned === 'voice');
  const way = planned === 'voice' && voice.status === 'trouble' ? 'tutor' : planned;
  const [began] = useState({ pupil, me });
  const measuring = useMemo(() => measuringFor(began.pupil, began.me, way), [began, way]);
  return { way, measuring, voice };
}
