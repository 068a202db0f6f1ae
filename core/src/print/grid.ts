import type { Area } from './paper.ts';
import { largeIn, type Piece } from './piece.ts';

/** A board of squares as large as it fits, row by row; an empty text is a square to be filled. */
export function gridIn(area: Area, across: number, texts: readonly string[], widest = Infinity): Piece[] {
  const down = Math.ceil(texts.length / across);
  const side = Math.min(area.width / across, area.height / down, widest);
  const left = area.left + (area.width - side * across) / 2;
  return texts.flatMap((text, at): Piece[] => {
    const square = {
      left: left + (at % across) * side,
      top: area.top + Math.floor(at / across) * side,
      ...{ width: side, height: side },
    };
    const box: Piece = { kind: 'box', ...square };
    return text === '' ? [box] : [box, largeIn(square, text, side * 0.5)];
  });
}

/** The height that such a board takes, mm. */
export const gridHeight = (area: Area, across: number, count: number, widest = Infinity): number => {
  const down = Math.ceil(count / across);
  return Math.min(area.width / across, area.height / down, widest) * down;
};
