import { useQuery } from '@tanstack/react-query';
import {
  overruled,
  placeOf,
  planBook,
  type PlanBook,
  type PlanChange,
  type PlanKind,
  type PlanValues,
} from '@veldrift/core/planning';
import type { EventOf, Planned } from '@veldrift/wire';
import { useCallback, useMemo } from 'react';
import { v7 as uuid } from 'uuid';
import { planChangeOf, plannedQuery, queryClient } from '../../app/queries.ts';
import { useSession } from '../../app/session.tsx';

/** What a value is of. */
export interface PlanPlace {
  readonly pupilId?: string;
  readonly day?: string;
  readonly key?: string;
}
export type SetPlan = <K extends PlanKind>(kind: K, of: PlanPlace, value: PlanValues[K]) => Promise<void>;

/** A change that another tutor's later one has overruled unseen. */
export interface PlanConflict {
  readonly held: PlanChange;
  readonly lost: PlanChange;
}

/** What is planned, as this device knows it, and how it is changed: on this device first, then on record. */
export interface Plan {
  readonly planned: Planned | undefined;
  readonly error: Error | null;
  readonly at: number;
  readonly retry: () => void;
  readonly book: PlanBook;
  readonly conflicts: readonly PlanConflict[];
  readonly set: SetPlan;
}

const empty = planBook([]);

export function usePlan(): Plan {
  const { me, outbox } = useSession();
  const { data, error, dataUpdatedAt, refetch } = useQuery(plannedQuery);
  const book = useMemo(() => (data ? planBook(data.changes) : empty), [data]);
  const conflicts = useMemo(() => (data ? conflictsIn(data, book) : []), [data, book]);
  const set = useCallback<SetPlan>(
    async (kind, { pupilId = null, day = null, key = '' }, value) => {
      const held = queryClient.getQueryData(plannedQuery.queryKey);
      const place = placeOf({ kind, pupilId, day, key });
      const event: EventOf<'planChanged'> = {
        ...{ id: uuid(), v: 1, kind: 'planChanged', at: new Date().toISOString(), what: kind },
        ...{ pupilId, day, key, value: value as EventOf<'planChanged'>['value'] },
        seen: (held ? planBook(held.changes).change(place)?.id : undefined) ?? null,
      };
      await queryClient.cancelQueries({ queryKey: plannedQuery.queryKey });
      queryClient.setQueryData(
        plannedQuery.queryKey,
        (now) => now && { ...now, changes: [...now.changes, planChangeOf(event, me.userId)] },
      );
      await outbox.add([event]);
    },
    [me.userId, outbox],
  );
  return {
    planned: data,
    error,
    at: dataUpdatedAt,
    retry: () => void refetch(),
    book,
    conflicts,
    set,
  };
}

/** Places where two tutors set something of which one did not know. */
function conflictsIn({ changes, lately }: Planned, book: PlanBook): PlanConflict[] {
  const places = new Map<string, PlanChange[]>();
  for (const one of [...lately, ...changes]) {
    const place = placeOf(one);
    const of = places.get(place) ?? [];
    if (!of.some((other) => other.id === one.id)) places.set(place, [...of, one]);
  }
  return [...places].flatMap(([place, of]) => {
    const held = book.change(place);
    const [lost] = overruled(of);
    return held && lost ? [{ held, lost }] : [];
  });
}
