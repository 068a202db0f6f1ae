import './aids.css';

/** Beads to a hundred, ten on each wire, five and five in two tones: those counted are pushed to the left. */
export function BeadFrame({ count }: { readonly count: number }) {
  const [pitch, gap] = [17, 44];
  return (
    <svg
      viewBox="0 0 240 172"
      className="aid-svg bead-frame"
      role="img"
      aria-label={`bead frame: ${count} of 100`}
    >
      {Array.from({ length: 10 }, (_, row) => {
        const own = Math.max(0, Math.min(10, count - 10 * row));
        const y = 12 + row * 16.5;
        return (
          <g key={row}>
            <path d={`M4 ${y}H236`} className="aid-line" />
            {Array.from({ length: 10 }, (_, bead) => (
              <circle
                key={bead}
                cx={14 + bead * pitch + (bead >= own ? gap : 0)}
                cy={y}
                r="6.8"
                className={`${bead < 5 ? 'aid-a' : 'aid-b'} ${bead < own ? '' : 'aid-faint'}`}
              />
            ))}
          </g>
        );
      })}
    </svg>
  );
}
