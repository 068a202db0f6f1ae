import { voiceTroubles, type VoiceLevel } from '../../live/voice/openVoice.ts';
import type { VoiceKey } from '../../live/voice/useVoiceKey.ts';

/** How loud it is against the room, and what is wrong if nothing is heard. */
export function VoiceBar({ voice }: { readonly voice: VoiceKey }) {
  if (voice.status === 'off') return null;
  return (
    <div className="voice-bar" role="group" aria-label="Microphone">
      <LevelMeter level={voice.level} />
      <span role="status">
        {voice.trouble
          ? voiceTroubles[voice.trouble]
          : voice.status === 'opening'
            ? 'Opening the microphone'
            : voice.level?.floorDb == null
              ? 'Learning the room: a moment of quiet'
              : voice.level.voice
                ? 'Hears a voice'
                : 'Listening'}
      </span>
    </div>
  );
}

const quietestDb = -80;
const share = (db: number) => Math.max(0, Math.min(1, (db - quietestDb) / -quietestDb));

/** Loudness as a bar, with the room's own as a line. */
export function LevelMeter({ level }: { readonly level: VoiceLevel | null }) {
  return (
    <span className="meter" aria-hidden data-voice={level?.voice ?? false}>
      <span style={{ width: `${100 * share(level?.levelDb ?? quietestDb)}%` }} />
      {level?.floorDb != null && <i style={{ left: `${100 * share(level.floorDb)}%` }} />}
    </span>
  );
}
