/** One row of a table, or two linked ones alone: never the whole grid. The place asked for is marked. */
export function TableRows({
  tables,
  upTo,
  stop,
}: {
  readonly tables: readonly number[];
  readonly upTo: number;
  readonly stop: number;
}) {
  const cell = 46;
  const width = 60 + upTo * cell;
  return (
    <svg
      viewBox={`0 0 ${width} ${22 + tables.length * 40}`}
      width={Math.min(660, width)}
      className="aid-svg"
      role="img"
      aria-label={tables.map((table) => `row of ${table}: ${multiples(table, upTo).join(', ')}`).join('; ')}
    >
      {Array.from({ length: upTo }, (_, nth) => (
        <text
          key={nth}
          x={60 + nth * cell + cell / 2}
          y="15"
          textAnchor="middle"
          className="aid-text small quiet"
        >
          {nth + 1}
        </text>
      ))}
      {tables.map((table, row) => (
        <g key={table}>
          <text x="46" y={48 + row * 40} textAnchor="end" className="aid-text">
            × {table}
          </text>
          {multiples(table, upTo).map((value, nth) => (
            <g key={value}>
              <rect
                x={60 + nth * cell}
                y={22 + row * 40}
                width={cell}
                height="36"
                className={`aid-cell ${nth + 1 === stop ? 'also' : ''}`}
              />
              <text x={60 + nth * cell + cell / 2} y={46 + row * 40} textAnchor="middle" className="aid-text">
                {value}
              </text>
            </g>
          ))}
        </g>
      ))}
    </svg>
  );
}

const multiples = (table: number, upTo: number) =>
  Array.from({ length: upTo }, (_, nth) => table * (nth + 1));
