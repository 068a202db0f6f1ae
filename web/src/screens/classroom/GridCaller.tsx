import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { countText } from '@veldrift/core';
import {
  callText,
  claimOf,
  classCalls,
  classCards,
  gridAtFirst,
  gridSettings,
  settingTrouble,
  withSetting,
  type ClassGrid,
  type GridClaim,
} from '@veldrift/core/games';
import { useState } from 'react';
import { Link } from 'react-router';
import { dropDraft, keepDraft, readDraft } from '../../app/draft.ts';
import { ReadsAloud, useNoVoice, useReadOut } from '../../live/useReadAloud.ts';
import { fits } from '../../parts/fits.ts';
import { SettingField } from '../shelf/SettingField.tsx';
import { ClassPage } from './ClassPage.tsx';

/** A calling under way, as it is kept on this device until it is ended. */
interface Calling {
  readonly choices: ClassGrid;
  readonly seed: number;
  /** How many were called; null: it has not begun. */
  readonly called: number | null;
}
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
          <Calls
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

function Calls({
  choices,
  seed,
  called,
  onCall,
  onBack,
}: Calling & { readonly called: number; readonly onCall: () => void; readonly onBack: () => void }) {
  const calls = classCalls(choices, seed);
  const cards = classCards(choices, seed);
  const so = calls.slice(0, called);
  const last = so.at(-1);
  const [looked, setLooked] = useState<number | null>(null);
  useReadOut(last ? callText(last) : '', String(called));
  const all = called >= calls.length;
  const claim = looked === null ? null : claimOf(cards[looked], so);
  return (
    <div className="class-calls">
      <div className="class-call" role="status" style={fits((last ? callText(last) : '').length)}>
        {last ? (
          <span className="numeral class-called">{callText(last)}</span>
        ) : (
          <span className="class-large">Counters ready?</span>
        )}
      </div>
      <div className="actions class-keys">
        <Button
          variant="contained"
          size="large"
          disabled={all}
          onClick={() => {
            setLooked(null);
            onCall();
          }}
        >
          {called === 0 ? 'First call' : all ? 'All were called' : 'Next call'}
        </Button>
        <Button variant="outlined" size="large" disabled={called === 0} onClick={onBack}>
          Back
        </Button>
        <span className="quiet">
          {called} of {calls.length} called
        </span>
      </div>
      <section className="class-claims" aria-label="Who has a line?">
        <h2>Who has a line? Tap the number of the card.</h2>
        <div className="class-cards">
          {cards.map((_, at) => (
            <button
              key={at}
              type="button"
              className="numeral"
              aria-pressed={looked === at}
              onClick={() => setLooked(looked === at ? null : at)}
            >
              {at + 1}
            </button>
          ))}
        </div>
        {claim && looked !== null && <Verdict card={looked + 1} claim={claim} side={choices.side} />}
      </section>
      {so.length > 1 && (
        <section className="class-before" aria-label="Called before">
          <h2>Called before</h2>
          <p className="numeral">{so.slice(0, -1).map(callText).reverse().join('   ')}</p>
        </section>
      )}
    </div>
  );
}

function Verdict({
  card,
  claim,
  side,
}: {
  readonly card: number;
  readonly claim: GridClaim;
  readonly side: number;
}) {
  return (
    <div className="class-verdict-of">
      <p role="status" className={claim.line ? 'class-has-line' : 'clay'}>
        {claim.line
          ? `Card ${card} has a line.`
          : `Card ${card} has no line yet: ${claim.wanting.join(' and ')} ${claim.wanting.length === 1 ? 'was' : 'were'} not called.`}
      </p>
      <ul
        className="class-card"
        style={{ gridTemplateColumns: `repeat(${side}, 1fr)` }}
        aria-label={`Card ${card}`}
      >
        {claim.squares.map((text, at) => (
          <li
            key={at}
            className={`numeral ${claim.covered.includes(at) ? 'covered' : ''} ${claim.line?.includes(at) ? 'in-line' : ''}`}
          >
            {text}
          </li>
        ))}
      </ul>
      <p className="quiet">Another card in the hand? It was printed with another seed: look at its foot.</p>
    </div>
  );
}
