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
      <path d={shapes[seat ?? 4]} className={held ? 'solid' : 'open'} />
    </svg>
  );
}

const shapes: readonly string[] = [
  'M12 2.5a9.5 9.5 0 1 0 .01 0z',
  'M3.5 3.5h17v17h-17z',
  'M12 2.5l10.5 19h-21z',
  'M12 1.5l10 10.5-10 10.5-10-10.5z',
  'M12 2l3 6.5 7 .8-5.200 4.800 1.500 7-6.300-3.600-6.300 3.600 1.500-7-5.200-4.800 7-.8z',
];
