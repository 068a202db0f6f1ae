/** A place on a numeral: of its height, across from the left and down from the top. */
export interface Place {
  readonly x: number;
  readonly y: number;
}

/** The way of a pen without lifting it: places so close together that a line through them is the way itself. */
export type Stroke = readonly Place[];

/** A piece of a stroke: straight to a place, or along an ellipse. Angles in degrees, 0 to the right and 90 down. */
export type Piece =
  | { readonly to: Place }
  | {
      readonly round: Place;
      readonly wide: number;
      readonly high: number;
      readonly from: number;
      readonly until: number;
    };

/** How far apart two places of a stroke lie at most, of the height. */
export const stepLength = 0.01;

export const lengthBetween = (one: Place, other: Place) => Math.hypot(one.x - other.x, one.y - other.y);

/** The way from a place on along its pieces; an ellipse that begins elsewhere is reached by a straight line. */
export function strokeOf(from: Place, pieces: readonly Piece[]): Stroke {
  const places: Place[] = [from];
  const lineTo = (to: Place) => {
    const begin = places.at(-1) as Place;
    const steps = Math.ceil(lengthBetween(begin, to) / stepLength - 1e-9);
    for (let step = 1; step <= steps; step += 1)
      places.push({
        x: begin.x + ((to.x - begin.x) * step) / steps,
        y: begin.y + ((to.y - begin.y) * step) / steps,
      });
  };
  for (const piece of pieces) {
    if ('to' in piece) {
      lineTo(piece.to);
      continue;
    }
    const { round, wide, high, from: begin, until } = piece;
    const steps = Math.ceil(((Math.abs(until - begin) / 180) * Math.PI * Math.max(wide, high)) / stepLength);
    for (let step = 0; step <= steps; step += 1) {
      const turn = ((begin + ((until - begin) * step) / steps) * Math.PI) / 180;
      lineTo({ x: round.x + wide * Math.cos(turn), y: round.y + high * Math.sin(turn) });
    }
  }
  return places;
}

/** The head of an arrow on a stroke, a fifth of the height after its begin: one end, the tip, the other end. */
export function arrowHead(stroke: Stroke, long: number): readonly [Place, Place, Place] {
  const begin = stroke[0] as Place;
  const at = stroke.findIndex((place) => lengthBetween(place, begin) > 0.2);
  const [tip, before] = [stroke[at] as Place, stroke[at - 4] as Place];
  const way = Math.atan2(tip.y - before.y, tip.x - before.x);
  const end = (side: number): Place => ({
    x: tip.x - long * Math.cos(way + side * 0.5),
    y: tip.y - long * Math.sin(way + side * 0.5),
  });
  return [end(1), tip, end(-1)];
}
