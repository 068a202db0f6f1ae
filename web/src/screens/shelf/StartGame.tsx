import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import TextField from '@mui/material/TextField';
import {
  gameModeNames,
  gameModes,
  numberRecipe,
  type FactKey,
  type GameMode,
  type GamePlan,
  type Recipe,
} from '@veldrift/core';
import {
  openPlan,
  playTrouble,
  settingTrouble,
  valueNow,
  withSetting,
  roleNames,
  roles,
  seatsText,
  type AnyGame,
  type Materials,
  type Role,
} from '@veldrift/core/games';
import type { Pupil } from '@veldrift/wire';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useSession } from '../../app/session.tsx';
import { newSeed } from '../../live/startPlay.ts';
import type { ChosenRules } from './chosenRules.ts';
import { FairMatch } from './FairMatch.tsx';
import { FactsField } from './FactsField.tsx';
import { PrintedOrder } from './PrintedOrder.tsx';
import { adult, nobody, SeatField, theApp } from './SeatField.tsx';
import { sitDown } from '../../live/game/sitDown.ts';

/** Who plays and how; then to the table. */
export function StartGame({
  game,
  chosen,
  rules: given,
  pupils,
  first,
}: {
  readonly game: AnyGame;
  readonly chosen: ChosenRules;
  /** Those chosen, with the pack that was put together for them. */
  readonly rules: unknown;
  readonly pupils: readonly Pupil[];
  readonly first: Pupil | undefined;
}) {
  const session = useSession();
  const { me } = session;
  const navigate = useNavigate();
  const [seats, setSeats] = useState<readonly string[]>(() => [
    first?.id ?? nobody,
    game.seats.most > 1 ? adult : nobody,
    nobody,
    nobody,
  ]);
  const [packs, setPacks] = useState<readonly (number | null)[]>([null, null, null, null]);
  const [mode, setMode] = useState<GameMode>('screen');
  const [against, setAgainst] = useState(true);
  const [types, setTypes] = useState(false);
  const [erring, setErring] = useState(false);
  const [levelled, setLevelled] = useState(false);
  const [minutes, setMinutes] = useState('');
  const [duties, setDuties] = useState<readonly Role[]>([]);
  const [trouble, setTrouble] = useState('');
  const [busy, setBusy] = useState(false);
  const [seed] = useState(newSeed);
  const taken = seats.slice(0, game.seats.most).filter((one) => one !== nobody);
  const own = taken.filter((one) => one !== adult && one !== theApp);
  const chosenRules = chosen.house?.rules ?? game.steps[chosen.step]?.rules;
  // A pack that was put together may be too small, or hold nothing that can be played.
  const tooSmall = given === chosenRules ? null : playTrouble(game, given);
  // Facts that a child has written for this play.
  const toWrite = game.settings.find((one) => one.kind === 'facts' && valueNow(one, given) !== null);
  const writtenFor = `${chosen.step} ${chosen.house?.id ?? ''}`;
  const [written, setWritten] = useState<{
    readonly of: string;
    readonly facts: readonly FactKey[] | null;
  }>();
  const rules =
    toWrite && written?.of === writtenFor && written.facts
      ? withSetting(given, toWrite.key, written.facts)
      : given;
  const materials = game.materials(rules);
  const cards = materials.pack !== null;
  const modes = gameModes.filter((one) => one !== 'loose' || cards);
  const race = game.family === 'first' && taken.length > 1;
  const racers = taken.flatMap((id) => pupils.find((one) => one.id === id) ?? []);
  const plan: GamePlan = {
    version: game.version,
    game: game.id,
    step: chosen.step,
    house: chosen.house?.name ?? null,
    rules,
    mode: modes.includes(mode) ? mode : 'screen',
    seats: Math.max(1, taken.length),
    against: against && taken.length > 1,
    seed,
    packs:
      game.ownPacks && packs.some((one) => one !== null)
        ? taken.map((_, at) => {
            const most = packs[at] ?? null;
            return most === null || !materials.pack ? null : packTo(materials.pack, most);
          })
        : null,
    adults: taken.flatMap((one, at) => (one === adult ? [at] : [])),
    app: taken.includes(theApp) ? taken.indexOf(theApp) : null,
    erring: erring && taken.includes(adult),
    levelled: levelled && race,
    roles: taken.length > 1 ? duties : [],
    minutes: minutes === '' ? null : Number(minutes),
  };
  const start = async () => {
    if (own.length === 0) return setTrouble('Somebody should play: choose a pupil.');
    if (new Set(own).size < own.length) return setTrouble('A pupil sits on one seat only.');
    if (taken.filter((one) => one === theApp).length > 1) return setTrouble('The app takes one seat only.');
    if (taken.includes(theApp) && plan.mode !== 'screen')
      return setTrouble('The app takes a seat on screen only: it cannot handle real cards and dice.');
    if (taken.length < game.seats.least) return setTrouble(`${game.name} is for ${seatsText(game)}.`);
    if (toWrite && written?.of === writtenFor && written.facts === null)
      return setTrouble('Some of the facts cannot be read yet: put them right first.');
    const unplayable = toWrite ? settingTrouble(toWrite, rules, given) : null;
    if (unplayable !== null) return setTrouble(unplayable);
    if (tooSmall !== null) return setTrouble(tooSmall);
    try {
      openPlan(plan);
    } catch (error) {
      return setTrouble(error instanceof Error ? error.message : 'It cannot be set up.');
    }
    setBusy(true);
    try {
      const playId = await sitDown(session, plan, { ids: taken, pupils, way: types ? 'keypad' : 'tutor' });
      if (playId) await navigate(`/table/${playId}`);
    } catch {
      setTrouble('It could not be put on the table: this device took nothing down. Try again.');
    } finally {
      setBusy(false);
    }
  };
  const flip = (label: string, on: boolean, set: (value: boolean) => void) => (
    <FormControlLabel
      control={<Switch checked={on} onChange={(event) => set(event.target.checked)} />}
      label={label}
    />
  );
  return (
    <section aria-label="Start" className="game-start">
      <h2>Who plays</h2>
      {Array.from({ length: game.seats.most }, (_, at) => (
        <SeatField
          key={at}
          at={at}
          who={seats[at] ?? nobody}
          pupils={pupils}
          grownUp={me.name}
          onWho={(who) => {
            setSeats(seats.map((one, nth) => (nth === at ? who : one)));
            setTrouble('');
          }}
          pack={packs[at] ?? null}
          packs={cards ? (game.ownPacks ?? []) : []}
          onPack={(most) => setPacks(packs.map((one, nth) => (nth === at ? most : one)))}
        />
      ))}
      <TextField
        select
        size="small"
        fullWidth
        label="Where"
        value={plan.mode}
        onChange={(event) => setMode(event.target.value as GameMode)}
        helperText={modeHelp(plan.mode, materials)}
      >
        {modes.map((one) => (
          <MenuItem key={one} value={one}>
            {modeName(one, materials)}
          </MenuItem>
        ))}
      </TextField>
      {toWrite?.kind === 'facts' && (
        <FactsField
          key={writtenFor}
          setting={toWrite}
          value={valueNow(toWrite, given)}
          onChange={(facts) => setWritten({ of: writtenFor, facts })}
        />
      )}
      <Button variant="contained" size="large" disabled={busy} onClick={() => void start()}>
        To the table
      </Button>
      {trouble && (
        <p role="alert" className="clay">
          {trouble}
        </p>
      )}
      <TextField
        select
        size="small"
        fullWidth
        label="Ends"
        value={minutes}
        onChange={(event) => setMinutes(event.target.value)}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      >
        <MenuItem value="">by its rule</MenuItem>
        {['5', '8', '10', '15'].map((one) => (
          <MenuItem key={one} value={one}>
            after {one} minutes
          </MenuItem>
        ))}
      </TextField>
      {taken.length > 1 && flip('Against one another', against, setAgainst)}
      {plan.mode === 'screen' && flip('The children type what they say', types, setTypes)}
      {taken.includes(adult) && flip('I err on purpose now and then', erring, setErring)}
      {race && flip('Levelled: the slower one has a head start', levelled, setLevelled)}
      {race && against && racers.length === taken.length && (
        <FairMatch game={game} rules={rules} pupils={racers} levelled={levelled} onLevel={setLevelled} />
      )}
      {taken.length > 1 && (
        <fieldset>
          <legend>Roles that rotate</legend>
          <ToggleButtonGroup
            size="small"
            value={[...duties]}
            aria-label="Roles that rotate"
            onChange={(_, value: Role[]) => setDuties(roles.filter((one) => value.includes(one)))}
          >
            {roles.map((one) => (
              <ToggleButton key={one} value={one}>
                {roleNames[one]}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        </fieldset>
      )}
      {plan.mode === 'called' && game.order && tooSmall === null && <PrintedOrder game={game} plan={plan} />}
    </section>
  );
}

const onPaper = ({ pack, dice }: Materials) => pack === null && dice.length === 0;

const modeName = (mode: GameMode, materials: Materials): string =>
  mode === 'called' && onPaper(materials) ? 'On paper, as the app shows it' : gameModeNames[mode];

function modeHelp(mode: GameMode, materials: Materials): string {
  switch (mode) {
    case 'screen':
      return 'The app shuffles, deals and rolls.';
    case 'called':
      return onPaper(materials)
        ? 'Copy what it shows onto paper, and tap here what is chosen.'
        : 'Lay the cards in the order below; type what the dice show. The app knows what lies there.';
    case 'loose':
      return 'One tap a turn: who took it. Misses are set down by exception.';
  }
}

/** A pack like the step's, with numbers up to another: its wild cards and its signs stay. */
const packTo = (pack: Recipe, most: number): Recipe => ({
  ...pack,
  worths: {
    ...numberRecipe(1, most).worths,
    ...(pack.worths.joker === undefined ? {} : { joker: pack.worths.joker }),
  },
});
