/** One to a hundred in rows of ten: the first number, and where it leads. */
export function HundredSquare({ marks }: { readonly marks: readonly number[] }) {
  const cell = 25;
  return (
    <svg
      viewBox="0 0 254 254"
      width="254"
      className="aid-svg"
      role="img"
      aria-label={`hundred square: ${marks.join(', ')} lit`}
    >
      {Array.from({ length: 100 }, (_, nth) => {
        const [x, y] = [2 + (nth % 10) * cell, 2 + Math.floor(nth / 10) * cell];
        const at = marks.indexOf(nth + 1);
        return (
          <g key={nth}>
            <rect
              x={x}
              y={y}
              width={cell}
              height={cell}
              className={`aid-cell ${at === marks.length - 1 ? 'also' : at >= 0 ? 'lit' : ''}`}
            />
            <text x={x + cell / 2} y={y + 17} textAnchor="middle" className="aid-text small">
              {nth + 1}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
