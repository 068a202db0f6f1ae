import type { FactSet } from './factSet.ts';
import { operations } from './operation.ts';
import { layOutOwn, type OwnPathway } from './ownPathway.ts';
import { pathways as shipped, type Pathway } from './pathway.ts';

/** Where a set stands on its pathway: its pathway, place (from 0), how many there are, and its neighbours. */
export interface SetPlace {
  readonly pathway: Pathway;
  readonly at: number;
  readonly of: number;
  readonly next: FactSet | undefined;
  readonly before: FactSet | undefined;
}

/** The pathways that a room may use: those that ship and its own. */
export interface PathwayBook {
  readonly pathways: readonly Pathway[];
  readonly findPathway: (id: string) => Pathway | undefined;
  readonly findSet: (id: string) => FactSet | undefined;
  readonly placeOfSet: (setId: string) => SetPlace | undefined;
}

/** A book with a room's own pathways after those that ship. */
export function makeBook(own: readonly OwnPathway[]): PathwayBook {
  const pathways = [...shipped, ...own.map(layOutOwn)];
  const sets = new Map(
    pathways.flatMap((pathway) =>
      operations.flatMap((operation) =>
        pathway.sets[operation].map((set) => [set.id, { set, pathway }] as const),
      ),
    ),
  );
  return {
    pathways,
    findPathway: (id) => pathways.find((one) => one.id === id),
    findSet: (id) => sets.get(id)?.set,
    placeOfSet: (setId) => {
      const found = sets.get(setId);
      if (!found) return undefined;
      const list = found.pathway.sets[found.set.operation];
      const at = list.indexOf(found.set);
      return { pathway: found.pathway, at, of: list.length, next: list[at + 1], before: list[at - 1] };
    },
  };
}
