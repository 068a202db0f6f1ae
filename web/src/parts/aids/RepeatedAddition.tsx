/** A product as the same number added again and again: five to a line, so that they can be counted. */
export function RepeatedAddition({ times, of }: { readonly times: number; readonly of: number }) {
  const perLine = 5;
  const lines = Math.ceil(times / perLine);
  return (
    <svg
      viewBox={`0 0 420 ${Math.max(1, lines) * 44}`}
      width="420"
      className="aid-svg"
      role="img"
      aria-label={`${of} added ${times} times`}
    >
      {Array.from({ length: times }, (_, nth) => (
        <text
          key={nth}
          x={30 + (nth % perLine) * 80}
          y={32 + Math.floor(nth / perLine) * 44}
          textAnchor="middle"
          className="aid-text big"
        >
          {of}
          {nth + 1 < times && (
            <tspan dx="18" className="aid-plus">
              +
            </tspan>
          )}
        </text>
      ))}
    </svg>
  );
}
