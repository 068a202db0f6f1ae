import Button from '@mui/material/Button';
import { GameError, openPlan } from '@veldrift/core/games';
import { useState } from 'react';
import { Link } from 'react-router';
import type { GameRow } from '../../app/deviceDb.ts';
import { Empty } from '../../parts/states.tsx';
import { RunningGame } from './RunningGame.tsx';

/** A game on the table; one that cannot be played here any more says why, and what was played stays. */
export function GameTable({ row }: { readonly row: GameRow }) {
  const [trouble] = useState(() => {
    try {
      openPlan(row.plan);
      return null;
    } catch (error) {
      if (error instanceof GameError) return error.message;
      throw error;
    }
  });
  if (trouble === null) return <RunningGame row={row} />;
  return (
    <main style={{ padding: 32 }}>
      <Empty title={row.title}>
        <p>{trouble}</p>
        <div className="actions">
          <Button variant="outlined" component={Link} to={`/review/${row.playId}`}>
            What was played
          </Button>
          <Button variant="outlined" component={Link} to={`/shelf/${row.plan.game}?pupil=${row.pupilId}`}>
            Begin it anew
          </Button>
        </div>
      </Empty>
    </main>
  );
}
