import { useCallback, useEffect, useRef, useState } from 'react';
import { useSettings } from '../../app/settings.ts';
import type { FrameTime } from './frameClock.ts';
import { openVoice, troubleOf, type OpenVoice, type VoiceLevel, type VoiceTrouble } from './openVoice.ts';

/** The voice key on a page. */
export interface VoiceKey {
  /** Listening; `opening` until the microphone is there. */
  readonly status: 'off' | 'opening' | 'listening' | 'trouble';
  readonly trouble: VoiceTrouble | null;
  /** How loud the room is when it is quiet, whole dB of full scale; null while that is learnt. */
  readonly floorDb: number | null;
  readonly voice: boolean;
  /** Told of every level, ten times a second, without a render of the page; gives how to stop. */
  readonly watchLevel: (tell: (level: VoiceLevel) => void) => () => void;
  /** The first onset heard after a moment of the page; undefined when none was, or its moment is not to be trusted. */
  readonly onsetAfter: (at: number) => number | undefined;
  /** How many onsets were heard so far. */
  readonly heardSoFar: () => number;
  /** Sounds a click; gives when it left the speaker. Undefined while nothing listens. */
  readonly click: () => number | undefined;
  /** Tries again. */
  readonly again: () => void;
}

const keptOnsets = 50;
const retryMs = 3000;

/** Listens while `on`. Troubles are told, never thrown; a microphone that comes back is taken up again by itself. */
export function useVoiceKey(on: boolean): VoiceKey {
  const { microphone } = useSettings();
  const [status, setStatus] = useState<VoiceKey['status']>(on ? 'opening' : 'off');
  const [trouble, setTrouble] = useState<VoiceTrouble | null>(null);
  const [floorDb, setFloorDb] = useState<number | null>(null);
  const [hearsVoice, setHearsVoice] = useState(false);
  const watchers = useRef(new Set<(level: VoiceLevel) => void>());
  const [round, setRound] = useState(0);
  const onsets = useRef<FrameTime[]>([]);
  const heard = useRef(0);
  const voice = useRef<OpenVoice>(undefined);

  useEffect(() => {
    if (!on) return;
    let gone = false;
    let retry: ReturnType<typeof setTimeout>;
    const failed = (what: VoiceTrouble) => {
      if (gone) return;
      setTrouble(what);
      setStatus('trouble');
      if (what === 'unplugged' || what === 'none')
        retry = setTimeout(() => setRound((one) => one + 1), retryMs);
    };
    openVoice(microphone, {
      onOnset: (onset) => {
        heard.current += 1;
        onsets.current = [...onsets.current.slice(-keptOnsets), onset];
      },
      onLevel: (level) => {
        if (gone) return;
        setFloorDb(level.floorDb === null ? null : Math.round(level.floorDb));
        setHearsVoice(level.voice);
        for (const tell of watchers.current) tell(level);
      },
      onTrouble: (what) => {
        if (gone) return;
        setTrouble(what);
        setStatus(what === null ? 'listening' : 'trouble');
        if (what === 'unplugged') failed(what);
      },
    }).then(
      (opened) => {
        if (gone) return opened.close();
        voice.current = opened;
        setTrouble(null);
        setStatus('listening');
      },
      (error: unknown) => failed(troubleOf(error)),
    );
    return () => {
      gone = true;
      clearTimeout(retry);
      voice.current?.close();
      voice.current = undefined;
    };
  }, [microphone, on, round]);

  return {
    status,
    trouble,
    floorDb,
    voice: hearsVoice,
    watchLevel: useCallback((tell: (level: VoiceLevel) => void) => {
      watchers.current.add(tell);
      return () => void watchers.current.delete(tell);
    }, []),
    onsetAfter: useCallback((after: number) => {
      const first = onsets.current.find(({ at }) => at >= after);
      return first?.steady ? first.at : undefined;
    }, []),
    heardSoFar: useCallback(() => heard.current, []),
    click: useCallback(() => voice.current?.click(), []),
    again: useCallback(() => setRound((one) => one + 1), []),
  };
}
