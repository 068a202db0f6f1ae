import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { families, games, type AnyGame, type Family } from '@veldrift/core/games';
import type { Pupil } from '@veldrift/wire';
import { useEffect, useRef, useState, type ComponentType } from 'react';
import { Link, useLocation, useSearchParams } from 'react-router';
import { pupilGamesQuery, pupilsQuery } from '../../app/queries.ts';
import { Empty } from '../../parts/states.tsx';
import {
  familyNames,
  gamePlaces,
  kindsOf,
  materialKinds,
  materialNames,
  placeNames,
  placesOf,
  practisedNames,
  practises,
  type GamePlace,
  type MaterialKind,
} from './gameWords.ts';
import { ShelfGame } from './ShelfGame.tsx';
import { fitsNumerals, NumeralsOnShelf } from './NumeralsOnShelf.tsx';
import { fitsPartners, PartnersOnShelf } from './PartnersOnShelf.tsx';
import { fitsPicture, PictureOnShelf } from './PictureOnShelf.tsx';
import { fitsToll, TollOnShelf } from './TollOnShelf.tsx';
import { WhichGame } from './WhichGame.tsx';
import './shelf.css';

/** What stands on the shelf beside the games of the catalogue, by what fits a search and how it is shown. */
const besideGames: readonly {
  readonly family: Family;
  readonly places: readonly GamePlace[];
  readonly fits: (params: URLSearchParams, typed: string) => boolean;
  readonly Entry: ComponentType<{ readonly pupil: Pupil | undefined }>;
}[] = [
  // Any game of the children's own belongs to the boards.
  { family: 'partners', places: ['class'], fits: fitsPartners, Entry: PartnersOnShelf },
  { family: 'boards', places: ['table', 'home'], fits: fitsToll, Entry: TollOnShelf },
  { family: 'talk', places: ['screen'], fits: fitsPicture, Entry: PictureOnShelf },
  { family: 'talk', places: ['screen', 'home'], fits: fitsNumerals, Entry: NumeralsOnShelf },
];

const times = [6, 8, 10, 12, 15] as const;

/** The shelf: every game by what it practises, what it takes, how many play and how long; for a pupil, the step each is at. */
export function Shelf() {
  const [params, setParams] = useSearchParams();
  const { data: pupils } = useQuery(pupilsQuery);
  // The pupil of the address, known yet or not: a link followed before the list has come keeps whom it is for.
  const asked = params.get('pupil');
  const pupil = pupils?.find((one) => one.id === asked);
  const { data: played } = useQuery({ ...pupilGamesQuery(pupil?.id ?? ''), enabled: pupil !== undefined });
  const set = (key: string, value: string) =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        if (value === '') next.delete(key);
        else next.set(key, value);
        return next;
      },
      { replace: true },
    );
  const [name, setName] = useState('');
  const box = useRef<HTMLInputElement>(null);
  const location = useLocation();
  const finding = (location.state as { find?: boolean } | null)?.find ?? false;
  useEffect(() => {
    if (finding) box.current?.focus();
  }, [finding, location.key]);
  const found = games.filter(
    (game) => fits(game, params) && game.name.toLowerCase().includes(name.trim().toLowerCase()),
  );
  const beside = besideGames.filter(
    ({ places, fits }) =>
      (!params.get('where') || places.some((one) => one === params.get('where'))) && fits(params, name),
  );
  const choice = (key: string, label: string, options: readonly (readonly [string, string])[]) => (
    <TextField
      select
      size="small"
      label={label}
      value={options.some(([value]) => value === params.get(key)) ? (params.get(key) ?? '') : ''}
      onChange={(event) => set(key, event.target.value)}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
    >
      <MenuItem value="">any</MenuItem>
      {options.map(([value, says]) => (
        <MenuItem key={value} value={value}>
          {says}
        </MenuItem>
      ))}
    </TextField>
  );
  return (
    <>
      <div className="work-head">
        <div>
          <h1>Shelf</h1>
          <p className="quiet">
            Games, on the screen or with real cards and dice. Every fact said goes on record.
          </p>
        </div>
        <div className="head-keys">
          <Button
            variant="outlined"
            component={Link}
            to={`/shelf/bench${params.get('pupil') ? `?pupil=${params.get('pupil')}` : ''}`}
          >
            Deck bench
          </Button>
          <Button variant="outlined" component={Link} to="/print">
            Print
          </Button>
        </div>
      </div>
      <div className="shelf-find" role="search" aria-label="Find a game">
        <TextField
          size="small"
          label="Name"
          value={name}
          inputRef={box}
          onChange={(event) => setName(event.target.value.slice(0, 40))}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { autoComplete: 'off' } }}
        />
        {choice(
          'pupil',
          'For',
          (pupils ?? []).map((one) => [one.id, one.name]),
        )}
        {choice('practises', 'Practises', practisedNames)}
        {choice(
          'where',
          'Where',
          gamePlaces.map((one) => [one, placeNames[one]]),
        )}
        {choice(
          'with',
          'With',
          materialKinds.map((one) => [one, materialNames[one]]),
        )}
        {choice(
          'players',
          'Players',
          ['1', '2', '3', '4'].map((one) => [one, one]),
        )}
        {choice(
          'minutes',
          'Minutes at hand',
          times.map((one) => [String(one), `${one} or fewer`]),
        )}
      </div>
      {pupil && <WhichGame key={pupil.id} pupil={pupil} />}
      {found.length === 0 && beside.length === 0 && (
        <Empty title="No game fits all of that">
          <p>Leave one of the wishes open.</p>
        </Empty>
      )}
      {families.map((family) => {
        const own = found.filter((game) => game.family === family);
        const others = beside.filter((one) => one.family === family);
        return own.length === 0 && others.length === 0 ? null : (
          <section key={family} className="shelf-family" aria-label={familyNames[family]}>
            <h2>{familyNames[family]}</h2>
            <ul>
              {own.map((game) => (
                <ShelfGame
                  key={`${game.id} ${pupil?.id ?? ''}`}
                  game={game}
                  pupil={pupil}
                  asked={asked !== null}
                  at={played?.find((one) => one.game === game.id)}
                  query={asked ? `?pupil=${asked}` : ''}
                />
              ))}
              {others.map(({ Entry }, nth) => (
                <Entry key={nth} pupil={pupil} />
              ))}
            </ul>
          </section>
        );
      })}
    </>
  );
}

function fits(game: AnyGame, params: URLSearchParams): boolean {
  const what = params.get('practises');
  const where = params.get('where');
  const material = params.get('with');
  const players = Number(params.get('players') ?? 0);
  const minutes = Number(params.get('minutes') ?? 0);
  return (
    (!what || practises(game, what)) &&
    (!where || placesOf(game).has(where as GamePlace)) &&
    (!material || kindsOf(game).has(material as MaterialKind)) &&
    (!players || (game.seats.least <= players && players <= game.seats.most)) &&
    (!minutes || game.minutes <= minutes)
  );
}
