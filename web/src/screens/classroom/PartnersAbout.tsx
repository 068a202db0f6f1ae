import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { countText } from '@veldrift/core';
import {
  largestClass,
  partnerCards,
  partnerSettings,
  settingTrouble,
  withSetting,
  type PartnerCard,
  type PartnerRules,
} from '@veldrift/core/games';
import { codeText } from '@veldrift/wire';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { Link } from 'react-router';
import { QrCode } from '../../parts/QrCode.tsx';
import { partnersTable } from '../../live/classroom/partnersOnPage.ts';
import type { PartnersNow, PartnersWay } from '../../live/classroom/partnersTable.ts';
import { SettingField } from '../shelf/SettingField.tsx';
import { ClassPage } from './ClassPage.tsx';
import { PartnerFaceShown } from './PartnerFaceShown.tsx';
import { PartnersRoundShown, type OwnPartners as Own } from './PartnersRoundShown.tsx';

const lookEveryMs = 2000;

/** Every child looks for the one whose card belongs to theirs; timed to all found. Nobody’s name is asked, and nothing of anybody is kept. */
export function PartnersAbout() {
  const table = partnersTable();
  const now = useSyncExternalStore(table.subscribe, table.now);
  const { round, way, link } = now;
  const [clock, setClock] = useState(true);
  useEffect(() => {
    const handle = setInterval(table.look, lookEveryMs);
    return () => clearInterval(handle);
  }, [table]);
  return (
    <ClassPage
      title="Partners about"
      says="Each child has a card and finds the one that belongs to it. Nothing of anybody is kept."
      choices={round ? null : <Choices now={now} table={table} />}
      actions={
        round && (
          <>
            <FormControlLabel
              control={<Switch checked={clock} onChange={(event) => setClock(event.target.checked)} />}
              label="Clock"
            />
            <Button variant="outlined" onClick={() => table.set({})}>
              Other cards
            </Button>
          </>
        )
      }
    >
      {round ? (
        <PartnersRoundShown now={now} table={table} clock={clock} />
      ) : way === 'devices' ? (
        <Door now={now} table={table} />
      ) : (
        <OnPaper now={now} table={table} />
      )}
      {now.trouble && (
        <p role="alert" className="clay class-trouble">
          {now.trouble}
        </p>
      )}
      {link && round === null && way === 'paper' && (
        <Button onClick={() => void table.closeDoor()}>Let the devices go</Button>
      )}
    </ClassPage>
  );
}

function Choices({ now, table }: Own) {
  const [children, setChildren] = useState(String(now.children));
  const count = Number(children);
  const wrong = children !== '' && (count < 2 || count > largestClass);
  return (
    <>
      <ToggleButtonGroup
        exclusive
        fullWidth
        value={now.way}
        aria-label="Cards"
        onChange={(_, way: PartnersWay | null) => way && table.set({ way })}
      >
        <ToggleButton value="paper">On paper</ToggleButton>
        <ToggleButton value="devices">On devices</ToggleButton>
      </ToggleButtonGroup>
      {now.way === 'paper' && (
        <TextField
          label="Children"
          value={children}
          error={wrong}
          helperText={wrong ? `2 to ${largestClass} children.` : ' '}
          onChange={(event) => {
            const text = event.target.value.replace(/\D/g, '').slice(0, 3);
            setChildren(text);
            if (Number(text) >= 2 && Number(text) <= largestClass) table.set({ children: Number(text) });
          }}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
      )}
      {partnerSettings
        .filter((one) => one.key !== 'operations' || !/^(pips|struckOut)$/.test(now.rules.kind))
        .map((setting) => (
          <SettingField
            key={setting.key}
            setting={setting}
            rules={now.rules}
            onChange={(value) =>
              table.set({ rules: withSetting(now.rules, setting.key, value) as PartnerRules })
            }
          />
        ))}
      {now.way === 'paper' && (
        <TextField
          label="Seed of the printed cards"
          value={now.seed}
          onChange={(event) => table.set({ seed: Number(event.target.value.replace(/\D/g, '').slice(0, 6)) })}
          helperText="It stands at the foot of the sheet."
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
      )}
    </>
  );
}

/** Why these choices cannot be dealt; null: they can. */
const troubleOf = ({ rules }: PartnersNow): string | null =>
  partnerSettings.map((one) => settingTrouble(one, rules, {})).find((one) => one !== null) ?? null;

function OnPaper({ now, table }: Own) {
  const trouble = troubleOf(now);
  const query = new URLSearchParams({
    with: JSON.stringify({ ...now.rules, children: now.children }),
    seed: String(now.seed),
  });
  return (
    <div className="class-begin">
      <Sample now={now} />
      <p className="class-large">
        {countText(now.children - (now.children % 2), 'card', 'cards')} for{' '}
        {countText(now.children, 'child', 'children')}
      </p>
      {now.children % 2 === 1 && <p>One waits, and plays in the next round.</p>}
      {trouble && <p className="clay">{trouble}</p>}
      <div className="actions">
        <Button
          variant="outlined"
          size="large"
          component={Link}
          to={`/print/partner-cards?${query.toString()}`}
        >
          Print the cards
        </Button>
        <Button variant="contained" size="large" disabled={trouble !== null} onClick={() => table.deal()}>
          The cards are dealt
        </Button>
      </div>
    </div>
  );
}

function Door({ now, table }: Own) {
  const { link, here, opening } = now;
  const trouble = troubleOf(now);
  if (!link)
    return (
      <div className="class-begin">
        <p className="class-large">Up to {largestClass} devices join by one code.</p>
        <Button variant="contained" size="large" disabled={opening} onClick={() => void table.openDoor()}>
          Make the code
        </Button>
      </div>
    );
  return (
    <div className="class-door">
      <QrCode text={`${location.origin}/child#${link.code}`} says="A square for the cameras of the devices" />
      <div>
        <p>
          Hold the camera to the square, or open <strong>{location.origin}/child</strong> and type
        </p>
        <p className="numeral class-code">{codeText(link.code)}</p>
        <p className="class-large" role="status">
          {here.length === 0 ? 'Nobody is here yet.' : `${countText(here.length, 'device', 'devices')} here.`}
        </p>
        {here.length % 2 === 1 && here.length > 1 && <p>One waits, and plays in the next round.</p>}
        {trouble && <p className="clay">{trouble}</p>}
        <div className="actions">
          <Button
            variant="contained"
            size="large"
            disabled={here.length < 2 || trouble !== null}
            onClick={() => table.deal(now.seed + 1)}
          >
            Deal a card to each
          </Button>
          <Button variant="outlined" size="large" onClick={() => void table.closeDoor()}>
            Let the devices go
          </Button>
        </div>
      </div>
    </div>
  );
}

/** Two cards that belong together, as these choices make them; nothing where they make none. */
function Sample({ now: { rules, seed } }: Pick<Own, 'now'>) {
  let two: readonly PartnerCard[];
  try {
    two = partnerCards(rules, 2, seed);
  } catch {
    return null;
  }
  return (
    <div className="class-sample" aria-hidden>
      {two.map(({ number, face }) => (
        <div key={number} className="partner-card">
          <PartnerFaceShown face={face} />
        </div>
      ))}
    </div>
  );
}
