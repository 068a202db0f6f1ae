import { useQuery } from '@tanstack/react-query';
import type { OpenTable } from '@veldrift/wire';
import { useEffect, useState } from 'react';
import { deviceDb } from '../app/deviceDb.ts';
import { allPlays } from '../app/playStore.ts';
import { openTablesQuery } from '../app/queries.ts';

/** This tutor's games that were begun on another device and not ended. */
export function useTablesElsewhere(): readonly OpenTable[] {
  const { data } = useQuery({ ...openTablesQuery, retry: false });
  const [elsewhere, setElsewhere] = useState<readonly OpenTable[]>([]);
  useEffect(() => {
    if (!data) return;
    let gone = false;
    void deviceDb()
      .then(allPlays)
      .then((rows) => {
        const here = new Set(rows.map(({ playId }) => playId));
        if (!gone) setElsewhere(data.filter(({ playId }) => !here.has(playId)));
      });
    return () => {
      gone = true;
    };
  }, [data]);
  return elsewhere;
}
