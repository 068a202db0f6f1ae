/** A board numbered in rows: from a start on, each so much more than the one before. */
export interface Trail {
  readonly rows: number;
  readonly cols: number;
  readonly start: number;
  readonly step: number;
  /** Every second row runs back. */
  readonly turning: boolean;
}

/** What stands on each square, row by row as they are looked at. Throws RangeError for a board without squares. */
export function trailRows({ rows, cols, start, step, turning }: Trail): number[][] {
  if (!(Number.isInteger(rows) && Number.isInteger(cols) && rows > 0 && cols > 0))
    throw new RangeError('A trail needs one row and one column or more.');
  return Array.from({ length: rows }, (_, row) => {
    const own = Array.from({ length: cols }, (_square, col) => start + step * (row * cols + col));
    return turning && row % 2 === 1 ? own.reverse() : own;
  });
}
