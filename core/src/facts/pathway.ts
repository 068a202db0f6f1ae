import { layOutSets, type FactSet } from './factSet.ts';
import { operations, type Operation } from './operation.ts';
import { pathwayPlans } from './pathwayData.ts';

/** An ordered list of sets for each operation. */
export interface Pathway {
  readonly id: string;
  readonly name: string;
  readonly sets: Readonly<Record<Operation, readonly FactSet[]>>;
}

/** The pathways that ship, worked out once. */
export const pathways: readonly Pathway[] = pathwayPlans.map((plan) => ({
  id: plan.id,
  name: plan.name,
  sets: Object.fromEntries(
    operations.map((operation) => [operation, layOutSets(plan.id, operation, plan.sets[operation])]),
  ) as unknown as Record<Operation, readonly FactSet[]>,
}));

const setsById = new Map(
  pathways.flatMap((pathway) =>
    operations.flatMap((operation) => pathway.sets[operation].map((set) => [set.id, set])),
  ),
);

/** The set of that id; undefined when no shipped pathway has it. */
export function findSet(id: string): FactSet | undefined {
  return setsById.get(id);
}

/** The pathway of that id; undefined when there is none. */
export function findPathway(id: string): Pathway | undefined {
  return pathways.find((pathway) => pathway.id === id);
}

/** Where a set stands on its pathway: its pathway, place (from 0), how many there are, and the next. */
export function placeOfSet(setId: string):
  | {
      readonly pathway: Pathway;
      readonly at: number;
      readonly of: number;
      readonly next: FactSet | undefined;
      readonly before: FactSet | undefined;
    }
  | undefined {
  const set = findSet(setId);
  const pathway = set && findPathway(setId.split('/')[0] as string);
  if (!set || !pathway) return undefined;
  const list = pathway.sets[set.operation];
  const at = list.findIndex((one) => one.id === setId);
  return { pathway, at, of: list.length, next: list[at + 1], before: list[at - 1] };
}
