import type { Operation } from '../facts/operation.ts';

/** A pupil as groups are put together: where on which pathway. */
export interface GroupPupil {
  readonly id: string;
  readonly operation: Operation;
  readonly pathwayId: string;
  /** Which set of the pathway, from 0. */
  readonly setAt: number;
}

/** Sizes of a group, and how far apart sets may lie in one. */
export const groupBounds = { least: 2, most: 4, span: 2 } as const;

/**
 * Groups of near sets: one operation of one pathway, at most two sets apart, two to four pupils; whoever is near nobody is in none. Each
 * pupil is in one at most; the same pupils give the same groups in whichever order they come.
 */
export function proposeGroups(pupils: readonly GroupPupil[]): (readonly string[])[] {
  const ways = new Map<string, GroupPupil[]>();
  for (const one of pupils) {
    const way = `${one.pathwayId}/${one.operation}`;
    ways.set(way, [...(ways.get(way) ?? []), one]);
  }
  return [...ways.keys()].sort().flatMap((way) => {
    const line = [...(ways.get(way) ?? [])].sort(
      (a, b) => a.setAt - b.setAt || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0),
    );
    return groupsOf(line);
  });
}

/** Of pupils in the order of their sets the parts that leave the fewest alone, then the nearest: by what the rest leaves, from the end. */
function groupsOf(line: readonly GroupPupil[]): (readonly string[])[] {
  const { least, most, span } = groupBounds;
  interface Best {
    readonly alone: number;
    readonly apart: number;
    readonly size: number;
  }
  const best: Best[] = [];
  best[line.length] = { alone: 0, apart: 0, size: 0 };
  for (let at = line.length - 1; at >= 0; at -= 1) {
    const after = best[at + 1] as Best;
    let found: Best = { alone: after.alone + 1, apart: after.apart, size: 1 };
    for (let size = least; size <= most && at + size <= line.length; size += 1) {
      const apart = (line[at + size - 1] as GroupPupil).setAt - (line[at] as GroupPupil).setAt;
      if (apart > span) break;
      const rest = best[at + size] as Best;
      const here = { alone: rest.alone, apart: rest.apart + apart, size };
      if (here.alone < found.alone || (here.alone === found.alone && here.apart < found.apart)) found = here;
    }
    best[at] = found;
  }
  const out: (readonly string[])[] = [];
  for (let at = 0; at < line.length; at += (best[at] as Best).size) {
    const { size } = best[at] as Best;
    if (size >= least) out.push(line.slice(at, at + size).map((one) => one.id));
  }
  return out;
}
