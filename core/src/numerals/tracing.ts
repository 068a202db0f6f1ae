import { lengthBetween, stepLength, type Place, type Stroke } from './stroke.ts';

/**
 * What there is to say of a trace: where to begin; that it was begun elsewhere, at the wrong end, or goes round the wrong way; where the
 * way was left, or the pen lifted before its end; that a stroke is done and another comes; that all are. Praise is not among it.
 */
export type TraceSays =
  'begin' | 'tracing' | 'elsewhere' | 'wrongEnd' | 'wrongWay' | 'left' | 'lifted' | 'strokeDone' | 'done';

/** A numeral being traced. Plain data; what the pen left behind is the screen's to keep. */
export interface Tracing {
  readonly strokes: readonly Stroke[];
  /** How far from the way a pen may be, of the numeral's height. */
  readonly tolerance: number;
  /** Which stroke is next or under way. */
  readonly stroke: number;
  /** The place of that stroke reached so far, as an index. */
  readonly reached: number;
  /** Where the pen is down on its way, and how far off it may be now; null: lifted, or off the way until it is. */
  readonly pen: (Place & { readonly mayBeOff: number }) | null;
  readonly says: TraceSays;
}

/** How far from the way a pen may be: a finger is wide, a child of five is not exact. */
export const tolerances = { near: 0.06, usual: 0.09, wide: 0.13 } as const;
export type ToleranceName = keyof typeof tolerances;

/** A numeral's strokes before the pen comes down. Throws RangeError for a tolerance that is none. */
export function beginTrace(strokes: readonly Stroke[], tolerance: number): Tracing {
  if (!(tolerance > stepLength && tolerance < 0.25))
    throw new RangeError('A tolerance lies between 0.01 and 0.25.');
  return { strokes, tolerance, stroke: 0, reached: 0, pen: null, says: 'begin' };
}

/** Where the pen has to come down next: the begin of a stroke, or where the way was left. Undefined: all is done. */
export const nextPlace = ({ strokes, stroke, reached }: Tracing): Place | undefined =>
  strokes[stroke]?.[reached];

const placesOf = (length: number) => Math.round(length / stepLength);

/** The place of a stroke nearest to a pen, from one index to another; how far off it is. */
function nearest(stroke: Stroke, pen: Place, from: number, until: number) {
  let found = { at: from, off: Infinity };
  for (let at = Math.max(0, from); at <= Math.min(until, stroke.length - 1); at += 1) {
    const off = lengthBetween(stroke[at] as Place, pen);
    if (off < found.off) found = { at, off };
  }
  return found;
}

export function penDown(tracing: Tracing, pen: Place): Tracing {
  const { strokes, stroke, reached, tolerance } = tracing;
  const way = strokes[stroke];
  if (!way) return tracing;
  const here = way[reached] as Place;
  // A finger comes down less exactly than it follows, and is on its way a little later.
  const within = 1.5 * tolerance;
  const down = (at: number): Tracing => ({
    ...tracing,
    reached: at,
    pen: { ...pen, mayBeOff: within },
    says: 'tracing',
  });
  if (lengthBetween(here, pen) <= within) return down(reached);
  // A stroke may always be begun anew.
  if (lengthBetween(way[0] as Place, pen) <= within) return down(0);
  const atEnd = lengthBetween(way.at(-1) as Place, pen) <= within;
  return { ...tracing, pen: null, says: atEnd && reached === 0 ? 'wrongEnd' : 'elsewhere' };
}

/** The pen moved there in a straight line: what lies between is looked at too. */
export function penMove(tracing: Tracing, to: Place): Tracing {
  if (!tracing.pen) return tracing;
  const from = tracing.pen;
  const steps = Math.max(1, Math.ceil(lengthBetween(from, to) / (tracing.tolerance / 2)));
  let now = tracing;
  for (let step = 1; step <= steps && now.pen; step += 1)
    now = along(now, {
      x: from.x + ((to.x - from.x) * step) / steps,
      y: from.y + ((to.y - from.y) * step) / steps,
    });
  return now;
}

function along(tracing: Tracing, pen: Place): Tracing {
  const { strokes, stroke, reached, tolerance } = tracing;
  const mayBeOff = tracing.pen?.mayBeOff ?? tolerance;
  const way = strokes[stroke] as Stroke;
  const ahead = placesOf(3 * tolerance);
  const { at, off } = nearest(way, pen, reached - ahead, reached + ahead);
  if (off <= mayBeOff) {
    const further = Math.max(reached, at);
    return further >= way.length - 1 - placesOf(tolerance / 2)
      ? strokeDone(tracing)
      : { ...tracing, reached: further, pen: { ...pen, mayBeOff: Math.max(tolerance, off) } };
  }
  // Just begun, and on the last part of the same way: round the wrong way, where it begins as it ends.
  const last = way.length - 1;
  const back = nearest(way, pen, last - 2 * ahead, last);
  const wrongWay = reached < ahead && last > 4 * ahead && back.off <= tolerance;
  return { ...tracing, reached: wrongWay ? 0 : reached, pen: null, says: wrongWay ? 'wrongWay' : 'left' };
}

function strokeDone(tracing: Tracing): Tracing {
  const stroke = tracing.stroke + 1;
  const done = stroke === tracing.strokes.length;
  return { ...tracing, stroke, reached: 0, pen: null, says: done ? 'done' : 'strokeDone' };
}

/** The pen is lifted: where it was on its way, it may go on from there. */
export function penUp(tracing: Tracing): Tracing {
  if (!tracing.pen) return tracing;
  const way = tracing.strokes[tracing.stroke] as Stroke;
  return tracing.reached >= way.length - 1 - placesOf(1.5 * tracing.tolerance)
    ? strokeDone(tracing)
    : { ...tracing, pen: null, says: 'lifted' };
}
