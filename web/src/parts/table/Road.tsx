import { SeatMark } from './SeatMark.tsx';
import { atOnRoad, lanesOf, slabsOf } from './roadSlabs.ts';

export interface Walker {
  /** Whose counter it is; null: everyone's. */
  readonly seat: number | null;
  readonly at: number;
}

/**
 * The way to a total, with a counter for each seat that is on it. Its slabs are tens, fifties or hundreds: one sees how far it is,
 * and nobody can count along it. What the counters stand on is read beside it.
 */
export function Road({ to, walkers }: { readonly to: number; readonly walkers: readonly Walker[] }) {
  const places = walkers.map(({ at }) => atOnRoad(at, to));
  const lanes = lanesOf(places);
  return (
    <div className="road" aria-hidden>
      <div className="road-lanes" style={{ height: `calc(${walkers.length} * var(--lane))` }}>
        {walkers.map(({ seat }, nth) => (
          <span
            key={seat ?? 'all'}
            className="road-walker"
            style={{ left: `${100 * (places[nth] ?? 0)}%`, bottom: `calc(${lanes[nth] ?? 0} * var(--lane))` }}
          >
            <SeatMark seat={seat} size={30} />
          </span>
        ))}
      </div>
      <div className="road-slabs">
        {slabsOf(to).map(({ from, upTo }) => (
          <span key={from} className="road-slab numeral" style={{ flexGrow: upTo - from }}>
            {upTo}
          </span>
        ))}
      </div>
    </div>
  );
}
