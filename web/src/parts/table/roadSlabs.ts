/** The most slabs that a road is laid of. */
const mostSlabs = 8;
const sizes = [10, 50, 100, 500, 1000] as const;

export interface Slab {
  readonly from: number;
  readonly upTo: number;
}

/** A road from 0 in slabs of a round size; the last ends where the road ends. `to` is above 0. */
export function slabsOf(to: number): readonly Slab[] {
  const size = sizes.find((one) => to / one <= mostSlabs) ?? to;
  return Array.from({ length: Math.ceil(to / size) }, (_, nth) => ({
    from: nth * size,
    upTo: Math.min(to, (nth + 1) * size),
  }));
}

/** Where a total stands on the road, 0 to 1: below 0 at its begin, beyond its end there. */
export const atOnRoad = (total: number, to: number): number => Math.min(1, Math.max(0, total / to));

/** Counters nearer than so much of the road stand over one another. */
const besideOne = 0.05;

/** In which lane each counter stands, 0 on the road itself: above those that stood there before. `places` are 0 to 1. */
export function lanesOf(places: readonly number[]): readonly number[] {
  const lanes: number[] = [];
  for (const [nth, place] of places.entries()) {
    const taken = places
      .slice(0, nth)
      .flatMap((other, at) => (Math.abs(other - place) < besideOne ? [lanes[at]] : []));
    let lane = 0;
    while (taken.includes(lane)) lane += 1;
    lanes.push(lane);
  }
  return lanes;
}
