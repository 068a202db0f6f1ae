import { dayNumber, dayOf, isKnown, median } from '@veldrift/core';
import type { GameOffer, GameWish, PlanBook, RoomMaterial, VisitNeed } from '@veldrift/core/planning';
import { takesNoTime, type Planned, type Pupil } from '@veldrift/wire';
import { findSet } from '../../app/book.ts';
import { checkDue, checkedToday, isUnknown, lookDue, minuteOffered, probeDue } from '../../parts/today.ts';

/** Facts of the pupil's set that are not known yet. */
const openFacts = (pupil: Pupil) =>
  (findSet(pupil.setId)?.practises ?? []).filter((fact) => !isKnown(pupil.tried[fact]?.state ?? 'untried'));

/** What a pupil's visit is planned by, as things stand; `games`: what may be played, the best first. */
export function visitNeed(
  pupil: Pupil,
  {
    minutes,
    games,
    checkFirst,
    now,
    timeZone,
  }: {
    readonly minutes: number;
    readonly games: readonly GameOffer[];
    readonly checkFirst: boolean;
    readonly now: Date;
    readonly timeZone: string;
  },
): VisitNeed {
  const today = dayNumber(dayOf(now.toISOString(), timeZone));
  const isCheckDue = checkDue(pupil, now, timeZone) && !checkedToday(pupil, now, timeZone);
  const checkWhy = () => {
    if (minuteOffered(pupil, now, timeZone)) return 'The facts hold: a minute would confirm them.';
    return pupil.lastCheckAt === null ? 'The first check.' : 'The week since the last check is over.';
  };
  return {
    minutes,
    isNew: isUnknown(pupil),
    check: isCheckDue ? checkWhy() : null,
    look: lookDue(pupil, now, timeZone) ? 'A set passed is to be looked at again.' : null,
    probe: probeDue(pupil, now, timeZone) ? 'Two weeks since the last of the same minute.' : null,
    dueFacts: Object.values(pupil.tried).filter(
      (one) => isKnown(one.state) && one.dueDay !== null && one.dueDay <= today,
    ).length,
    openFacts: openFacts(pupil).length,
    checkFirst,
    games,
  };
}

/** What a game is looked for by, for a pupil as they stand. */
export function gameWish(
  pupil: Pupil,
  planned: Planned,
  book: PlanBook,
  { minutes, players, today }: { readonly minutes: number; readonly players: number; readonly today: string },
): GameWish {
  const open = openFacts(pupil);
  const own = book.all('like').filter((one) => one.pupilId === pupil.id && one.value);
  return {
    operation: pupil.operation,
    want: open.length > 0 ? open : [...(findSet(pupil.setId)?.practises ?? [])],
    known: Object.entries(pupil.tried).flatMap(([fact, one]) => (isKnown(one.state) ? [fact] : [])),
    minutes,
    players,
    timed: !takesNoTime(pupil),
    paceMs: pupil.easyTimesMs.length > 0 ? median(pupil.easyTimesMs) : null,
    played: Object.fromEntries(
      planned.games
        .filter((one) => one.pupilId === pupil.id)
        .map((one) => [one.game, { step: one.step, days: one.days.map(dayNumber) }]),
    ),
    today: dayNumber(today),
    likes: new Set(own.map((one) => one.key)),
    lacks: new Set(book.all('material').flatMap((one) => (one.value ? [] : [one.key as RoomMaterial]))),
    // A new set is enough for one day.
    familiarOnly: pupil.verdict === 'advance',
  };
}
