import type { RandomSource } from '../random/random.ts';
import { diePips, pipLayout, type PipPlace } from './pips.ts';

/** A pip, of the height of what is looked at: across from the left, down from the top. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** Pips to be looked at for a moment, and the empty places of a frame; as wide as so many heights. */
export interface Glance {
  readonly wide: number;
  /** Of a pip, of the height. */
  readonly radius: number;
  /** Each place has a ring, full or empty: they lie in a frame. */
  readonly framed: boolean;
  readonly spots: readonly Spot[];
  readonly empty: readonly Spot[];
}

export const glancePatterns = ['dice', 'domino', 'ten', 'scattered', 'groups'] as const;
export type GlancePattern = (typeof glancePatterns)[number];

/** Of the height of one face. */
const pipRadius = 0.085;

/** The most pips that lie scattered: more are not seen at a glance by anybody. */
export const mostScattered = 8;

/** How far apart scattered pips lie at least, of the height; and how far from a line through two others a third lies. */
export const apartAtLeast = 0.2;
export const offLineAtLeast = 0.045;

/**
 * Pips by a pattern. `parts`: how many; of a domino its two halves; of groups how many in each. Throws RangeError for what no
 * such pattern shows.
 */
export function glanceOf(pattern: GlancePattern, parts: readonly number[], random: RandomSource): Glance {
  const [first = 0] = parts;
  switch (pattern) {
    case 'dice':
      return side([diePips(first)], 1);
    case 'domino':
      return side(parts.map(diePips), 1);
    case 'groups':
      return side(parts.map(diePips), 1.1, 3);
    case 'ten': {
      const { cols, rows, pips, empty } = pipLayout(first, 'ten');
      const at = ({ col, row }: { readonly col: number; readonly row: number }) => ({
        x: (col + 0.5) / rows,
        y: (row + 0.5) / rows,
      });
      return {
        wide: cols / rows,
        radius: pipRadius,
        framed: true,
        spots: pips.map(at),
        empty: empty.map(at),
      };
    }
    case 'scattered':
      return {
        wide: scatteredWide,
        radius: pipRadius,
        framed: false,
        spots: scattered(first, random),
        empty: [],
      };
  }
}

/** Faces side by side, each in a square of its own, so many widths from one to the next and so many in a row. */
function side(faces: readonly (readonly PipPlace[])[], step: number, across = faces.length): Glance {
  const cols = Math.min(across, faces.length);
  const high = 1 + (Math.ceil(faces.length / across) - 1) * step;
  return {
    wide: (1 + (cols - 1) * step) / high,
    radius: pipRadius / high,
    framed: false,
    spots: faces.flatMap((face, nth) =>
      face.map(({ col, row }) => ({
        x: ((nth % across) * step + 0.22 + col * 0.28) / high,
        y: (Math.floor(nth / across) * step + 0.22 + row * 0.28) / high,
      })),
    ),
    empty: [],
  };
}

const scatteredWide = 1.3;

/** Pips in no order, and in no row by accident: no three of them lie on a line, however it runs. */
function scattered(count: number, random: RandomSource): Spot[] {
  if (!Number.isInteger(count) || count < 0 || count > mostScattered)
    throw new RangeError(`No ${count} pips lie scattered.`);
  for (;;) {
    const spots: Spot[] = [];
    for (let tries = 0; spots.length < count && tries < 400; tries += 1) {
      const one = { x: 0.12 + random.unit() * (scatteredWide - 0.24), y: 0.12 + random.unit() * 0.76 };
      if (liesFree(one, spots)) spots.push(one);
    }
    // Those that lie there may leave no place for one more: all are thrown again.
    if (spots.length === count) return spots;
  }
}

const liesFree = (one: Spot, spots: readonly Spot[]): boolean =>
  spots.every((a) => Math.hypot(a.x - one.x, a.y - one.y) >= apartAtLeast) &&
  spots.every((a, at) => spots.slice(at + 1).every((b) => offLine(one, a, b) >= offLineAtLeast));

/** How far the one that lies between two others, or beside them, is from the line through the two furthest apart. */
export function offLine(a: Spot, b: Spot, c: Spot): number {
  const sides = [
    Math.hypot(a.x - b.x, a.y - b.y),
    Math.hypot(b.x - c.x, b.y - c.y),
    Math.hypot(a.x - c.x, a.y - c.y),
  ];
  const twiceArea = Math.abs((b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y));
  return twiceArea / Math.max(...sides);
}
