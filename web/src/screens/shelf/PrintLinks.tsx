import Button from '@mui/material/Button';
import { beginsWithBoard, fitsHomeAt, isForClass, type AnyGame } from '@veldrift/core/games';
import { Link } from 'react-router';
import type { ChosenRules } from './chosenRules.ts';

/** What there is of a game elsewhere: on paper its rule card, its board and its home version, and the screen for a whole class. */
export function PrintLinks({ game, chosen }: { readonly game: AnyGame; readonly chosen: ChosenRules }) {
  const query = new URLSearchParams({ step: String(chosen.step) });
  if (chosen.house) query.set('house', chosen.house.id);
  return (
    <p className="game-print">
      <Button
        variant="outlined"
        size="small"
        component={Link}
        to={`/print/rules-${game.id}?${query.toString()}`}
      >
        Print the rules
      </Button>
      {beginsWithBoard(game, chosen.step) && (
        <Button
          variant="outlined"
          size="small"
          component={Link}
          to={`/print/board-${game.id}?step=${chosen.step}`}
        >
          Print the board
        </Button>
      )}
      {fitsHomeAt(game, chosen.step) && (
        <Button
          variant="outlined"
          size="small"
          component={Link}
          to={`/print/home-${game.id}?${query.toString()}`}
        >
          Print for home
        </Button>
      )}
      {isForClass(game) && (
        <Button variant="outlined" size="small" component={Link} to={`/class/${game.id}?step=${chosen.step}`}>
          With a whole class
        </Button>
      )}
      {game.id === 'grid-call' && (
        <Button variant="outlined" size="small" component={Link} to="/class/grid-call">
          With a whole class
        </Button>
      )}
    </p>
  );
}
