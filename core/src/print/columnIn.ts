import type { Area } from './paper.ts';
import { wordsIn, type Piece } from './piece.ts';

/** Words one below the other, to be read from across a table; lengths in mm. */
export function columnIn({ left, top, width }: Area) {
  const pieces: Piece[] = [];
  let at = top;
  const words = (text: string, size: number, bold?: true) => {
    const laid = wordsIn(text, { left, top: at, width, size, ...(bold ? { bold } : {}) });
    pieces.push(...laid.pieces);
    at = laid.below + size * 0.3;
  };
  const space = (height: number) => {
    at += height;
  };
  const head = (text: string) => {
    space(4);
    words(text, 6, true);
  };
  /** Where the next words go. */
  const below = () => at;
  return { pieces, words, space, head, below };
}
