import { lineBegun, lineDrawn, pictureBox, type PenLine } from '@veldrift/core';
import { penPath } from '../../parts/pictures/OwnPicture.tsx';
import { usePenPlaces } from '../../parts/usePenPlaces.ts';

/** The paper a child draws on, with a finger, a pen or a mouse. */
export function DrawPad({
  lines,
  onChange,
  onLifted,
}: {
  readonly lines: readonly PenLine[];
  /** Hears how the lines change, from those that stand now: a pen is quicker than the screen. */
  readonly onChange: (change: (lines: readonly PenLine[]) => readonly PenLine[]) => void;
  readonly onLifted: () => void;
}) {
  const { drawing, events } = usePenPlaces<SVGGElement>({
    onDown: ({ x, y }) => onChange((lines) => lineBegun(lines, x, y)),
    onMove: (through) => onChange((lines) => through.reduce((now, { x, y }) => lineDrawn(now, x, y), lines)),
    onUp: onLifted,
  });
  return (
    <svg
      className="draw-pad"
      viewBox={`0 0 ${pictureBox.width} ${pictureBox.height}`}
      role="img"
      aria-label="Paper to draw on"
      {...events}
    >
      <g ref={drawing}>
        {/* What gives the group its measure where nothing is drawn yet. */}
        <rect className="draw-paper" width={pictureBox.width} height={pictureBox.height} />
        {lines.map((line, nth) => (
          <path key={nth} className="pen-line" d={penPath(line)} />
        ))}
      </g>
    </svg>
  );
}
