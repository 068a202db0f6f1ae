import {
  headlineOf,
  sampleTable,
  sampleTurn,
  tell,
  type AnyGame,
  type GameState,
  type Play,
} from '@veldrift/core/games';
import { useMemo } from 'react';
import { GameField } from './GameField.tsx';
import { viewOf, type GameView } from './gameView.ts';
import '../table/live.css';
import '../../parts/table/table.css';
import './ask.css';
import './game.css';
import './drawing.css';

const nothing = () => null;

const names = ['Blue', 'Ochre'];

const viewAt = (game: AnyGame, play: Play<unknown>, state: GameState) =>
  viewOf({ game, play }, { game: game.id, mode: 'screen' }, state, { names, keypad: false, claimed: [] });

/** A game's own table, a few turns in, drawn small: a picture, nothing of it can be pressed. */
export function TableDrawing({ game, step }: { readonly game: AnyGame; readonly step: number }) {
  const view = useMemo(() => {
    const { play, state } = sampleTable(game, step);
    return viewAt(game, play, state);
  }, [game, step]);
  return <Drawing view={view} />;
}

/** A turn of a game in pictures, each with what the table says of it. */
export function TurnDrawings({ game, step }: { readonly game: AnyGame; readonly step: number }) {
  const views = useMemo(() => {
    const { play, states } = sampleTurn(game, step);
    return states.map((state) => viewAt(game, play, state));
  }, [game, step]);
  return (
    <ol className="turn-drawings" aria-label="A turn in pictures">
      {views.map((view, nth) => (
        <li key={nth}>
          <Drawing view={view} />
          <span>{tell(nth < views.length - 1 ? headlineOf(view.need).says : view.says, names)}</span>
        </li>
      ))}
    </ol>
  );
}

function Drawing({ view }: { readonly view: GameView }) {
  return (
    <div className="drawing" aria-hidden inert>
      <div className="field drawing-table">
        <GameField view={view} promptId="drawing" typed={[]} onMove={nothing} onClaim={nothing} />
      </div>
    </div>
  );
}
