/** How the pips of a card lie, so that they are counted or seen at a glance. */
export const pipPatterns = ['five', 'ten', 'domino'] as const;
export type PipPattern = (typeof pipPatterns)[number];

/** A place in a grid, from 0, from the left and from the top. */
export interface PipPlace {
  readonly col: number;
  readonly row: number;
}

/** Pips in a grid of so many columns and rows, and the empty places of frames that are not full. */
export interface PipLayout {
  readonly cols: number;
  readonly rows: number;
  readonly pips: readonly PipPlace[];
  readonly empty: readonly PipPlace[];
}

const five = 5;
const ten = 10;
const mostOnDie = 6;
/** Of a die's face: three columns, and one between two faces. */
const faceCols = 3;

/** Places on the faces of a die, of a grid of three by three, numbered by rows. */
const faces: readonly (readonly number[])[] = [
  [],
  [4],
  [2, 6],
  [2, 4, 6],
  [0, 2, 6, 8],
  [0, 2, 4, 6, 8],
  [0, 2, 3, 5, 6, 8],
];

/** The pips of a die's face, 0 to 6. Throws RangeError for others. */
export function diePips(shown: number): readonly PipPlace[] {
  const face = faces[shown];
  if (!face) throw new RangeError(`No face of a die has ${shown} pips.`);
  return face.map((at) => ({ col: at % faceCols, row: Math.floor(at / faceCols) }));
}

const inRows = (from: number, to: number): PipPlace[] =>
  Array.from({ length: to - from }, (_, nth) => ({
    col: (from + nth) % five,
    row: Math.floor((from + nth) / five),
  }));

/**
 * Where so many pips lie: in rows of five; in ten-frames, two rows of five each, whose empty places are seen; or as dominoes do, on
 * as few die faces as hold them, shared out as evenly as can be. Throws RangeError where it is no count.
 */
export function pipLayout(count: number, pattern: PipPattern): PipLayout {
  if (!Number.isInteger(count) || count < 0) throw new RangeError(`${count} is no number of pips.`);
  switch (pattern) {
    case 'five':
      return { cols: five, rows: Math.ceil(count / five), pips: inRows(0, count), empty: [] };
    case 'ten': {
      const places = Math.ceil(count / ten) * ten;
      return { cols: five, rows: places / five, pips: inRows(0, count), empty: inRows(count, places) };
    }
    case 'domino': {
      const held = Math.max(1, Math.ceil(count / mostOnDie));
      const pips = Array.from({ length: held }, (_, nth) => {
        const own = Math.floor(count / held) + (nth < count % held ? 1 : 0);
        return diePips(own).map(({ col, row }) => ({ col: col + nth * (faceCols + 1), row }));
      }).flat();
      return { cols: held * (faceCols + 1) - 1, rows: count === 0 ? 0 : faceCols, pips, empty: [] };
    }
  }
}
