import Button from '@mui/material/Button';
import type { Pupil } from '@veldrift/wire';
import { Link } from 'react-router';
import { SeatMark } from '../../parts/table/SeatMark.tsx';

const name = 'Toll';

/** Whether what is looked for on the shelf may be a game of the children's own: a board, any operation, any number of them, any time. */
export function fitsToll(params: URLSearchParams, typed: string): boolean {
  const material = params.get('with');
  return name.toLowerCase().includes(typed.trim().toLowerCase()) && (!material || material === 'board');
}

/** A fact of the child's set before each move of any game there is at home or school: a drill whose clock stands for the moves. */
export function TollOnShelf({ pupil }: { readonly pupil: Pupil | undefined }) {
  const to = pupil ? `/table/new/${pupil.id}?what=drill&toll=1` : null;
  return (
    <li className="shelf-game">
      <span className="toll-drawing" aria-hidden>
        {[0, 1, 2, 3, 4, 5, 6, 7].map((square) => (
          <span key={square} className="toll-square">
            {square === 1 && <SeatMark seat={0} size={34} />}
            {square === 4 && <SeatMark seat={1} size={34} />}
          </span>
        ))}
      </span>
      <div className="shelf-says">
        {to ? <Link to={to}>{name}</Link> : <strong>{name}</strong>}
        <span>A fact before each move of any board, building or domino game of your own.</span>
        <span className="quiet">
          Facts of the child’s set, one new among known; the clock stands for the move.
        </span>
        {to ? (
          <Button variant="outlined" size="small" component={Link} to={to}>
            Set it up
          </Button>
        ) : (
          <span className="quiet">Choose whom it is for above.</span>
        )}
      </div>
    </li>
  );
}
