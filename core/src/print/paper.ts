/** Papers that home printers take, millimetres. */
export const papers = {
  a4: { name: 'A4', width: 210, height: 297 },
  letter: { name: 'Letter', width: 215.9, height: 279.4 },
} as const;
export type Paper = keyof typeof papers;

/** What home printers leave white at every edge, mm. */
export const marginMm = 10;
/** The line at the foot: what it is, for whom, when, of which seed. */
export const footMm = 8;

/** A part of a page, mm from its left and upper edge. */
export interface Area {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** What a sheet may be drawn on: the page without its margins and its foot. */
export function roomOn(paper: Paper): Area {
  const { width, height } = papers[paper];
  return {
    left: marginMm,
    top: marginMm,
    width: width - 2 * marginMm,
    height: height - 2 * marginMm - footMm,
  };
}
