import type { Scene } from './scene.ts';

/** Something that goes from one place of the table to another, to be seen going. */
export type Flight =
  /** Cards that lay open go to the pile of who won them: the nth of the totals. */
  | { readonly kind: 'won'; readonly total: number }
  /** A counter that did not hold its square goes home to its seat. */
  | { readonly kind: 'home'; readonly square: number; readonly seat: number };

/** What is seen going from one place to another between two scenes of the same table. */
export function flightsOf(before: Scene, after: Scene): readonly Flight[] {
  const won = after.totals.flatMap(({ pile, value }, total): Flight[] => {
    const had = before.totals[total];
    return pile && had && value > had.value ? [{ kind: 'won', total }] : [];
  });
  const squares = after.board?.squares ?? [];
  const home = (before.board?.squares ?? []).flatMap(({ mark }, square): Flight[] => {
    if (!mark || mark.held || mark.seat === null || squares[square] === undefined) return [];
    return squares[square].mark?.seat === mark.seat ? [] : [{ kind: 'home', square, seat: mark.seat }];
  });
  return [...won, ...home];
}
