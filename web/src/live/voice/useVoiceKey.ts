import { useCallback, useEffect, useRef, useState } from 'react';
import { useSettings } from '../../app/settings.ts';
import { openVoice, troubleOf, type OpenVoice, type VoiceLevel, type VoiceTrouble } from './openVoice.ts';

/** The voice key on a page. */
export interface VoiceKey {
  /** Listening; `opening` until the microphone is there. */
  readonly status: 'off' | 'opening' | 'listening' | 'trouble';
  readonly trouble: VoiceTrouble | null;
  readonly level: VoiceLevel | null;
  /** The first onset heard after a moment of the page; undefined when none was. */
  readonly onsetAfter: (at: number) => number | undefined;
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
  const [level, setLevel] = useState<VoiceLevel | null>(null);
  const [round, setRound] = useState(0);
  const onsets = useRef<number[]>([]);
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
      onOnset: (at) => {
        onsets.current = [...onsets.current.slice(-keptOnsets), at];
      },
      onLevel: (now) => !gone && setLevel(now),
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
    level,
    onsetAfter: useCallback((at: number) => onsets.current.find((one) => one >= at), []),
    click: useCallback(() => voice.current?.click(), []),
    again: useCallback(() => setRound((one) => one + 1), []),
  };
}
