import { diePips, type DieSides } from '@veldrift/core';

/** Outlines of the other dice: by their number of corners, so that each is known by its shape. */
const corners: Readonly<Record<Exclude<DieSides, 6>, number>> = { 4: 3, 8: 4, 10: 5, 12: 6, 20: 8 };

function outline(count: number): string {
  return Array.from({ length: count }, (_, nth) => {
    const turn = (2 * Math.PI * nth) / count - Math.PI / 2;
    return `${(50 + 46 * Math.cos(turn)).toFixed(1)},${((count === 3 ? 58 : 50) + 46 * Math.sin(turn)).toFixed(1)}`;
  }).join(' ');
}

/** How high a die is with its side, in its widths. */
export const dieShape = 1.08;

/** A die as it lies: pips on six sides, a numeral on the others. */
export function Die({
  shown,
  sides = 6,
  size = 96,
  kind = 0,
}: {
  /** null: it waits to be rolled. */
  readonly shown: number | null;
  readonly sides?: DieSides;
  readonly size?: number;
  /** Dice that mean different things are told apart by colour. */
  readonly kind?: number;
}) {
  return (
    <svg
      viewBox="0 0 100 108"
      width={size}
      height={size * dieShape}
      role="img"
      aria-label={shown === null ? 'a die' : `a die showing ${shown}`}
      className={`die kind-${kind % 4}`}
    >
      {sides === 6 ? (
        <>
          <rect x="4" y="13" width="92" height="92" rx="17" className="die-side" />
          <rect x="4" y="4" width="92" height="92" rx="17" className="die-ground" />
          <rect x="11" y="11" width="78" height="78" rx="22" className="die-face" />
          {diePips(shown ?? 0).map(({ col, row }) => (
            <circle key={`${col} ${row}`} cx={26 + col * 24} cy={26 + row * 24} r="8.5" className="die-pip" />
          ))}
        </>
      ) : (
        <>
          <polygon points={outline(corners[sides])} transform="translate(0 8)" className="die-side" />
          <polygon points={outline(corners[sides])} className="die-ground" />
          <text x="50" y={sides === 4 ? 72 : 64} textAnchor="middle" className="die-numeral">
            {shown}
          </text>
        </>
      )}
    </svg>
  );
}
