/** A line with the hops of a sum or a difference: to the next ten first, where it is crossed. */
export function NumberLine({
  left,
  right,
  takes,
}: {
  readonly left: number;
  readonly right: number;
  readonly takes: boolean;
}) {
  const end = takes ? left - right : left + right;
  const low = Math.max(0, Math.floor((Math.min(left, end) - 1) / 10) * 10);
  const high = Math.max(low + 10, Math.ceil((Math.max(left, end) + 1) / 10) * 10);
  const width = 620;
  const at = (value: number) => 16 + ((value - low) / (high - low)) * (width - 32);
  const stops = stopsOf(left, end);
  const dense = high - low > 40;
  return (
    <svg
      viewBox={`0 0 ${width} 96`}
      width={width}
      className="aid-svg"
      role="img"
      aria-label={`number line from ${low} to ${high}: hops ${stops.join(', ')}`}
    >
      <path d={`M10 66H${width - 10}`} className="aid-line" />
      {Array.from({ length: high - low + 1 }, (_, nth) => low + nth).map((value) => (
        <g key={value}>
          <path d={`M${at(value)} ${value % 10 === 0 ? 56 : 60}V72`} className="aid-line" />
          {(value % 10 === 0 || (!dense && (high - low <= 20 || value % 5 === 0))) && (
            <text
              x={at(value)}
              y="90"
              textAnchor="middle"
              className={`aid-text ${value % 10 === 0 ? '' : 'small quiet'}`}
            >
              {value}
            </text>
          )}
        </g>
      ))}
      {stops.slice(1).map((stop, nth) => {
        const [from, to] = [at(stops[nth] as number), at(stop)];
        return (
          <g key={stop}>
            <path d={`M${from} 60Q${(from + to) / 2} ${10} ${to} 60`} className="aid-strong" />
            <text x={(from + to) / 2} y="26" textAnchor="middle" className="aid-text">
              {takes ? '\u2212' : '+'}
              {Math.abs(stop - (stops[nth] as number))}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

function stopsOf(from: number, to: number): number[] {
  const ten = to > from ? Math.ceil((from + 1) / 10) * 10 : Math.floor((from - 1) / 10) * 10;
  const crosses = to > from ? ten < to : ten > to;
  return from === to ? [from] : crosses && from % 10 !== 0 ? [from, ten, to] : [from, to];
}
