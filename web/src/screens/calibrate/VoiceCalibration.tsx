import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { clicksAsked, voiceOverhead } from '@veldrift/core';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { v7 as uuid } from 'uuid';
import { fineMsText } from '../../app/format.ts';
import { meQuery } from '../../app/queries.ts';
import { useSession } from '../../app/session.tsx';
import { useSettings } from '../../app/settings.ts';
import { useVoiceKey } from '../../live/voice/useVoiceKey.ts';
import { voiceTroubles } from '../../live/voice/openVoice.ts';
import { LevelMeter } from '../table/VoiceBar.tsx';
import '../table/live.css';

/** Between two clicks, and how long after one it may be heard, ms. */
const betweenMs = 900;
const heardWithinMs = 600;

/** The microphone tried and measured: the level, a word said, and ten clicks sent from the speaker and heard again. */
export function VoiceCalibration() {
  const client = useQueryClient();
  const { outbox } = useSession();
  const { microphone } = useSettings();
  const voice = useVoiceKey(true);
  const [clicks, setClicks] = useState<{ readonly sent: number; readonly delays: readonly number[] }>();
  const [heard, setHeard] = useState(0);
  const { onsetAfter, heardSoFar, click } = voice;
  const running = clicks !== undefined && clicks.sent < clicksAsked;
  const done = clicks !== undefined && !running;

  // The test: words heard.
  useEffect(() => {
    if (clicks !== undefined) return;
    const handle = setInterval(() => setHeard(heardSoFar()), 100);
    return () => clearInterval(handle);
  }, [clicks, heardSoFar]);

  useEffect(() => {
    if (!running) return;
    const sentAt = click();
    const handle = setTimeout(() => {
      const at = sentAt === undefined ? undefined : onsetAfter(sentAt);
      const delay =
        at !== undefined && sentAt !== undefined && at - sentAt <= heardWithinMs ? at - sentAt : undefined;
      setClicks(
        (one) =>
          one && { sent: one.sent + 1, delays: delay === undefined ? one.delays : [...one.delays, delay] },
      );
    }, betweenMs);
    return () => clearTimeout(handle);
  }, [click, clicks, onsetAfter, running]);

  const delays = clicks?.delays;
  useEffect(() => {
    if (!done || !delays) return;
    const measured = { at: new Date().toISOString(), timesMs: [...delays] };
    client.setQueryData(meQuery.queryKey, (me) => (me ? { ...me, voice: measured } : me));
    void outbox.add([{ id: uuid(), v: 1, kind: 'voiceMeasured', ...measured }]);
  }, [client, delays, done, outbox]);

  const overhead = voiceOverhead(delays ?? []);
  const listening = voice.status === 'listening';
  return (
    <main className="voice-test">
      <h1>The microphone</h1>
      <p className="quiet">
        One child, a quiet room. Only when a voice begins is taken down; no sound is kept or sent.
        {microphone === 'standIn' && ' This is the stand-in: made-up clips in place of a microphone.'}
      </p>
      <LevelMeter watch={voice.watchLevel} />
      <p role="status">
        {voice.trouble
          ? voiceTroubles[voice.trouble]
          : voice.status === 'opening'
            ? 'Opening the microphone.'
            : voice.floorDb === null
              ? 'Learning the room: a moment of quiet.'
              : `The room is at \u2212${Math.abs(voice.floorDb)} dB; a voice should stand 20 dB above it.`}
      </p>
      <section aria-labelledby="say">
        <h2 id="say">Say a number</h2>
        <p aria-live="polite">
          {heard === 0
            ? 'Four, six and three are the hardest: they begin softly.'
            : `Heard ${heard === 1 ? 'one' : heard}. Say another, if you like.`}
        </p>
      </section>
      <section aria-labelledby="clicks">
        <h2 id="clicks">Ten clicks</h2>
        {done ? (
          <p>
            {overhead.calibrated
              ? `The way of the sound takes ${fineMsText(overhead.overheadMs)}, spread ${fineMsText(overhead.spreadMs)}. That much is taken off each answer heard.`
              : `Not calibrated: ${overhead.because} 0.06 s is assumed. Turn the speaker up and try again, or go on with that.`}
          </p>
        ) : (
          <p>
            {running
              ? `Click ${clicks.sent + 1} of ${clicksAsked}`
              : 'The speaker clicks, the microphone hears it: how long the sound takes is taken off each answer. Not by headphones.'}
          </p>
        )}
        <div className="actions">
          <Button
            variant={done ? 'outlined' : 'contained'}
            disabled={!listening || running}
            onClick={() => setClicks({ sent: 0, delays: [] })}
          >
            {done ? 'Measure again' : 'Send the clicks'}
          </Button>
          <Button variant={done ? 'contained' : 'outlined'} component={Link} to="/settings">
            {done ? 'Go on' : 'Leave'}
          </Button>
          {/* It comes later: after what stands there already. */}
          {voice.trouble && (
            <Button variant="outlined" onClick={voice.again}>
              Try again
            </Button>
          )}
        </div>
      </section>
    </main>
  );
}
