import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import {
  numberRecipe,
  operationNames,
  operations,
  packText,
  parseFactKey,
  readPack,
  type Deck,
  type Draw,
  type Operation,
} from '@veldrift/core';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { findSet } from '../../app/book.ts';
import { pupilsQuery } from '../../app/queries.ts';
import { Empty, Loading, Trouble } from '../../parts/states.tsx';
import { DeckBench } from './DeckBench.tsx';

const packs = [5, 6, 7, 8, 9, 10, 12, 13] as const;

/** A pack put together for a child, away from any game. All that is chosen stands in the address. */
export function BenchPage() {
  const [params, setParams] = useSearchParams();
  const pupils = useQuery(pupilsQuery);
  const [stays, setStays] = useState(params.get('stays') ?? '');
  // At once here; the address follows.
  const [deck, setDeck] = useState<Deck | null>(() => readPack(params.get('pack')));
  if (!pupils.data)
    return pupils.error ? (
      <Trouble error={pupils.error} onRetry={() => void pupils.refetch()} />
    ) : (
      <Loading what="the pupils" />
    );
  if (pupils.data.length === 0)
    return (
      <Empty title="A pack is put together for a pupil">
        <Button variant="contained" component={Link} to="/pupils?new=1">
          Add the first pupil
        </Button>
      </Empty>
    );
  const pupil = pupils.data.find((one) => one.id === params.get('pupil'));
  const [first = '1+1'] = findSet(pupil?.setId ?? '')?.practises ?? [];
  const own = parseFactKey(first).operation;
  const operation = operations.find((one) => one === params.get('operation')) ?? own;
  const most = packs.find((one) => String(one) === params.get('to')) ?? 10;
  const number = /^\d{1,2}$/.test(stays) ? Number(stays) : null;
  const set = (changes: Readonly<Record<string, string>>) =>
    setParams(
      (before) => {
        for (const [name, value] of Object.entries(changes))
          if (value === '') before.delete(name);
          else before.set(name, value);
        return before;
      },
      { replace: true },
    );
  const game = gameFor(operation);
  const drawOf = (of: Deck): Draw =>
    number === null ? { kind: 'pairs', operation, deck: of } : { kind: 'fixed', operation, deck: of, number };
  return (
    <>
      <div className="work-head">
        <div>
          <h1>Deck bench</h1>
          <p className="quiet">Put a pack together for a child, and see what it shows before it is dealt.</p>
        </div>
        {deck && pupil && number === null && (
          <Button
            variant="contained"
            component={Link}
            to={`/shelf/${game.id}?${new URLSearchParams({ pupil: pupil.id, operation, pack: packText(deck) })}`}
          >
            Play {game.name} with it
          </Button>
        )}
      </div>
      <div className="shelf-find">
        <TextField
          select
          size="small"
          label="For"
          value={pupil?.id ?? ''}
          onChange={(event) => set({ pupil: event.target.value })}
        >
          {pupils.data.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          size="small"
          label="Operation"
          value={operation}
          onChange={(event) => set({ operation: event.target.value })}
        >
          {operations.map((one) => (
            <MenuItem key={one} value={one}>
              {operationNames[one]}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          size="small"
          label="Pack"
          value={most}
          onChange={(event) => {
            setDeck(null);
            set({ to: event.target.value, pack: '' });
          }}
        >
          {packs.map((one) => (
            <MenuItem key={one} value={one}>
              1 to {one}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          size="small"
          label="A number that stays"
          value={stays}
          error={stays !== '' && number === null}
          helperText={
            stays !== '' && number === null ? 'A whole number from 0 to 99.' : 'Empty: two cards together'
          }
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          onChange={(event) => {
            setStays(event.target.value);
            set({ stays: event.target.value });
          }}
        />
      </div>
      {!pupil && <p>Choose whom it is for: then it is told what the pack shows.</p>}
      <DeckBench
        key={`${most}`}
        recipe={numberRecipe(1, most)}
        deck={deck}
        onDeck={(next) => {
          setDeck(next);
          set({ pack: next ? packText(next) : '' });
        }}
        drawOf={drawOf}
        pupil={pupil}
      />
    </>
  );
}

/** What is played with a pack at once: the first to say it, or where quotients are asked whose is larger. */
const gameFor = (operation: Operation) =>
  operation === 'div' ? { id: 'outweigh', name: 'Outweigh' } : { id: 'first-voice', name: 'First voice' };
