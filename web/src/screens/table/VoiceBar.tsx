import { useEffect, useRef } from 'react';
import { voiceTroubles } from '../../live/voice/openVoice.ts';
import type { VoiceKey } from '../../live/voice/useVoiceKey.ts';

/** How loud it is against the room, and what is wrong if nothing is heard. */
export function VoiceBar({ voice }: { readonly voice: VoiceKey }) {
  if (voice.status === 'off') return null;
  return (
    <div className="voice-bar" role="group" aria-label="Microphone">
      <LevelMeter watch={voice.watchLevel} />
      <span role="status">
        {voice.trouble
          ? voiceTroubles[voice.trouble]
          : voice.status === 'opening'
            ? 'Opening the microphone'
            : voice.floorDb === null
              ? 'Learning the room: a moment of quiet'
              : voice.voice
                ? 'Hears a voice'
                : 'Listening'}
      </span>
    </div>
  );
}

const quietestDb = -80;
const share = (db: number) => Math.max(0, Math.min(1, (db - quietestDb) / -quietestDb));

/** Loudness as a bar, with the room's own as a line; moved without a render, since the sound is heard beside it. */
export function LevelMeter({ watch }: { readonly watch: VoiceKey['watchLevel'] }) {
  const bar = useRef<HTMLSpanElement>(null);
  const room = useRef<HTMLElement>(null);
  useEffect(
    () =>
      watch(({ levelDb, floorDb, voice }) => {
        if (!bar.current || !room.current) return;
        bar.current.style.transform = `scaleX(${share(levelDb)})`;
        bar.current.dataset.voice = String(voice);
        room.current.style.left = `${100 * share(floorDb ?? quietestDb)}%`;
        room.current.hidden = floorDb === null;
      }),
    [watch],
  );
  return (
    <span className="meter" aria-hidden>
      <span ref={bar} />
      <i ref={room} hidden />
    </span>
  );
}
