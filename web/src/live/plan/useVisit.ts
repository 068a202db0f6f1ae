import type { GameWish } from '@veldrift/core/planning';
import type { Pupil } from '@veldrift/wire';
import { useSnackbar } from 'notistack';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { pupilsQuery, queryClient } from '../../app/queries.ts';
import { useSession } from '../../app/session.tsx';
import { useRoomDay } from '../../parts/useRoomDay.ts';
import { useNow } from '../../parts/useNow.ts';
import { beginPart } from './beginPart.ts';
import { gameWish } from './visitNeed.ts';
import { usePlan, type Plan, type SetPlan } from './usePlan.ts';
import { visitsIn } from './visitsIn.ts';
import { suggest, useSuggestions } from './useSuggestions.ts';
import { visitPlanNow, type PartNow, type VisitNow } from './visitPlanNow.ts';

/** Minutes and players a game is looked for by, unasked. */
const gameMinutes = 10;
const players = 2;

/** A game that is not chosen yet: the plan's minutes stand before it is. */
const someGame = {
  id: '',
  name: 'A game',
  step: 0,
  pack: null,
  lay: [],
  minutes: gameMinutes,
  why: '',
} as const;

/** The visits of today of some pupils as they stand, with their plans; the plan itself with it. */
export function useVisits(pupils: readonly Pupil[]): {
  readonly plan: Plan;
  readonly now: Date;
  readonly visitOf: (pupil: Pupil) => VisitNow;
} {
  const { me } = useSession();
  const plan = usePlan();
  const { planned, book } = plan;
  const now = useNow();
  const today = useRoomDay();
  const wishes = useMemo(
    () =>
      new Map<string, GameWish>(
        planned
          ? pupils.map((one) => [
              one.id,
              gameWish(one, planned, book, { minutes: gameMinutes, players, today }),
            ])
          : [],
      ),
    [book, planned, pupils, today],
  );
  const games = useSuggestions(wishes);
  const isAway = !planned && plan.error !== null;
  const visitOf = useCallback(
    (pupil: Pupil) => {
      return visitPlanNow(pupil, {
        book,
        visits: visitsIn([today], [pupil], book),
        // Where the plan cannot be had no game is looked for either: nothing is waited for.
        games: games.get(pupil.id) ?? (isAway ? [] : [someGame]),
        now,
        timeZone: me.timeZone,
      });
    },
    [book, games, isAway, me.timeZone, now, today],
  );
  return { plan, now, visitOf };
}

/** Whether it is not worked out yet which games there are to be. */
export const isOpen = (visit: VisitNow) => visit.parts.some((one) => one.game?.id === '');

/** A visit with its games, once they are worked out. */
async function settled(
  { book, planned }: Plan,
  pupil: Pupil,
  visit: VisitNow,
  timeZone: string,
): Promise<VisitNow> {
  if (!isOpen(visit) || !planned) return visit;
  const games = await suggest(
    gameWish(pupil, planned, book, { minutes: gameMinutes, players, today: visit.day }),
  );
  const visits = visitsIn([visit.day], [pupil], book);
  return visitPlanNow(pupil, { book, visits, games, now: new Date(), timeZone });
}

/** Writes a plan down as it stands, where nobody has yet: what is changed of it is changed of what was seen. */
export async function keepVisit(set: SetPlan, pupil: Pupil, visit: VisitNow): Promise<void> {
  if (visit.isKept || isOpen(visit)) return;
  for (const { key, kind, order, plannedMinutes, game, why } of visit.parts) {
    const part = { kind, minutes: plannedMinutes, order, why, ...(game ? { game } : {}) };
    await set('part', { pupilId: pupil.id, day: visit.day, key }, part);
  }
}

/** Begins a part of a visit and notes that it was; what went wrong is told. `busy`: one is being begun. */
export function useBegin(plan: Plan): {
  readonly busy: boolean;
  readonly begin: (pupil: Pupil, visit: VisitNow, part: PartNow) => Promise<void>;
} {
  const session = useSession();
  const navigate = useNavigate();
  const { enqueueSnackbar } = useSnackbar();
  const [busy, setBusy] = useState(false);
  const { set } = plan;
  const begin = async (given: Pupil, seen: VisitNow, chosen: PartNow) => {
    if (busy) return;
    setBusy(true);
    try {
      // As they are now: a set may have been changed since this page was opened.
      const latest = queryClient.getQueryData(pupilsQuery.queryKey) ?? [];
      const pupil = latest.find((one) => one.id === given.id) ?? given;
      const visit = await settled(plan, pupil, seen, session.me.timeZone);
      const part = visit.parts.find((one) => one.key === chosen.key) ?? chosen;
      const playId = await beginPart(session, pupil, part);
      await keepVisit(set, pupil, visit);
      await set(
        'begun',
        { pupilId: pupil.id, day: visit.day, key: part.key },
        { playId, at: new Date().toISOString() },
      );
      await navigate(playId === null ? `/pupils/${pupil.id}` : `/table/${playId}`);
    } catch (error) {
      enqueueSnackbar(error instanceof Error ? error.message : 'It could not be begun. Try again.');
    } finally {
      setBusy(false);
    }
  };
  return { busy, begin };
}
