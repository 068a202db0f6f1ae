import type { Glance } from '@veldrift/core';

/** The ring around a place of a frame, of the height. */
const ring = { radius: 0.15, line: 0.008 };

/** Pips by their pattern, as large as its place is. */
export function GlancePicture({ glance, says }: { readonly glance: Glance; readonly says: string }) {
  const { wide, radius, framed, spots, empty } = glance;
  return (
    <svg className="glance-picture" role="img" aria-label={says} viewBox={`0 0 ${wide} 1`}>
      <rect x={0.004} y={0.004} width={wide - 0.008} height={0.992} rx={0.04} className="glance-paper" />
      {framed &&
        [...spots, ...empty].map(({ x, y }) => (
          <circle
            key={`${x} ${y}`}
            cx={x}
            cy={y}
            r={ring.radius}
            className="glance-place-of"
            strokeWidth={ring.line}
          />
        ))}
      {spots.map(({ x, y }) => (
        <circle key={`${x} ${y}`} cx={x} cy={y} r={radius} className="glance-pip" />
      ))}
    </svg>
  );
}
