import type { PartKind, PlannedPart } from './planChange.ts';

/** A part with the key it is kept under. */
export interface VisitPart extends PlannedPart {
  readonly key: string;
}

/** A game that may be played in a visit, the best first. */
export interface GameOffer {
  readonly id: string;
  readonly name: string;
  readonly step: number;
  readonly pack: string | null;
  readonly lay: readonly string[];
  readonly minutes: number;
  readonly why: string;
}

/** What a visit is planned by. */
export interface VisitNeed {
  readonly minutes: number;
  /** Nothing is on record of the pupil. */
  readonly isNew: boolean;
  /** Why a check is due, a look back, a probe; null: none is. */
  readonly check: string | null;
  readonly look: string | null;
  readonly probe: string | null;
  /** Facts due for review, and facts of the set not yet recalled. */
  readonly dueFacts: number;
  readonly openFacts: number;
  /** The tutor gives checks first. */
  readonly checkFirst: boolean;
  readonly games: readonly GameOffer[];
}

/** Lengths of a visit that can be planned, minutes. */
export const planBounds = { least: 5, most: 120 } as const;

/** Minutes of parts: common practice (warm-ups 3 to 5, games about 10), no study. */
export const partMinutes = {
  placement: 4,
  warmUp: { least: 3, most: 5 },
  drill: { least: 3, most: 10 },
  game: { least: 4, usual: 10, most: 15 },
  measure: 2,
  close: { short: 1, usual: 2, from: 15 },
} as const;

/** Why a visit cannot be planned, in a sentence; null: it can. */
export function minutesTrouble(minutes: number): string | null {
  return Number.isInteger(minutes) && minutes >= planBounds.least && minutes <= planBounds.most
    ? null
    : `A visit is ${planBounds.least} to ${planBounds.most} minutes long, in whole minutes: two visits make a longer one.`;
}

/**
 * The parts of a visit by rule: what is due is measured, facts due warm up, new facts come in a drill, most of the rest is play, and a
 * minute or two is for talking and the log. Their minutes add up to those of the visit; a placement and a check are never left out. Throws
 * RangeError for other minutes than can be planned.
 */
export function planVisit(need: VisitNeed): VisitPart[] {
  const trouble = minutesTrouble(need.minutes);
  if (trouble !== null) throw new RangeError(trouble);
  const close = need.minutes >= partMinutes.close.from ? partMinutes.close.usual : partMinutes.close.short;
  let left = need.minutes - close;
  const take = (kind: PartKind, minutes: number, why: string, game?: GameOffer): Draft | null => {
    const own = Math.min(minutes, left);
    if (own <= 0) return null;
    left -= own;
    return {
      kind,
      minutes: own,
      why,
      ...(game
        ? { game: { id: game.id, name: game.name, step: game.step, pack: game.pack, lay: game.lay } }
        : {}),
    };
  };
  const measured = [
    need.isNew
      ? take('placement', partMinutes.placement, 'Nothing is known yet: it finds the set to begin with.')
      : null,
    need.isNew || need.check === null ? null : take('check', partMinutes.measure, need.check),
    need.isNew || need.look === null ? null : take('retention', partMinutes.measure, need.look),
    need.isNew || need.probe === null ? null : take('probe', partMinutes.measure, need.probe),
  ].filter((one) => one !== null);
  const warm = need.isNew ? 0 : warmUpFor(left);
  const warmUp = warm === 0 ? null : take('warmUp', warm, warmUpWhy(need));
  const learning =
    need.isNew || need.openFacts === 0
      ? null
      : take('drill', drillFor(left), `${count(need.openFacts, 'fact')} of the set not yet recalled.`);
  const play = gamesFor(need, left, take);
  const rest: Draft[] = [];
  // What is too short for a game goes to what is there already, the drill before the talk.
  if (left > 0) {
    const fallback = play.at(-1) ?? learning ?? warmUp;
    if (fallback) fallback.minutes += left;
    else if (measured.length > 0 && need.isNew)
      rest.push({ kind: 'drill', minutes: left, why: 'What the placement found, at the child’s pace.' });
    else rest.push({ kind: 'drill', minutes: left, why: 'Cards of the set, at the child’s pace.' });
  }
  const checks = measured.filter((one) => one.kind === 'check');
  const first = measured.filter((one) => one.kind !== 'check');
  const parts = [
    ...(need.checkFirst ? checks : []),
    ...first,
    warmUp,
    learning,
    ...play,
    ...rest,
    ...(need.checkFirst ? [] : checks),
    { kind: 'close' as const, minutes: close, why: 'Talk about how it went, and the log.' },
  ].filter((one) => one !== null);
  return parts.map((one, at) => ({ ...one, order: at, key: `${one.kind}${at}` }));
}

