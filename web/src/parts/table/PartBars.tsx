import { partsDrawn, type Part } from '@veldrift/core/games';

const whole = { height: 34, gap: 8, row: 52, side: 4 } as const;
const across = 560;

/** Parts of wholes below one another, each cut by its own bottom, with the cuts of the bottom that all of them share. */
export function PartBars({
  parts,
}: {
  readonly parts: readonly (Part & { readonly seat: number | null })[];
}) {
  const { wholes, bottom, shaded } = partsDrawn(parts);
  const width = (across - (wholes - 1) * whole.gap) / wholes;
  return (
    <svg
      viewBox={`0 0 ${across + 2 * whole.side} ${parts.length * whole.row}`}
      className="part-bars"
      role="img"
      aria-label={parts
        .map(({ top, bottom: own }, nth) => `${top}/${own} is ${shaded[nth]} of ${bottom}`)
        .join('; ')}
    >
      {parts.map((part, row) =>
        Array.from({ length: wholes }, (_, nth) => {
          const left = whole.side + nth * (width + whole.gap);
          const top = row * whole.row + 4;
          const filled = Math.min(1, Math.max(0, part.top / part.bottom - nth));
          return (
            <g key={`${row} ${nth}`}>
              <rect x={left} y={top} width={width} height={whole.height} className="part-whole" />
              <rect
                x={left}
                y={top}
                width={width * filled}
                height={whole.height}
                className={`part-of seat-${part.seat ?? 1}`}
              />
              {cuts(bottom).map((at) => (
                <path
                  key={`c ${at}`}
                  d={`M${left + width * at} ${top}v${whole.height}`}
                  className="part-cut"
                />
              ))}
              {cuts(part.bottom).map((at) => (
                <path key={at} d={`M${left + width * at} ${top}v${whole.height}`} className="part-cut own" />
              ))}
            </g>
          );
        }),
      )}
    </svg>
  );
}

/** Where a whole is cut into so many parts, 0 to 1. */
const cuts = (into: number): number[] => Array.from({ length: into - 1 }, (_, nth) => (nth + 1) / into);
