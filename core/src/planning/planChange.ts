/** What is planned: each kind is one value that is changed as a whole, and goes by pupil, day and key as its kind asks. */
export interface PlanValues {
  /** A part of a visit, by pupil and day; key: the part's. Null: dropped. */
  readonly part: PlannedPart | null;
  /** The play a part was begun with, if it has one, and the minutes taken; by pupil and day; key: the part's. */
  readonly begun: { readonly playId: string | null; readonly at: string };
  /** When a visit is: of its own, or in the place of a weekly one, which stands under its weekly day and `weeklyKey`. Null: not at all. */
  readonly visitAt: { readonly day: string; readonly startsAtMin: number } | null;
  readonly visitMinutes: number;
  /** Who has it; null: whoever is there. */
  readonly visitTutor: string | null;
  readonly absent: boolean;
  /** The room's, by day: what the day is called. Null: a day as any. */
  readonly holiday: string | null;
  /** A group, by key. Null: there is none any more. */
  readonly group: { readonly name: string } | null;
  /** The group a pupil is in, by pupil; null: none. */
  readonly member: string | null;
  /** A note to whoever sees the pupil next, by pupil; key: the note's. Null: taken back. */
  readonly handover: { readonly text: string; readonly day: string } | null;
  /** A note was read, by pupil; key: the note's. */
  readonly read: boolean;
  /** A child's heart for a game, by pupil; key: the game's id. */
  readonly like: boolean;
  /** Whether the room has something, by its name; nothing said: it is taken to be there. */
  readonly material: boolean;
  /** How this room goes about it; key: which habit. */
  readonly habit: boolean;
}
export type PlanKind = keyof PlanValues;

/** What a kind goes by: a pupil, a day, a key. */
export const planKinds = {
  part: { pupil: true, day: true, key: true },
  begun: { pupil: true, day: true, key: true },
  visitAt: { pupil: true, day: true, key: true },
  visitMinutes: { pupil: true, day: true, key: true },
  visitTutor: { pupil: true, day: true, key: true },
  absent: { pupil: true, day: true, key: true },
  holiday: { pupil: false, day: true, key: false },
  group: { pupil: false, day: false, key: true },
  member: { pupil: true, day: false, key: false },
  handover: { pupil: true, day: false, key: true },
  read: { pupil: true, day: false, key: true },
  like: { pupil: true, day: false, key: true },
  material: { pupil: false, day: false, key: true },
  habit: { pupil: false, day: false, key: true },
} as const satisfies Readonly<
  Record<PlanKind, { readonly pupil: boolean; readonly day: boolean; readonly key: boolean }>
>;

/** What can be part of a visit. */
export const partKinds = [
  'placement',
  'warmUp',
  'retention',
  'drill',
  'game',
  'probe',
  'check',
  'close',
] as const;
export type PartKind = (typeof partKinds)[number];

/** A part of a visit as it is planned. */
export interface PlannedPart {
  readonly kind: PartKind;
  readonly minutes: number;
  /** Parts go in this order; equal ones by their keys. */
  readonly order: number;
  /** Which game at which step, with a pack put together for it as text; of a game only. */
  readonly game?: {
    readonly id: string;
    readonly name: string;
    readonly step: number;
    readonly pack: string | null;
    /** What to lay out for it, in table words. */
    readonly lay: readonly string[];
  };
  /** Why it is there, in a line. */
  readonly why: string;
}

/** One value as it was set: by whom, when, and upon which change it was made. */
export interface PlanChange<K extends PlanKind = PlanKind> {
  readonly id: string;
  readonly kind: K;
  readonly pupilId: string | null;
  readonly day: string | null;
  /** '': the kind has none. */
  readonly key: string;
  readonly value: PlanValues[K];
  /** An instant, ISO 8601 in UTC. */
  readonly at: string;
  /** Who set it: a user's id. */
  readonly by: string;
  /** The change that was in force where this was made; null: none. */
  readonly seen: string | null;
}

/** What a change is of: changes of one place follow one another. */
export const placeOf = ({
  kind,
  pupilId,
  day,
  key,
}: Pick<PlanChange, 'kind' | 'pupilId' | 'day' | 'key'>): string =>
  `${kind}/${pupilId ?? ''}/${day ?? ''}/${key}`;

/** Of two changes of one place the one in force: the later; of equally late ones the one with the larger id, everywhere the same. */
export const laterOf = <T extends Pick<PlanChange, 'at' | 'id'>>(one: T, other: T): T =>
  one.at === other.at ? (one.id > other.id ? one : other) : one.at > other.at ? one : other;

/** What is planned, in whichever order its changes came and however often. */
export interface PlanBook {
  /** The value in force; undefined: nobody said anything. */
  readonly value: <K extends PlanKind>(
    kind: K,
    of: { readonly pupilId?: string | null; readonly day?: string | null; readonly key?: string },
  ) => PlanValues[K] | undefined;
  readonly change: (place: string) => PlanChange | undefined;
  /** Every change in force of a kind. */
  readonly all: <K extends PlanKind>(kind: K) => readonly PlanChange<K>[];
}

export function planBook(changes: Iterable<PlanChange>): PlanBook {
  const inForce = new Map<string, PlanChange>();
  for (const one of changes) {
    const place = placeOf(one);
    const other = inForce.get(place);
    inForce.set(place, other ? laterOf(one, other) : one);
  }
  const byKind = new Map<PlanKind, PlanChange[]>();
  for (const one of inForce.values()) byKind.set(one.kind, [...(byKind.get(one.kind) ?? []), one]);
  return {
    value: (kind, { pupilId = null, day = null, key = '' }) =>
      inForce.get(placeOf({ kind, pupilId, day, key }))?.value as never,
    change: (place) => inForce.get(place),
    all: (kind) => (byKind.get(kind) ?? []) as never,
  };
}

/**
 * Of the changes of one place those by others that whoever made the one in force had not seen: both are kept, one of them holds, and
 * both should be told of it. The newest first.
 */
export function overruled(changes: readonly PlanChange[]): PlanChange[] {
  const [first, ...others] = changes;
  if (!first) return [];
  const held = others.reduce(laterOf, first);
  const byId = new Map(changes.map((one) => [one.id, one]));
  const seen = new Set<string>();
  for (let at: PlanChange | undefined = held; at && !seen.has(at.id); at = byId.get(at.seen ?? ''))
    seen.add(at.id);
  // What is older than all that is known here was seen as far as anybody can tell.
  const unseen = changes.filter((one) => !seen.has(one.id) && one.by !== held.by);
  return unseen
    .filter((one) => JSON.stringify(one.value) !== JSON.stringify(held.value))
    .sort((a, b) => (a === laterOf(a, b) ? -1 : 1));
}