type Draft = { -readonly [K in keyof Omit<PlannedPart, 'order'>]: PlannedPart[K] };
type Take = (kind: PartKind, minutes: number, why: string, game?: GameOffer) => Draft | null;

const count = (many: number, one: string) => `${many} ${one}${many === 1 ? '' : 's'}`;

/** A warm-up where there is time for one and a game beside it. */
function warmUpFor(left: number): number {
  const { least, most } = partMinutes.warmUp;
  if (left < least + partMinutes.game.least) return 0;
  return Math.min(most, Math.max(least, Math.round(left / 5)));
}
function warmUpWhy({ dueFacts }: VisitNeed): string {
  return dueFacts > 0 ? `${count(dueFacts, 'fact')} due for review.` : 'Facts that are known, to begin with.';
}
function drillFor(left: number): number {
  const { least, most } = partMinutes.drill;
  if (left < least + partMinutes.game.least) return left;
  return Math.min(most, Math.max(least, Math.round(left / 3)));
}

/** Games in what is left: about ten minutes each, none under four; the best first, then the others in turn. */
function gamesFor({ games }: VisitNeed, left: number, take: Take): Draft[] {
  const { least, usual, most } = partMinutes.game;
  if (games.length === 0 || left < least) return [];
  const many = left <= most ? 1 : Math.round(left / usual);
  return Array.from({ length: many }, (_, at) => {
    const game = games[at % games.length] as GameOffer;
    const each = Math.floor(left / many) + (at < left % many ? 1 : 0);
    return take('game', each, game.why, game);
  }).filter((one) => one !== null);
}

/** What a visit running late is shortened in: the game first, then the drill and the warm-up; never what is measured, nor the close. */
const givesWay: readonly PartKind[] = ['game', 'drill', 'warmUp'];

/**
 * The parts still to come within the minutes that are left. The game gives way first, from the last; a part that would come to less than
 * its least is left out. What is measured, and the close, keep their minutes even where they no longer fit.
 */
export function withinMinutes(parts: readonly VisitPart[], left: number): VisitPart[] {
  let over = parts.reduce((sum, one) => sum + one.minutes, 0) - Math.max(0, left);
  if (over <= 0) return [...parts];
  const minutes = new Map(parts.map((one) => [one.key, one.minutes]));
  for (const kind of givesWay)
    for (const part of [...parts].reverse()) {
      if (over <= 0) break;
      if (part.kind !== kind) continue;
      const least =
        kind === 'game'
          ? partMinutes.game.least
          : kind === 'drill'
            ? partMinutes.drill.least
            : partMinutes.warmUp.least;
      const gives = Math.min(over, part.minutes - least);
      const own = gives < over && part.minutes - over < least ? 0 : part.minutes - Math.max(0, gives);
      over -= part.minutes - own;
      minutes.set(part.key, own);
    }
  // A part taken out whole may have given more than was asked for: what is left gets it back.
  const kept = parts
    .map((one) => ({ ...one, minutes: minutes.get(one.key) ?? one.minutes }))
    .filter((one) => one.minutes > 0);
  const last = kept.filter((one) => givesWay.includes(one.kind)).at(-1);
  return over < 0 && last
    ? kept.map((one) => (one === last ? { ...one, minutes: one.minutes - over } : one))
    : kept;
}

/** A part moved to another place among the others. Throws RangeError where there is no such part. */
export function movedPart(parts: readonly VisitPart[], key: string, to: number): VisitPart[] {
  const part = parts.find((one) => one.key === key);
  if (!part) throw new RangeError('There is no such part in this plan.');
  const others = parts.filter((one) => one !== part);
  others.splice(Math.max(0, Math.min(others.length, to)), 0, part);
  return others.map((one, order) => (one.order === order ? one : { ...one, order }));
}
