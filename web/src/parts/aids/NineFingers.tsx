/** Ten fingers with one folded: those to its left are the tens, those to its right the ones. */
export function NineFingers({ times }: { readonly times: number }) {
  const heights = [52, 74, 82, 76, 50, 50, 76, 82, 74, 52];
  return (
    <svg
      viewBox="0 0 460 130"
      width="520"
      className="aid-svg"
      role="img"
      aria-label={`ten fingers, finger ${times} folded: ${times - 1} before it and ${10 - times} after`}
    >
      {heights.map((height, nth) => {
        const folded = nth + 1 === times;
        const x = 12 + nth * 42 + (nth > 4 ? 22 : 0);
        const tall = folded ? 20 : height;
        return (
          <g key={nth}>
            <rect
              x={x}
              y={100 - tall}
              width="30"
              height={tall}
              rx="13"
              className={`finger ${folded ? 'folded' : ''}`}
            />
            <text x={x + 15} y="120" textAnchor="middle" className="aid-text small quiet">
              {nth + 1}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
