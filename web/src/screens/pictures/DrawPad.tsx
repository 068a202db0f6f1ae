import { lineBegun, lineDrawn, pictureBox, pictureIsFull, type PenLine } from '@veldrift/core';
import { useRef } from 'react';
import { penPath } from '../../parts/pictures/OwnPicture.tsx';
import { usePenPlaces } from '../../parts/usePenPlaces.ts';

/** The paper a child draws on, with a finger, a pen or a mouse. */
export function DrawPad({
  lines,
  onChange,
}: {
  readonly lines: readonly PenLine[];
  /** Hears how the lines change, from those that stand now: a pen is quicker than the screen. */
  readonly onChange: (change: (lines: readonly PenLine[]) => readonly PenLine[]) => void;
}) {
  /** Whether the pen that is down draws: a full picture takes no line, and what follows belongs to none. */
  const draws = useRef(false);
  const { drawing, events } = usePenPlaces<SVGGElement>({
    onDown: ({ x, y }) => {
      draws.current = !pictureIsFull(lines);
      onChange((now) => lineBegun(now, x, y));
    },
    onMove: (through) => {
      if (draws.current) onChange((now) => through.reduce((drawn, { x, y }) => lineDrawn(drawn, x, y), now));
    },
    onUp: () => undefined,
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
