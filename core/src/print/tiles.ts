import type { Area } from './paper.ts';
import type { Page, Piece } from './piece.ts';

/** Cards of one size to be cut out: how they lie on a page, and what stands on each. */
export interface Tiles {
  readonly width: number;
  readonly height: number;
  readonly count: number;
  readonly draw: (nth: number, area: Area) => readonly Piece[];
}

/** Pages of cards side by side, with lines to cut along; none is empty. */
export function tiled(room: Area, { width, height, count, draw }: Tiles): Page[] {
  const across = Math.max(1, Math.floor(room.width / width));
  const down = Math.max(1, Math.floor(room.height / height));
  const pages: Page[] = [];
  for (let first = 0; first < count; first += across * down) {
    const here = Math.min(across * down, count - first);
    const rows = Math.ceil(here / across);
    const cols = Math.min(across, here);
    const [right, bottom] = [room.left + cols * width, room.top + rows * height];
    const cuts: Piece[] = [
      ...Array.from({ length: cols + 1 }, (_, at): Piece => {
        const x = room.left + at * width;
        return { kind: 'line', x1: x, y1: room.top, x2: x, y2: bottom, cut: true };
      }),
      ...Array.from({ length: rows + 1 }, (_, at): Piece => {
        const y = room.top + at * height;
        return { kind: 'line', x1: room.left, y1: y, x2: right, y2: y, cut: true };
      }),
    ];
    const drawn = Array.from({ length: here }, (_, at) =>
      draw(first + at, {
        left: room.left + (at % across) * width,
        top: room.top + Math.floor(at / across) * height,
        ...{ width, height },
      }),
    );
    pages.push([...cuts, ...drawn.flat()]);
  }
  return pages;
}
