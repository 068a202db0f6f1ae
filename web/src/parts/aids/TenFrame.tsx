/** One or two frames of ten: the first number in one tone, what is added in another, what is taken away struck through. */
export function TenFrame({
  left,
  right,
  takes,
}: {
  readonly left: number;
  readonly right: number;
  readonly takes: boolean;
}) {
  const total = takes ? left : left + right;
  const frames = total > 10 ? 2 : 1;
  const cell = 34;
  return (
    <svg
      viewBox={`0 0 ${frames * 190} 76`}
      width={frames * 270}
      className="aid-svg"
      role="img"
      aria-label={`ten frame: ${left} ${takes ? 'less' : 'and'} ${right}`}
    >
      {Array.from({ length: frames * 10 }, (_, at) => {
        const frame = Math.floor(at / 10);
        const inFrame = at % 10;
        const x = frame * 190 + 4 + (inFrame % 5) * cell;
        const y = 4 + Math.floor(inFrame / 5) * cell;
        const gone = takes && at >= left - right && at < left;
        return (
          <g key={at}>
            <rect x={x} y={y} width={cell} height={cell} className="aid-cell" />
            {at < total && (
              <circle
                cx={x + 17}
                cy={y + 17}
                r="12"
                className={gone ? 'aid-none' : at < left ? 'aid-a' : 'aid-b'}
              />
            )}
            {gone && <path d={`M${x + 7} ${y + 27}L${x + 27} ${y + 7}`} className="aid-strong" />}
          </g>
        );
      })}
    </svg>
  );
}
