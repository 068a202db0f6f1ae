import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  calibrationAgeDays,
  calibrationLastsDays,
  pipPatterns,
  tutorOverhead,
  voiceOverhead,
  type PipPattern,
} from '@veldrift/core';
import type { SceneCard } from '@veldrift/core/games';
import { Link } from 'react-router';
import { dateText, fineMsText } from '../app/format.ts';
import { useSession } from '../app/session.tsx';
import { PlayingCard } from '../parts/table/PlayingCard.tsx';
import '../parts/table/table.css';
import { LetterSettings } from './LetterSettings.tsx';
import { OwnAccount } from './account/OwnAccount.tsx';
import { changeSettings, useSettings } from '../app/settings.ts';
import type { ThemeName } from '../app/tokens.ts';

const themes: readonly { readonly name: ThemeName; readonly says: string }[] = [
  { name: 'light', says: 'Light' },
  { name: 'dark', says: 'Dark' },
  { name: 'contrast', says: 'High contrast' },
];

const pipNames: Readonly<Record<PipPattern, string>> = {
  five: 'Rows of five',
  ten: 'Ten-frames',
  domino: 'As on dominoes',
};
const sevenOfLeaves: SceneCard = { id: 0, rank: '7', colour: 'black', worth: 7 };

/** What a tutor sets for this device, and the tutor's own judging time. */
export function Settings() {
  const { me } = useSession();
  const settings = useSettings();
  const overhead = me.judging ? tutorOverhead(me.judging.timesMs) : undefined;
  const voice = me.voice ? voiceOverhead(me.voice.timesMs) : undefined;
  const age = me.judging ? calibrationAgeDays(me.judging.at, new Date().toISOString()) : 0;
  return (
    <div style={{ display: 'grid', gap: 28, maxWidth: 720, gridTemplateColumns: 'minmax(0, 1fr)' }}>
      <h1>Settings</h1>
      <section aria-labelledby="look" style={{ display: 'grid', gap: 10 }}>
        <h2 id="look">Look, on this device</h2>
        <ToggleButtonGroup
          exclusive
          value={settings.theme}
          aria-label="Look"
          onChange={(_, theme: ThemeName | null) => theme && changeSettings({ theme })}
        >
          {themes.map((one) => (
            <ToggleButton key={one.name} value={one.name}>
              {one.says}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </section>
      <section aria-labelledby="hand" style={{ display: 'grid', gap: 10 }}>
        <h2 id="hand">Your hand at the live table</h2>
        <p className="quiet">The judge keys lie at the corner under this hand&rsquo;s thumb.</p>
        <ToggleButtonGroup
          exclusive
          value={settings.hand}
          aria-label="Your hand"
          onChange={(_, hand: 'left' | 'right' | null) => hand && changeSettings({ hand })}
        >
          <ToggleButton value="left">Left</ToggleButton>
          <ToggleButton value="right">Right</ToggleButton>
        </ToggleButtonGroup>
      </section>
      <section aria-labelledby="goes-on" style={{ display: 'grid', gap: 10 }}>
        <h2 id="goes-on">Rolling and dealing in games</h2>
        <p className="quiet">
          By itself a moment after a right answer, so that a turn costs you one tap less. After a miss it
          waits: the way is looked at first.
        </p>
        <ToggleButtonGroup
          exclusive
          value={settings.goesOn === null ? 'screens' : settings.goesOn ? 'always' : 'never'}
          aria-label="Rolling and dealing"
          onChange={(_, when: 'screens' | 'always' | 'never' | null) =>
            when && changeSettings({ goesOn: when === 'screens' ? null : when === 'always' })
          }
        >
          <ToggleButton value="never">When I press</ToggleButton>
          <ToggleButton value="screens">By itself on the children&rsquo;s own screens</ToggleButton>
          <ToggleButton value="always">By itself</ToggleButton>
        </ToggleButtonGroup>
      </section>
      <section aria-labelledby="pips" style={{ display: 'grid', gap: 10 }}>
        <h2 id="pips">Pips on the cards</h2>
        <ToggleButtonGroup
          exclusive
          value={settings.pips}
          aria-label="Pips"
          onChange={(_, pips: PipPattern | null) => pips && changeSettings({ pips })}
        >
          {pipPatterns.map((pattern) => (
            <ToggleButton
              key={pattern}
              value={pattern}
              sx={{ display: 'grid', gap: 0.5, justifyItems: 'center' }}
            >
              <PlayingCard card={sevenOfLeaves} width={72} pattern={pattern} />
              {pipNames[pattern]}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </section>
      <LetterSettings />
      <section
        aria-labelledby="judging"
        style={{ display: 'grid', gap: 10, justifyItems: 'start', gridTemplateColumns: 'minmax(0, 1fr)' }}
      >
        <h2 id="judging">Your judging time</h2>
        {overhead ? (
          <p>
            {overhead.calibrated
              ? `${fineMsText(overhead.overheadMs)} ± ${fineMsText(overhead.spreadMs)}, measured on ${dateText(me.judging?.at ?? '')}.`
              : `Not calibrated: ${overhead.because} 0.6 s is assumed.`}
            {age > calibrationLastsDays && ' It is older than a month: measure again.'}
          </p>
        ) : (
          <p>
            Not measured yet: 0.6 s is assumed where you judge what a child says. Measuring takes half a
            minute.
          </p>
        )}
        <Button variant="outlined" component={Link} to="/calibrate/judging">
          Measure my judging time
        </Button>
      </section>
      <section
        aria-labelledby="voice"
        style={{ display: 'grid', gap: 10, justifyItems: 'start', gridTemplateColumns: 'minmax(0, 1fr)' }}
      >
        <h2 id="voice">Voice key</h2>
        <p className="quiet" style={{ maxWidth: '66ch' }}>
          For one child in a quiet room: the microphone hears when an answer begins. No sound is kept or sent.{' '}
          {voice
            ? voice.calibrated
              ? `The way of the sound takes ${fineMsText(voice.overheadMs)} ± ${fineMsText(voice.spreadMs)}, measured on ${dateText(me.voice?.at ?? '')}.`
              : `Not calibrated: ${voice.because} 0.06 s is assumed.`
            : 'Not measured yet: 0.06 s is assumed for the way of the sound.'}
        </p>
        <ToggleButtonGroup
          exclusive
          value={settings.microphone}
          aria-label="Microphone"
          onChange={(_, microphone: 'microphone' | 'standIn' | null) =>
            microphone && changeSettings({ microphone })
          }
        >
          <ToggleButton value="microphone">This device&rsquo;s microphone</ToggleButton>
          <ToggleButton value="standIn">Stand-in, for trying out</ToggleButton>
        </ToggleButtonGroup>
        <Button variant="outlined" component={Link} to="/calibrate/voice">
          Test and measure the microphone
        </Button>
      </section>
      <OwnAccount />
      <section aria-labelledby="about" style={{ display: 'grid', gap: 10 }}>
        <h2 id="about">Children and their data</h2>
        <ul style={{ margin: 0, paddingLeft: 20, maxWidth: '66ch' }}>
          <li>
            Timed work can raise anxiety: at signs of distress press calm, or stop. Never post results for
            comparison between children.
          </li>
          <li>
            Veldrift is a teaching aid. It does not diagnose dyslexia, dyscalculia or any condition: refer to
            licensed professionals and follow local rules.
          </li>
          <li>
            Keep initials or first names only. Follow your data-protection law; a pupil is deleted for good
            from the pupil&rsquo;s page.
          </li>
          <li>Small counters and dice are choking hazards for children under three.</li>
        </ul>
      </section>
    </div>
  );
}
