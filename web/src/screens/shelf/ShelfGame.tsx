import Button from '@mui/material/Button';
import { operationNames, type Operation } from '@veldrift/core';
import type { AnyGame } from '@veldrift/core/games';
import type { Pupil } from '@veldrift/wire';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useSession } from '../../app/session.tsx';
import { TableDrawing } from '../game/TableDrawing.tsx';
import { firstStepFor, whyFor } from './firstStep.ts';
import { playersText, practisedBy, signsOf } from './gameWords.ts';
import { beginGame } from '../../live/begin/beginGame.ts';

/** A game on the shelf: its table drawn small, what it is for, why for this pupil, and the way to the table. */
export function ShelfGame({
  game,
  pupil,
  asked,
  at,
  query,
}: {
  readonly game: AnyGame;
  readonly pupil: Pupil | undefined;
  /** Somebody is asked for, known yet or not: the place of what is said of them is kept. */
  readonly asked: boolean;
  /** Where the pupil is in it; undefined: not played yet, or nobody is chosen. */
  readonly at: { readonly step: number } | undefined;
  readonly query: string;
}) {
  const session = useSession();
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState('');
  const step = at?.step ?? firstStepFor(game, pupil);
  const begin = async (who: Pupil) => {
    setBusy(true);
    try {
      const of = { id: game.id, step, pack: null, minutes: null };
      await navigate(`/table/${await beginGame(session, who, of)}`);
    } catch {
      setTrouble('It could not be begun. Try it again, or open the game.');
    }
    setBusy(false);
  };
  return (
    <li className="shelf-game">
      <TableDrawing game={game} step={step} />
      <div className="shelf-says">
        <Link to={`/shelf/${game.id}${query}`}>{game.name}</Link>
        <span>{game.told.aim}</span>
        <span className="quiet">
          <span
            className="numeral shelf-signs"
            style={{ marginRight: 8 }}
            role="img"
            aria-label={wordsOf(practisedBy(game))}
          >
            {signsOf(practisedBy(game))}
          </span>{' '}
          {playersText(game)} · {game.minutes} min
        </span>
        {asked && <span className="shelf-why">{pupil && whyFor(game, pupil, at)}</span>}
        {asked && game.seats.least <= 2 && (
          <Button
            size="small"
            variant="outlined"
            disabled={busy || !pupil}
            onClick={() => pupil && void begin(pupil)}
            aria-label={`${game.name} with ${pupil?.name ?? 'the pupil'}, to the table`}
          >
            To the table
          </Button>
        )}
        {trouble && (
          <p role="alert" className="clay">
            {trouble}
          </p>
        )}
      </div>
    </li>
  );
}

const wordsOf = (own: ReadonlySet<Operation>) =>
  [...own].map((one) => operationNames[one].toLowerCase()).join(', ') || 'no operation';
