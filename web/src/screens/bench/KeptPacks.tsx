import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { deckWords, packText, readPack, type Deck, type Operation } from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { api, ApiError } from '../../app/api.ts';
import { isolated } from '../../app/isolated.ts';
import { packsQuery, queryClient } from '../../app/queries.ts';
import { Trouble } from '../../parts/states.tsx';

/** Packs kept under a name, for this pupil and for the room; and the one on the bench, to be kept. */
export function KeptPacks({
  pupil,
  operation,
  numbers,
  deck,
  onDeck,
}: {
  readonly pupil: Pupil;
  readonly operation: Operation;
  /** Those of the pack on the bench: a kept pack of other numbers is not for it. */
  readonly numbers: readonly number[];
  /** What lies on the bench; null: the whole pack, which needs no keeping. */
  readonly deck: Deck | null;
  readonly onDeck: (deck: Deck) => void;
}) {
  const { enqueueSnackbar } = useSnackbar();
  const packs = useQuery(packsQuery(pupil.id));
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState('');
  const [busy, setBusy] = useState(false);
  const send = async (what: () => Promise<unknown>, says: string) => {
    setBusy(true);
    setTrouble('');
    try {
      await what();
      await queryClient.invalidateQueries({ queryKey: ['packs'] });
      enqueueSnackbar(says);
      setName('');
    } catch (error) {
      setTrouble(
        error instanceof ApiError && !error.away
          ? error.problem.message
          : 'The server was not reached: nothing was kept. The pack still lies on the bench; try again.',
      );
    } finally {
      setBusy(false);
    }
  };
  const keep = (pupilId: string | null) => {
    if (deck === null) return;
    if (name.trim() === '') return setTrouble('Give the pack a name, to find it again.');
    void send(
      () => api.keepPack({ id: uuid(), pupilId, name, operation, pack: packText(deck) }),
      `Kept: ${name.trim()}.`,
    );
  };
  const here = new Set(numbers);
  const fits = (packs.data ?? []).flatMap((one) => {
    const own = readPack(one.pack);
    return own && one.operation === operation && [...own.keys()].every((number) => here.has(number))
      ? [{ kept: one, deck: own }]
      : [];
  });
  return (
    <section className="bench-kept" aria-label="Kept packs">
      <h2>Kept packs</h2>
      {packs.error && !packs.data && <Trouble error={packs.error} onRetry={() => void packs.refetch()} />}
      {packs.data && fits.length === 0 && (
        <p className="quiet">None yet. Put one together, and keep it under a name.</p>
      )}
      <ul>
        {fits.map(({ kept, deck: own }) => (
          <li key={kept.id}>
            <button type="button" className="linkish" onClick={() => onDeck(own)}>
              {kept.name}
            </button>
            <span className="quiet">
              {deckWords(own)}
              {kept.pupilId === null && ', for everyone'}
            </span>
            <button
              type="button"
              className="linkish"
              disabled={busy}
              aria-label={`Let ${kept.name} go`}
              onClick={() => void send(() => api.dropPack(kept.id), `${kept.name} is let go.`)}
            >
              Let go
            </button>
          </li>
        ))}
      </ul>
      {deck !== null && (
        <form
          className="keep-pack"
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            keep(pupil.id);
          }}
        >
          <TextField
            size="small"
            label="Name of this pack"
            value={name}
            error={trouble !== ''}
            onChange={(event) => {
              setName(event.target.value.slice(0, 60));
              setTrouble('');
            }}
          />
          <Button type="submit" variant="outlined" disabled={busy}>
            Keep it for {isolated(pupil.name)}
          </Button>
          <Button variant="outlined" disabled={busy} onClick={() => keep(null)}>
            Keep it for everyone
          </Button>
        </form>
      )}
      {trouble && <p role="alert">{trouble}</p>}
    </section>
  );
}
