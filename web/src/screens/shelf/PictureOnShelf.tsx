import Button from '@mui/material/Button';
import type { Pupil } from '@veldrift/wire';
import { Link } from 'react-router';
import { OwnPicture } from '../../parts/pictures/OwnPicture.tsx';

const name = 'A picture for a fact';

/** Whether what is looked for on the shelf may be a picture of a fact: of any operation, with paper at most. */
export function fitsPicture(params: URLSearchParams, typed: string): boolean {
  return name.toLowerCase().includes(typed.trim().toLowerCase()) && !params.get('with');
}

/** Two pairs of cherries, as a child draws them: two and two. */
const drawn = [
  [330, 460, 380, 300, 480, 200, 560, 300, 600, 460],
  ...[330, 600].map((x) => [x, 460, x + 70, 500, x + 60, 590, x - 40, 600, x - 75, 520, x, 460]),
  [480, 200, 600, 150, 700, 190],
];

/** A fact told by the child as a picture and a sentence: no game; it is kept for this pupil as a hint. */
export function PictureOnShelf({ pupil }: { readonly pupil: Pupil | undefined }) {
  const to = pupil ? `/pupils/${pupil.id}/pictures` : null;
  return (
    <li className="shelf-game">
      <span className="shelf-drawing picture-drawing" aria-hidden>
        <OwnPicture picture={{ sentence: '', lines: drawn }} />
      </span>
      <div className="shelf-says">
        {to ? <Link to={to}>{name}</Link> : <strong>{name}</strong>}
        <span>A fact that will not stay, told as a pair: a picture and a sentence of the child’s own.</span>
        <span className="quiet">It is their hint at the table.</span>
        {to ? (
          <Button variant="outlined" size="small" component={Link} to={to}>
            Draw
          </Button>
        ) : (
          <span className="quiet">Choose whom it is for above.</span>
        )}
      </div>
    </li>
  );
}
