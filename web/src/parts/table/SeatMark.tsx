/** A seat's counter: each seat a shape of its own, so that colour is never all that tells. Solid: held for good. */
export function SeatMark({
  seat,
  held = true,
  size = 22,
}: {
  readonly seat: number | null;
  readonly held?: boolean;
  readonly size?: number;
}) {
  return (
    <svg
      viewBox="0 0 24 24"
      width={size}
      height={size}
      aria-hidden
      className={`seat-mark seat-${seat ?? 'all'}`}
    >
      <path d={seatShapes[seat ?? 4]} className={held ? 'solid' : 'open'} />
    </svg>
  );
}

/** Shapes of the seats in a box of 24, and of what belongs to all. */
export const seatShapes: readonly string[] = [
  'M12 2.5a9.5 9.5 0 1 0 .01 0z',
  'M3.5 3.5h17v17h-17z',
  'M6.500 2.500h11l5.500 9.500-5.500 9.500h-11L1 12z',
  'M12 1l11 11-11 11L1 12z',
  'M7 2h10v5h5v10h-5v5H7v-5H2V7h5z',
];
