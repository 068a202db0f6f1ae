import { useRef, useState, type KeyboardEvent, type ReactNode } from 'react';

/** A square of a board on the screen. */
export interface GridSquare {
  readonly key: string;
  readonly label: string;
  readonly content: ReactNode;
  readonly className?: string;
}

interface Props {
  readonly name: string;
  readonly across: number;
  readonly squares: readonly GridSquare[];
  /** Squares may be pressed now; without it the board is only looked at. */
  readonly onPress?: ((at: number, when: number) => void) | undefined;
  /** Hears which square is under the finger or the focus. */
  readonly onOver?: (at: number | null) => void;
  readonly className?: string;
}

const steps: Readonly<Record<string, readonly [number, number]>> = {
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
};

/** A board of squares: pressed by hand, or walked with the arrow keys and pressed with Enter. One stop for the Tab key. */
export function GridBoard({ name, across, squares, onPress, onOver, className = '' }: Props) {
  const [at, setAt] = useState(0);
  const cells = useRef<(HTMLButtonElement | null)[]>([]);
  const stop = Math.min(at, squares.length - 1);
  const walk = (event: KeyboardEvent) => {
    const step = steps[event.key];
    if (!step) return;
    event.preventDefault();
    event.stopPropagation();
    const [row, col] = [Math.floor(stop / across) + step[0], (stop % across) + step[1]];
    const next = row * across + col;
    if (col < 0 || col >= across || next < 0 || next >= squares.length) return;
    setAt(next);
    cells.current[next]?.focus();
  };
  const rows = Array.from({ length: Math.ceil(squares.length / across) }, (_, row) =>
    squares.slice(row * across, (row + 1) * across),
  );
  return (
    // The keys are those of the squares in it.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
    <div
      role="group"
      aria-label={name}
      className={`grid-board ${className}`}
      style={{ gridTemplateColumns: `repeat(${across}, minmax(0, 1fr))` }}
      onKeyDown={onPress ? walk : undefined}
      onPointerLeave={() => onOver?.(null)}
    >
      {rows.flatMap((row, nthRow) =>
        row.map((square, col) => {
          const nth = nthRow * across + col;
          if (!onPress)
            return (
              <div
                key={square.key}
                className={`square-cell ${square.className ?? ''}`}
                role="img"
                aria-label={square.label}
              >
                {square.content}
              </div>
            );
          return (
            <button
              key={square.key}
              type="button"
              ref={(cell) => {
                cells.current[nth] = cell;
              }}
              className={`square-cell ${square.className ?? ''}`}
              aria-label={square.label}
              tabIndex={nth === stop ? 0 : -1}
              onFocus={() => {
                setAt(nth);
                onOver?.(nth);
              }}
              onPointerEnter={() => onOver?.(nth)}
              onClick={(event) => onPress(nth, event.timeStamp)}
            >
              {square.content}
            </button>
          );
        }),
      )}
    </div>
  );
}
