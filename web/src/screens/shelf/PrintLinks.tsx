import Button from '@mui/material/Button';
import { beginsWithBoard, type AnyGame } from '@veldrift/core/games';
import { Link } from 'react-router';
import type { ChosenRules } from './chosenRules.ts';

/** What there is on paper of a game: its rule card by the rules chosen, and its board. */
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
    </p>
  );
}
