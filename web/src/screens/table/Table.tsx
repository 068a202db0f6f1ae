import { findSet, type FactSet } from '@veldrift/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import Button from '@mui/material/Button';
import { deviceDb, type PlayRow } from '../../app/deviceDb.ts';
import { pupilsQuery } from '../../app/queries.ts';
import { useSession } from '../../app/session.tsx';
import { hold } from '../../live/pageLock.ts';
import { closeMinute, minuteLock, takeUp } from '../../live/openMinutes.ts';
import { Empty, Loading, Trouble } from '../../parts/states.tsx';
import { RunningTable } from './RunningTable.tsx';
import './live.css';

/** The live table of a minute kept on this device: taken up where it stood, or closed when it lay open too long. */
export function Table() {
  const { playId = '' } = useParams();
  const { me, outbox } = useSession();
  const navigate = useNavigate();
  const [row, setRow] = useState<PlayRow | null>();
  // Fetched only where the pupil is not known yet: nothing is fetched, drawn or put away under a child's minute.
  const {
    data: pupils,
    error,
    refetch,
    isFetching,
  } = useQuery({
    ...pupilsQuery,
    enabled: ({ state }) => !state.data?.some((one) => one.id === row?.pupilId) && row !== undefined,
  });

  const [held, setHeld] = useState(false);
  // One window at a time: two would both take answers.
  useEffect(() => {
    const letGo = hold(minuteLock(playId), () => setHeld(true));
    return () => {
      letGo();
      setHeld(false);
    };
  }, [playId]);

  useEffect(() => {
    if (!held) return;
    let gone = false;
    void (async () => {
      const found = await (await deviceDb()).get('plays', playId);
      if (gone) return;
      if (!found || found.userId !== me.userId) return setRow(null);
      const taken = takeUp(found, new Date().toISOString());
      if (taken.state.status === 'over' && found.state.status !== 'over') {
        await closeMinute(outbox, taken);
      } else if (taken !== found) await (await deviceDb()).put('plays', taken);
      if (gone) return;
      if (taken.state.status === 'over') await navigate(`/review/${playId}`, { replace: true });
      else setRow(taken);
    })();
    return () => {
      gone = true;
    };
  }, [held, me.userId, navigate, outbox, playId]);

  if (!held) {
    return (
      <main style={{ padding: 32 }} className="appear-late">
        <Empty title="This minute is on the table in another window">
          <p>Close it there, and it goes on here with the time left.</p>
        </Empty>
      </main>
    );
  }
  if (row === null) {
    return (
      <main style={{ padding: 32 }}>
        <Empty title="This minute is not on this device">
          <p>It may have been given on another device, or been cleared when someone signed out.</p>
          <Button variant="outlined" component={Link} to={`/review/${playId}`}>
            Look for its review
          </Button>
        </Empty>
      </main>
    );
  }
  const pupil = pupils?.find((one) => one.id === row?.pupilId);
  if (!row || !pupil) {
    return (
      <main style={{ padding: 32 }}>
        {error ? (
          <Trouble error={error} onRetry={() => void refetch()} />
        ) : row && pupils && !isFetching ? (
          <Empty title="There is no such pupil in this room">
            <p>The pupil of this minute was deleted.</p>
          </Empty>
        ) : (
          <Loading what="the table" />
        )}
      </main>
    );
  }
  return <RunningTable key={row.playId} row={row} pupil={pupil} set={findSet(row.setId) as FactSet} />;
}
