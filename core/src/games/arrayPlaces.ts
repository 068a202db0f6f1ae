/** A rectangle on a plot; row and column of its first corner, 0-based. */
export interface Plot {
  readonly row: number;
  readonly col: number;
  readonly rows: number;
  readonly cols: number;
}

/** Whether two rectangles share a square. */
export const overlap = (a: Plot, b: Plot): boolean =>
  a.row < b.row + b.rows && b.row < a.row + a.rows && a.col < b.col + b.cols && b.col < a.col + a.cols;

/** Every place where an array of a × b fits, either way round, among those that lie; one way only when a = b. */
export function arrayPlaces(
  filled: readonly Plot[],
  a: number,
  b: number,
  height: number,
  width: number,
): Plot[] {
  const out: Plot[] = [];
  for (const [rows, cols] of a === b
    ? [[a, b]]
    : [
        [a, b],
        [b, a],
      ]) {
    for (let row = 0; row + (rows as number) <= height; row += 1)
      for (let col = 0; col + (cols as number) <= width; col += 1) {
        const place = { row, col, rows: rows as number, cols: cols as number };
        if (!filled.some((one) => overlap(one, place))) out.push(place);
      }
  }
  return out;
}
