import { useQuery } from '@tanstack/react-query';
import { useMatch } from 'react-router';
import { pupilsQuery } from '../app/queries.ts';
import { useSession } from '../app/session.tsx';
import { usePlan } from '../live/plan/usePlan.ts';
import { visitsIn } from '../live/plan/visitsIn.ts';
import { visitPlanNow } from '../live/plan/visitPlanNow.ts';
import { partName } from './PlanWords.tsx';
import { useRoomDay } from './useRoomDay.ts';
import { useNow } from './useNow.ts';

/** What is left of the visit that the play on the table was begun in, and what comes next; nothing of a play that is in no plan. */
export function VisitLeft() {
  const { me } = useSession();
  const playId = useMatch('/table/:playId')?.params.playId;
  const { data: pupils } = useQuery(pupilsQuery);
  const { book, planned } = usePlan();
  const now = useNow();
  const today = useRoomDay();
  const begun = planned && book.all('begun').find((one) => one.value.playId === playId);
  const pupil = pupils?.find((one) => one.id === begun?.pupilId);
  if (!planned || !begun || !pupil || begun.day !== today) return null;
  const visit = visitPlanNow(pupil, {
    ...{ book, now, games: [], timeZone: me.timeZone },
    visits: visitsIn([today], [pupil], book),
  });
  if (visit.leftMinutes === null) return null;
  return (
    <span className="visit-left">
      {' '}
      · {visit.leftMinutes} min left{visit.next && `, then ${partName(visit.next)}`}
    </span>
  );
}
