/** What a group does at a station. */
export const stations = ['game', 'drill', 'warmUp', 'sheet'] as const;
export type Station = (typeof stations)[number];

/** Groups that go from station to station, all changing at once. */
export interface Rotation {
  /** Keys of the groups, and the stations they go round; a station may stand empty for a turn. */
  readonly groups: readonly string[];
  readonly stations: readonly Station[];
  readonly turnMinutes: number;
  /** When it began, ms since 1970. */
  readonly startedAtMs: number;
  /** Time it stood still, ms, and since when it does; null: it goes on. */
  readonly heldMs: number;
  readonly heldSinceMs: number | null;
}

/** Lengths of a turn, minutes. */
export const turnBounds = { least: 2, most: 30 } as const;

/** How a rotation stands. */
export interface RotationNow {
  /** From 0; the last is that of `stations.length - 1`. */
  readonly turn: number;
  readonly leftMs: number;
  readonly isOver: boolean;
  /** Where each group is, by its key; undefined where there are more groups than stations and it waits. */
  readonly places: ReadonlyMap<string, Station | undefined>;
  /** Where each goes next; empty: this is the last turn. */
  readonly next: ReadonlyMap<string, Station | undefined>;
}

/** Why a rotation cannot begin, in a sentence; null: it can. */
export function rotationTrouble(groups: number, places: number, turnMinutes: number): string | null {
  if (groups < 1) return 'Put pupils into a group first.';
  if (places < 1) return 'Choose a station or more.';
  if (groups > places)
    return `There are ${groups} groups and ${places} stations: choose ${groups - places} more, or put groups together.`;
  if (!Number.isInteger(turnMinutes) || turnMinutes < turnBounds.least || turnMinutes > turnBounds.most)
    return `A turn is ${turnBounds.least} to ${turnBounds.most} whole minutes.`;
  return null;
}

/** How a rotation stands at an instant, ms since 1970: each group is at each station once, and no two at one. */
export function rotationAt(rotation: Rotation, nowMs: number): RotationNow {
  const { groups, stations: places, turnMinutes, startedAtMs, heldMs, heldSinceMs } = rotation;
  const turnMs = turnMinutes * 60_000;
  const goneMs = Math.max(0, (heldSinceMs ?? nowMs) - startedAtMs - heldMs);
  const turns = places.length;
  const turn = Math.min(turns - 1, Math.floor(goneMs / turnMs));
  const at = (which: number) =>
    new Map(groups.map((key, nth) => [key, nth < turns ? places[(nth + which) % turns] : undefined]));
  return {
    turn,
    leftMs: Math.max(0, (turn + 1) * turnMs - goneMs),
    isOver: goneMs >= turns * turnMs,
    places: at(turn),
    next: turn + 1 < turns ? at(turn + 1) : new Map(),
  };
}

/** The rotation standing still, or going on where it stood. */
export function heldRotation(rotation: Rotation, nowMs: number): Rotation {
  return rotation.heldSinceMs === null
    ? { ...rotation, heldSinceMs: nowMs }
    : { ...rotation, heldSinceMs: null, heldMs: rotation.heldMs + (nowMs - rotation.heldSinceMs) };
}

/** The rotation at the begin of its next turn. */
export function nextTurn(rotation: Rotation, nowMs: number): Rotation {
  const { leftMs } = rotationAt(rotation, nowMs);
  return { ...rotation, startedAtMs: rotation.startedAtMs - leftMs };
}
