import { digitAt } from '@veldrift/core';

const heads = ['Ones', 'Tens', 'Hundreds'] as const;

/** Numbers in headed columns, an arrow from the ones on. */
export function PlaceFrame({ numbers }: { readonly numbers: readonly number[] }) {
  const places = Math.max(2, ...numbers.map((one) => String(one).length));
  const width = 84;
  return (
    <svg
      viewBox={`0 0 ${places * width + 4} ${44 + numbers.length * 46}`}
      width={places * width + 4}
      className="aid-svg"
      role="img"
      aria-label={`place frame: ${numbers.join(' and ')}`}
    >
      {Array.from({ length: places }, (_, nth) => {
        const place = places - 1 - nth;
        return (
          <g key={place}>
            <rect
              x={2 + nth * width}
              y="22"
              width={width}
              height={numbers.length * 46 + 4}
              className={`aid-cell ${place % 2 === 1 ? 'lit' : 'also'}`}
            />
            <text x={2 + nth * width + width / 2} y="16" textAnchor="middle" className="aid-head">
              {heads[place] ?? ''}
            </text>
            {numbers.map((number, row) =>
              String(number).length > place ? (
                <text
                  key={row}
                  x={2 + nth * width + width / 2}
                  y={56 + row * 46}
                  textAnchor="middle"
                  className="aid-text big"
                >
                  {digitAt(number, place)}
                </text>
              ) : null,
            )}
          </g>
        );
      })}
      <path
        d={`M${places * width - 20} ${36 + numbers.length * 46}H30m8 -5l-9 5l9 5`}
        className="aid-strong"
      />
    </svg>
  );
}
