import Button from '@mui/material/Button';
import { operations } from '@veldrift/core';
import { Link } from 'react-router';

const name = 'Partners about';
const to = '/class/partners-about';

/** Whether what is looked for on the shelf may be finding partners: with printed cards or devices, a class, some minutes. */
export function fitsPartners(params: URLSearchParams, typed: string): boolean {
  const material = params.get('with');
  const practises = params.get('practises');
  return (
    name.toLowerCase().includes(typed.trim().toLowerCase()) &&
    (!material || material === 'cards') &&
    !params.get('players') &&
    (!practises || operations.some((one) => one === practises))
  );
}

/** Each child of a class finds the one whose card belongs to theirs: nobody is named, and nothing is kept. */
export function PartnersOnShelf() {
  return (
    <li className="shelf-game">
      <svg className="shelf-drawing" viewBox="0 0 160 120" aria-hidden>
        {(
          [
            [14, 20, '7×8', -6],
            [90, 12, '56', 7],
            [50, 64, '6×9', 3],
          ] as const
        ).map(([x, y, text, turned]) => (
          <g key={text} transform={`translate(${x} ${y}) rotate(${turned})`}>
            <rect width="56" height="40" rx="4" className="shelf-card" />
            <text x="28" y="27" textAnchor="middle" className="numeral">
              {text}
            </text>
          </g>
        ))}
      </svg>
      <div className="shelf-says">
        <Link to={to}>{name}</Link>
        <span>One card each for a class: find the one whose card belongs to yours.</span>
        <span className="quiet">Printed cards, or up to forty devices joined by one code. About 8 min.</span>
        <Button variant="outlined" size="small" component={Link} to={to}>
          With a whole class
        </Button>
      </div>
    </li>
  );
}
