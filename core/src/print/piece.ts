import { pipLayout, type PipPattern } from '../materials/pips.ts';
import type { Area } from './paper.ts';

/** What lies on a page; lengths and places in mm from its left and upper edge. */
export type Piece =
  /** `y`: the line it stands on; `size`: the height of its letters' square. */
  | {
      readonly kind: 'text';
      readonly x: number;
      readonly y: number;
      readonly size: number;
      readonly text: string;
      readonly middle?: true;
      readonly bold?: true;
      /** Digits and signs, in the letters of the cards. */
      readonly numeral?: true;
    }
  | {
      readonly kind: 'line';
      readonly x1: number;
      readonly y1: number;
      readonly x2: number;
      readonly y2: number;
      readonly cut?: true;
    }
  | ({ readonly kind: 'box' } & Area)
  | {
      readonly kind: 'dot';
      readonly x: number;
      readonly y: number;
      readonly radius: number;
      readonly hollow?: true;
    };

export type Page = readonly Piece[];

/** The widest a letter is taken to be, of its size; measured in the browser by a test. */
const letterWidth = { numeral: 0.66, text: 0.56 } as const;

/** The size at which a text fits a width, at most so large. */
export const sizeFor = (text: string, width: number, most: number, numeral = true): number =>
  Math.min(most, width / (Math.max(1, text.length) * (numeral ? letterWidth.numeral : letterWidth.text)));

/** A numeral or a fact as large as it fits, in the middle of a part of the page. */
export function largeIn(area: Area, text: string, most: number): Piece {
  const size = sizeFor(text, area.width * 0.86, Math.min(most, area.height * 0.7));
  const [x, y] = [area.left + area.width / 2, area.top + area.height / 2 + size * 0.35];
  return { kind: 'text', x, y, size, text, middle: true, bold: true, numeral: true };
}

/** Words in lines of a width, and where the next one goes. */
export function wordsIn(
  text: string,
  { left, top, width, size, bold }: { left: number; top: number; width: number; size: number; bold?: true },
): { readonly pieces: Piece[]; readonly below: number } {
  const most = Math.max(1, Math.floor(width / (size * letterWidth.text)));
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= most) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  const step = size * 1.45;
  return {
    pieces: lines.map((line, nth) => ({
      ...{ kind: 'text', x: left, y: top + size + nth * step, size, text: line },
      ...(bold ? { bold } : {}),
    })),
    below: top + lines.length * step,
  };
}

/** Pips as they lie on a card, in the middle of a part of the page; a frame shows its empty places too. */
export function pipsIn(area: Area, count: number, pattern: PipPattern = 'five'): Piece[] {
  const { cols, rows, pips, empty } = pipLayout(count, pattern);
  const step = Math.min(area.width / Math.max(1, cols), area.height / Math.max(1, rows), 12);
  const left = area.left + (area.width - step * cols) / 2;
  const top = area.top + (area.height - step * rows) / 2;
  const dot = ({ col, row }: { readonly col: number; readonly row: number }) =>
    ({
      kind: 'dot',
      x: left + (col + 0.5) * step,
      y: top + (row + 0.5) * step,
      radius: step * 0.34,
    }) as const;
  return [...pips.map(dot), ...empty.map((place) => ({ ...dot(place), hollow: true as const }))];
}
