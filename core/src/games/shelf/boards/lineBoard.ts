/** Whose mark lies on each square of a board, row by row; null: free. */
export type Marks = readonly (number | null)[];

/** Every line of a board so many squares wide and high: rows, columns, both diagonals. */
export function linesOfBoard(side: number): number[][] {
  const range = Array.from({ length: side }, (_, at) => at);
  return [
    ...range.map((row) => range.map((col) => row * side + col)),
    ...range.map((col) => range.map((row) => row * side + col)),
    range.map((at) => at * side + at),
    range.map((at) => at * side + (side - 1 - at)),
  ];
}

/** Whether a seat's mark on a square makes a whole line its own. */
export const completes = (side: number, marks: Marks, at: number, seat: number): boolean =>
  linesOfBoard(side).some(
    (line) => line.includes(at) && line.every((square) => square === at || marks[square] === seat),
  );

/**
 * A square that completes a line; else one that keeps another of so many seats (none: they play together) from it; else the one
 * on most lines still open;
 * undefined: none is free.
 */
export function planFor(
  side: number,
  marks: Marks,
  turn: number,
  seats: number,
): { readonly at: number; readonly plan: 'planCompletes' | 'planKeeps' | 'planOpen' } | undefined {
  const free = [...marks.keys()].filter((at) => marks[at] === null);
  const others = [...Array(seats).keys()].filter((seat) => seat !== turn);
  const open = (at: number) =>
    linesOfBoard(side).filter(
      (line) => line.includes(at) && line.every((one) => marks[one] === null || marks[one] === turn),
    ).length;
  const wins = free.find((at) => completes(side, marks, at, turn));
  if (wins !== undefined) return { at: wins, plan: 'planCompletes' };
  const keeps = free.find((at) => others.some((seat) => completes(side, marks, at, seat)));
  if (keeps !== undefined) return { at: keeps, plan: 'planKeeps' };
  const [most] = [...free].sort((a, b) => open(b) - open(a));
  return most === undefined ? undefined : { at: most, plan: 'planOpen' };
}
