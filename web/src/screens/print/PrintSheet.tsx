import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { settingTrouble, withSetting } from '@veldrift/core/games';
import {
  findSheet,
  papers,
  roomOn,
  type AnySheet,
  type Page,
  type Paper,
  type PrintedHouse,
} from '@veldrift/core/print';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { houseRulesQuery } from '../../app/queries.ts';
import { longDateText } from '../../app/format.ts';
import { Empty, Loading, Trouble } from '../../parts/states.tsx';
import { SettingField } from '../shelf/SettingField.tsx';
import { PaperPage } from './PaperPage.tsx';
import './print.css';

/** One sheet: its choices beside its pages as they will be printed. */
export function PrintSheet() {
  const { sheetId = '' } = useParams();
  const [params] = useSearchParams();
  const houses = useQuery(houseRulesQuery);
  const sheet = findSheet(sheetId);
  if (!sheet)
    return (
      <Empty title="There is no such sheet">
        <Button variant="outlined" component={Link} to="/print">
          To the sheets
        </Button>
      </Empty>
    );
  const houseId = params.get('house');
  if (houseId !== null && !houses.data)
    return houses.error ? (
      <Trouble error={houses.error} onRetry={() => void houses.refetch()} />
    ) : (
      <Loading what="the rules of the house" />
    );
  const house = houses.data?.find((one) => one.id === houseId) ?? null;
  return <Choose key={sheet.id} sheet={sheet} house={house} />;
}

/** Choices that another screen has made already; none where they cannot be read. */
function choicesAsked(text: string | null): Readonly<Record<string, unknown>> {
  try {
    const read: unknown = JSON.parse(text ?? '{}');
    return typeof read === 'object' && read !== null ? (read as Record<string, unknown>) : {};
  } catch {
    return {};
  }
}

/** The seed of a sheet is short, so that it can be copied from paper. */
const newSeed = () => Math.floor(Math.random() * 10_000);

function Choose({ sheet, house }: { readonly sheet: AnySheet; readonly house: PrintedHouse | null }) {
  const [params, setParams] = useSearchParams();
  const step = Number(params.get('step') ?? NaN);
  const asked = choicesAsked(params.get('with'));
  const [choices, setChoices] = useState<unknown>(() => {
    const begun = Number.isInteger(step) ? withSetting(sheet.choices, 'step', step) : sheet.choices;
    const facts = params.get('facts');
    const told = facts === null ? begun : withSetting(begun, 'facts', facts.split(' '));
    const wished = sheet.settings.reduce(
      (so, { key }) => (key in asked ? withSetting(so, key, asked[key]) : so),
      told,
    );
    return house ? withSetting(wished, 'house', house) : wished;
  });
  const [initials, setInitials] = useState('');
  const [firstSeed] = useState(newSeed);
  const [openedAt] = useState(() => Date.now());
  const given = Number(params.get('seed') ?? NaN);
  // That of a table may be below 0.
  const seed = params.has('seed') && Number.isSafeInteger(given) ? given : firstSeed;
  const paper: Paper = params.get('paper') === 'letter' ? 'letter' : 'a4';
  const set = (key: string, value: string) =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        next.set(key, value);
        return next;
      },
      { replace: true },
    );
  const { pages, trouble } = made(sheet, choices, seed, paper);
  const { width, height } = papers[paper];
  const foot = [
    sheet.title(choices),
    ...(initials.trim() === '' ? [] : [`for ${initials.trim()}`]),
    longDateText(openedAt),
    ...(sheet.seeded ? [`seed ${seed}`] : []),
  ].join(' \u00b7 ');
  return (
    <>
      {/* The page takes its size from the paper that is chosen. */}
      <style>{`@page { size: ${width}mm ${height}mm; margin: 0; }`}</style>
      <div className="work-head">
        <div>
          <h1>{sheet.name}</h1>
          <p className="quiet">{sheet.says}</p>
        </div>
        <Button variant="outlined" component={Link} to="/print">
          All sheets
        </Button>
      </div>
      <div className="print-sheet">
        <form className="print-choices" aria-label="Choices" onSubmit={(event) => event.preventDefault()}>
          {sheet.settings.map((setting) => (
            <SettingField
              key={setting.key}
              setting={setting}
              rules={choices as object}
              onChange={(value) => setChoices(withSetting(choices, setting.key, value))}
            />
          ))}
          <TextField
            select
            label="Paper"
            value={paper}
            onChange={(event) => set('paper', event.target.value)}
          >
            {Object.entries(papers).map(([id, { name }]) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label="For (initials; may be left out)"
            value={initials}
            onChange={(event) => setInitials(event.target.value.slice(0, 12))}
            slotProps={{ htmlInput: { autoComplete: 'off' } }}
          />
          {sheet.seeded && (
            <div className="print-seed">
              <TextField
                label="Seed"
                value={String(seed)}
                onChange={(event) => set('seed', event.target.value.replace(/\D/g, '').slice(0, 6) || '0')}
                helperText="The same seed makes the same sheet."
                slotProps={{ htmlInput: { inputMode: 'numeric' } }}
              />
              <Button variant="outlined" onClick={() => set('seed', String(newSeed()))}>
                Another
              </Button>
            </div>
          )}
          <p role="alert" className="clay">
            {trouble}
          </p>
          <Button
            variant="contained"
            size="large"
            disabled={pages.length === 0}
            onClick={() => window.print()}
          >
            {pages.length < 2 ? 'Print' : `Print ${pages.length} pages`}
          </Button>
        </form>
        <div className="print-pages" role="region" aria-label="As it will be printed">
          {pages.map((page, nth) => (
            <PaperPage
              key={nth}
              paper={paper}
              page={page}
              foot={pages.length > 1 ? `${foot} \u00b7 ${nth + 1} of ${pages.length}` : foot}
              label={`Page ${nth + 1}: ${sheet.name}`}
            />
          ))}
        </div>
      </div>
    </>
  );
}

/** The pages by the choices; or why they cannot be made, in a sentence. */
function made(
  sheet: AnySheet,
  choices: unknown,
  seed: number,
  paper: Paper,
): { readonly pages: readonly Page[]; readonly trouble: string } {
  const trouble = sheet.settings
    .map((setting) => settingTrouble(setting, choices, sheet.choices))
    .find((one) => one !== null);
  if (trouble) return { pages: [], trouble };
  try {
    return { pages: sheet.pages(choices, seed, roomOn(paper)), trouble: '' };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { pages: [], trouble: error.message };
  }
}
