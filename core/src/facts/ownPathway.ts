import { factKey, parseFactKey, turnaroundOf, unorderedKey, type FactKey } from './fact.ts';
import type { Aid } from './aid.ts';
import type { FactSet } from './factSet.ts';
import { operations, type Operation } from './operation.ts';
import type { Pathway } from './pathway.ts';
import { factsInRange } from './range.ts';

/** A set of a pathway of a room's own: which facts it holds, by unordered key. What it introduces follows from the order. */
export interface OwnSet {
  /** Part of its id; stored, never changes. */
  readonly slug: string;
  readonly name: string;
  readonly hint: string;
  readonly aids: readonly Aid[];
  readonly everyFact: boolean;
  readonly members: readonly FactKey[];
}

/** A pathway as a room has put it together. */
export interface OwnPathway {
  readonly id: string;
  readonly name: string;
  /** The id of the pathway it was copied from. */
  readonly copiedFrom: string;
  readonly sets: Readonly<Record<Operation, readonly OwnSet[]>>;
}

/** A pathway to begin from: the same sets, to be changed. */
export function copyPathway(pathway: Pathway, id: string, name: string): OwnPathway {
  return {
    id,
    name,
    copiedFrom: pathway.id,
    sets: byOperation((operation) =>
      pathway.sets[operation].map((set) => ({
        slug: set.id.split('/')[2] as string,
        name: set.name,
        hint: set.hint,
        aids: set.aids,
        everyFact: set.everyFact,
        members: [...new Set(set.practises.map((key) => unorderedKey(parseFactKey(key))))],
      })),
    ),
  };
}

/** The pathway worked out: each fact is introduced by the first set that holds it, so none is introduced twice. */
export function layOutOwn(own: OwnPathway): Pathway {
  return {
    id: own.id,
    name: own.name,
    sets: byOperation((operation) => {
      const taken = new Set<FactKey>();
      return own.sets[operation].map((set): FactSet => {
        const introduces = set.members.filter((key) => !taken.has(key));
        introduces.forEach((key) => taken.add(key));
        return {
          id: `${own.id}/${operation}/${set.slug}`,
          name: set.name,
          operation,
          hint: set.hint,
          aids: set.aids,
          leansOn: [],
          everyFact: set.everyFact,
          introduces,
          practises: set.members.flatMap(bothOrders),
        };
      });
    }),
  };
}

function bothOrders(key: FactKey): FactKey[] {
  const turned = turnaroundOf(parseFactKey(key));
  return turned && factKey(turned) !== key ? [key, factKey(turned)] : [key];
}

/** Every unordered fact of an operation, once. */
export function unorderedFacts(operation: Operation): FactKey[] {
  return [...new Set(factsInRange(operation).map(unorderedKey))];
}

/** How a pathway breaks the partition of an operation's facts. */
export interface PartitionBreak {
  /** Facts that no set holds. */
  readonly missing: readonly FactKey[];
  /** Places of the sets that would introduce nothing: all they hold comes earlier. */
  readonly idle: readonly number[];
}

export function partitionBreak(operation: Operation, sets: readonly OwnSet[]): PartitionBreak {
  const taken = new Set<FactKey>();
  const idle = sets.flatMap((set, at) => {
    const before = taken.size;
    set.members.forEach((key) => taken.add(key));
    return taken.size === before ? [at] : [];
  });
  return { missing: unorderedFacts(operation).filter((key) => !taken.has(key)), idle };
}

/** The sets with one moved from a place to another. */
export function moveSet(sets: readonly OwnSet[], from: number, to: number): OwnSet[] {
  const out = [...sets];
  const [moved] = out.splice(from, 1);
  if (moved) out.splice(to, 0, moved);
  return out;
}

/** The sets with one joined to the next: its facts and the next one's, under its name. */
export function joinSets(sets: readonly OwnSet[], at: number): OwnSet[] {
  const [one, next] = [sets[at], sets[at + 1]];
  if (!one || !next) return [...sets];
  const joined: OwnSet = {
    ...one,
    name: `${one.name}; ${next.name}`.slice(0, longestSetName),
    everyFact: one.everyFact && next.everyFact,
    aids: [...new Set([...one.aids, ...next.aids])],
    members: [...new Set([...one.members, ...next.members])],
  };
  return [...sets.slice(0, at), joined, ...sets.slice(at + 2)];
}

export const longestSetName = 60;

/** The sets with some facts of one taken into a new set after it. Nothing changes when none or all would go. */
export function splitSet(sets: readonly OwnSet[], at: number, facts: readonly FactKey[]): OwnSet[] {
  const one = sets[at];
  const going = new Set(facts);
  const taken = one?.members.filter((key) => going.has(key)) ?? [];
  if (!one || taken.length === 0 || taken.length === one.members.length) return [...sets];
  const part: OwnSet = {
    ...one,
    slug: freshSlug(sets),
    name: `${one.name}, second part`.slice(0, longestSetName),
    members: taken,
  };
  return [
    ...sets.slice(0, at),
    { ...one, members: one.members.filter((key) => !going.has(key)) },
    part,
    ...sets.slice(at + 1),
  ];
}

/** The sets with some facts of one moved to another. */
export function moveFacts(
  sets: readonly OwnSet[],
  from: number,
  to: number,
  facts: readonly FactKey[],
): OwnSet[] {
  const going = new Set(facts);
  const moved = sets[from]?.members.filter((key) => going.has(key)) ?? [];
  if (from === to || moved.length === 0) return [...sets];
  return sets.map((set, at) =>
    at === from
      ? { ...set, members: set.members.filter((key) => !going.has(key)) }
      : at === to
        ? { ...set, members: [...new Set([...set.members, ...moved])] }
        : set,
  );
}

/** The sets with what none of them holds in a set of its own at the end. */
export function gatherMissing(operation: Operation, sets: readonly OwnSet[]): OwnSet[] {
  const { missing } = partitionBreak(operation, sets);
  return missing.length === 0
    ? [...sets]
    : [
        ...sets,
        { slug: freshSlug(sets), name: 'the rest', hint: '', aids: [], everyFact: false, members: missing },
      ];
}

function freshSlug(sets: readonly OwnSet[]): string {
  for (let n = sets.length + 1; ; n += 1) {
    const slug = `part-${n}`;
    if (!sets.some((one) => one.slug === slug)) return slug;
  }
}

function byOperation<T>(make: (operation: Operation) => T): Record<Operation, T> {
  return Object.fromEntries(operations.map((one) => [one, make(one)])) as Record<Operation, T>;
}
