import type { Area } from '../paper.ts';
import { largeIn, type Page, type Piece } from '../piece.ts';
import { tiled } from '../tiles.ts';

const largest = 14;

/** Cards with one text each. */
export const plainCards = (
  room: Area,
  texts: readonly string[],
  { width, height }: { readonly width: number; readonly height: number },
): Page[] =>
  tiled(room, {
    ...{ width, height, count: texts.length },
    draw: (nth, area) => [largeIn(area, texts[nth] as string, largest)],
  });

/** Cards to be folded along their middle: what is asked on one side, its answer on the other. */
export const foldedCards = (
  room: Area,
  sides: readonly (readonly [asked: string, answer: string])[],
): Page[] =>
  tiled(room, {
    ...{ width: 94, height: 36, count: sides.length },
    draw: (nth, area) => {
      const [asked, answer] = sides[nth] as readonly [string, string];
      const half = area.width / 2;
      const fold = area.left + half;
      const line: Piece = {
        kind: 'line',
        x1: fold,
        x2: fold,
        y1: area.top + 4,
        y2: area.top + area.height - 4,
      };
      return [
        largeIn({ ...area, width: half }, asked, largest),
        line,
        largeIn({ ...area, left: fold, width: half }, answer, largest),
      ];
    },
  });
