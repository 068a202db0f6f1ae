import { seatShapes } from './SeatMark.tsx';

/** A counter that fills its square; one that is held for good lies on another. */
export function Counter({ seat, held }: { readonly seat: number | null; readonly held: boolean }) {
  const shape = seatShapes[seat ?? 4];
  return (
    // Alone it lies in the middle; the one under it looks out at a corner.
    <svg viewBox={held ? '1 1 27 27' : '0 0 26 26'} aria-hidden className={`counter seat-${seat ?? 'all'}`}>
      {held && <path d={shape} transform="translate(3 3.200)" className="counter-under" />}
      <path d={shape} transform="translate(1 1)" className="counter-top" />
    </svg>
  );
}
