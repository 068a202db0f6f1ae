import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { countText } from '@veldrift/core';
import {
  classCards,
  gridAtFirst,
  gridSettings,
  settingTrouble,
  withSetting,
  type ClassGrid,
} from '@veldrift/core/games';
import { useState } from 'react';
import { Link } from 'react-router';
import { dropDraft, keepDraft, readDraft } from '../../app/draft.ts';
import { ReadsAloud, useNoVoice } from '../../live/useReadAloud.ts';
import { SettingField } from '../shelf/SettingField.tsx';
import { ClassPage } from './ClassPage.tsx';
import { GridCalls, type Calling } from './GridCalls.tsx';

const draft = 'gridCaller';

function begun(): Calling {
  const kept = readDraft<Partial<Calling>>(draft);
  const choices = { ...gridAtFirst, ...kept?.choices };
  const whole = gridSettings.every((one) => settingTrouble(one, choices, {}) === null);
  return whole && typeof kept?.seed === 'number'
    ? { choices, seed: kept.seed, called: typeof kept.called === 'number' ? kept.called : null }
    : { choices: gridAtFirst, seed: Math.floor(Math.random() * 10_000), called: null };
}

/** Calls for printed cards, one by one, and tells of any card whether it has a line. */
export function GridCaller() {
  const [now, setNow] = useState(begun);
  const { choices, seed, called } = now;
  const [aloud, setAloud] = useState(false);
  const noVoice = useNoVoice(aloud);
  const put = (over: Partial<Calling>) => {
    const next = { ...now, ...over };
    setNow(next);
    keepDraft(draft, next);
  };
  const trouble =
    gridSettings.map((one) => settingTrouble(one, choices, {})).find((one) => one !== null) ??
    cardsTrouble(choices, seed);
  const query = new URLSearchParams({ with: JSON.stringify(choices), seed: String(seed) });
  return (
    <ClassPage
      title="Grid call for a class"
      says="Printed cards, no two alike; the screen calls, and a tap tells whether a card has its line."
      choices={
        called === null ? (
          <>
            {gridSettings.map((setting) => (
              <SettingField
                key={setting.key}
                setting={setting}
                rules={choices}
                onChange={(value) => put({ choices: withSetting(choices, setting.key, value) as ClassGrid })}
              />
            ))}
            <TextField
              label="Seed of the printed cards"
              value={seed}
              onChange={(event) => put({ seed: Number(event.target.value.replace(/\D/g, '').slice(0, 6)) })}
              helperText="It stands at the foot of the sheet."
              slotProps={{ htmlInput: { inputMode: 'numeric' } }}
            />
          </>
        ) : null
      }
      actions={
        called !== null && (
          <>
            <FormControlLabel
              control={<Switch checked={aloud} onChange={(event) => setAloud(event.target.checked)} />}
              label="Aloud"
            />
            <Button
              variant="outlined"
              onClick={() => {
                dropDraft(draft);
                setNow({ choices, seed: seed + 1, called: null });
              }}
            >
              End
            </Button>
          </>
        )
      }
    >
      {called === null ? (
        <div className="class-begin">
          <p className="class-large">{countText(choices.cards, 'card', 'cards')}, no two alike</p>
          {trouble && <p className="clay">{trouble}</p>}
          <div className="actions">
            <Button
              variant="outlined"
              size="large"
              component={Link}
              to={`/print/grid-call?${query.toString()}`}
            >
              Print the cards
            </Button>
            <Button
              variant="contained"
              size="large"
              disabled={trouble !== null}
              onClick={() => put({ called: 0 })}
            >
              Begin to call
            </Button>
          </div>
        </div>
      ) : (
        <ReadsAloud value={aloud}>
          {noVoice && <p className="clay">{noVoice}</p>}
          <GridCalls
            {...{ choices, seed, called }}
            onCall={() => put({ called: called + 1 })}
            onBack={() => put({ called: Math.max(0, called - 1) })}
          />
        </ReadsAloud>
      )}
    </ClassPage>
  );
}

function cardsTrouble(choices: ClassGrid, seed: number): string | null {
  try {
    classCards(choices, seed);
    return null;
  } catch (error) {
    return error instanceof RangeError ? error.message : 'These cards cannot be made.';
  }
}
