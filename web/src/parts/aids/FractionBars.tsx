/** A whole, and below it the same whole cut into equal parts, one of them marked. */
export function FractionBars({ whole, parts }: { readonly whole: number; readonly parts: number }) {
  const width = 560;
  const part = width / parts;
  return (
    <svg
      viewBox="0 0 570 104"
      width="570"
      className="aid-svg"
      role="img"
      aria-label={`a bar of ${whole} cut into ${parts} equal parts`}
    >
      <rect x="5" y="4" width={width} height="38" className="aid-cell" />
      <text x={5 + width / 2} y="29" textAnchor="middle" className="aid-text">
        {whole}
      </text>
      {Array.from({ length: parts }, (_, nth) => (
        <rect
          key={nth}
          x={5 + nth * part}
          y="50"
          width={part}
          height="38"
          className={`aid-cell ${nth === 0 ? 'also' : ''}`}
        />
      ))}
      <text x={5 + part / 2} y="75" textAnchor="middle" className="aid-text">
        ?
      </text>
    </svg>
  );
}
