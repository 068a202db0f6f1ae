import { sampleTable, type AnyGame } from '@veldrift/core/games';
import { useMemo } from 'react';
import { GameField } from './GameField.tsx';
import { viewOf } from './gameView.ts';
import '../table/live.css';
import '../../parts/table/table.css';
import './ask.css';
import './game.css';
import './drawing.css';

const nothing = () => null;

/** A game's own table, a few turns in, drawn small: a picture, nothing of it can be pressed. */
export function TableDrawing({
  game,
  step,
  big = false,
}: {
  readonly game: AnyGame;
  readonly step: number;
  readonly big?: boolean;
}) {
  const view = useMemo(() => {
    const { play, state } = sampleTable(game, step);
    const plan = { game: game.id, mode: 'screen' } as const;
    return viewOf({ game, play }, plan, state, { names: ['Blue', 'Ochre'], keypad: false, claimed: [] });
  }, [game, step]);
  return (
    <div className={`drawing ${big ? 'big' : ''}`} aria-hidden inert>
      <div className="field drawing-table">
        <GameField view={view} promptId="drawing" typed={[]} onMove={nothing} onClaim={nothing} />
      </div>
    </div>
  );
}
