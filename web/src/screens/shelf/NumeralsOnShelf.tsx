import Button from '@mui/material/Button';
import { numeralStrokes, type Numeral } from '@veldrift/core';
import { Link } from 'react-router';

const name = 'Form the numerals';
const to = '/shelf/numerals';

/** Whether what is looked for on the shelf may be the tracing of numerals: it practises no operation and takes no cards. */
export function fitsNumerals(params: URLSearchParams, typed: string): boolean {
  return (
    name.toLowerCase().includes(typed.trim().toLowerCase()) && !params.get('practises') && !params.get('with')
  );
}

/** Each numeral traced from the top: no game, and nothing of it is kept. */
export function NumeralsOnShelf() {
  return (
    <li className="shelf-game">
      <svg className="shelf-drawing" viewBox="-14 -20 176 140" aria-hidden>
        {([2, 5] as const satisfies readonly Numeral[]).flatMap((numeral, nth) =>
          numeralStrokes(numeral).map((stroke, at) => (
            <polyline
              key={`${numeral} ${at}`}
              points={stroke
                .map(({ x, y }) => `${(x * 100 + nth * 88).toFixed(0)},${(y * 100).toFixed(0)}`)
                .join(' ')}
            />
          )),
        )}
      </svg>
      <div className="shelf-says">
        <Link to={to}>{name}</Link>
        <span>The way of each numeral from the top, traced with a finger, a pen or a mouse.</span>
        <span className="quiet">Says where the way was left or begun at the wrong end. Also on paper.</span>
        <Button variant="outlined" size="small" component={Link} to={to}>
          Trace
        </Button>
      </div>
    </li>
  );
}
