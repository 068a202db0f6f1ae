import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { letterNames, letterTrouble, type LetterName, type Letters } from '../app/letterKeys.ts';
import { setLetter, useLetters } from '../app/letters.ts';
import { changeSettings, useSettings } from '../app/settings.ts';
import { letterWords } from './table/keys.ts';

/** Single letters at the live table: switched off, or changed where another program or another hand wants them. */
export function LetterSettings() {
  const { letters, echo } = useSettings();
  const now = useLetters();
  return (
    <section aria-labelledby="letters" className="letter-settings">
      <h2 id="letters">Keys at the live table</h2>
      <FormControlLabel
        control={
          <Switch
            checked={letters.on}
            onChange={(_, on) => changeSettings({ letters: { ...letters, on } })}
          />
        }
        label="Single letters are keys"
      />
      <FormControlLabel
        control={<Switch checked={echo} onChange={(_, on) => changeSettings({ echo: on })} />}
        label="A screen reader says each digit a child types"
      />
      {letters.on && (
        <details>
          <summary>Which letter does what</summary>
          <div className="letter-list">
            {letterNames.map((name) => (
              <LetterField key={name} name={name} letters={now} />
            ))}
          </div>
          <Button
            variant="outlined"
            disabled={Object.keys(letters.own).length === 0}
            onClick={() => changeSettings({ letters: { ...letters, own: {} } })}
          >
            As they came
          </Button>
        </details>
      )}
    </section>
  );
}

function LetterField({ name, letters }: { readonly name: LetterName; readonly letters: Letters }) {
  // What cannot be taken stands there until it is mended or left.
  const [refused, setRefused] = useState<string | null>(null);
  const text = refused ?? letters[name] ?? '';
  const trouble = letterTrouble(letters, name, text);
  return (
    <TextField
      size="small"
      label={letterWords[name]}
      value={text}
      error={trouble !== null}
      helperText={trouble ?? ' '}
      onChange={(event) => {
        const letter = event.target.value.slice(-1).toUpperCase();
        const taken = letterTrouble(letters, name, letter) === null;
        setRefused(taken ? null : letter);
        if (taken) setLetter(name, letter);
      }}
      onBlur={() => setRefused(null)}
      slotProps={{ htmlInput: { autoComplete: 'off', className: 'numeral' } }}
    />
  );
}
