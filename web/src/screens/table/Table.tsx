import { findSet } from '../../app/book.ts';
import { Suspense, useEffect, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { deviceDb, isGame, isTurns, type PlayRow } from '../../app/deviceDb.ts';
import { getPlay, putPlay } from '../../app/playStore.ts';
import { page, usePagesAfterTable } from '../../app/page.tsx';
import { useSession } from '../../app/session.tsx';
import { hold } from '../../live/pageLock.ts';
import { recoverJournal } from '../../live/journal.ts';
import { closeMinute, minuteLock, takeUp } from '../../live/openMinutes.ts';
import { Empty, Loading } from '../../parts/states.tsx';
import { OnAnotherDevice } from './OnAnotherDevice.tsx';
import { RunningTurns } from './RunningTurns.tsx';
import { RunningTable } from './RunningTable.tsx';
import './live.css';

const GameTable = page(() => import('../game/GameTable.tsx').then((m) => m.GameTable));

/** The live table of a play kept on this device: taken up where it stood, or closed when it lay open too long. */
export function Table() {
  const { playId = '' } = useParams();
  const { me, outbox } = useSession();
  const navigate = useNavigate();
  const [row, setRow] = useState<PlayRow | null>();

  usePagesAfterTable();
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
      const db = await deviceDb();
      // What another window had only written down when it was closed belongs to this minute too.
      await recoverJournal(db, localStorage);
      void outbox.flush();
      const found = await getPlay(db, playId);
      if (gone) return;
      if (!found || found.userId !== me.userId) return setRow(null);
      const taken = takeUp(found, new Date().toISOString());
      if (taken.state.status === 'over' && found.state.status !== 'over') {
        await closeMinute(outbox, taken);
      } else if (taken !== found) await putPlay(db, taken);
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
        <h1 className="sr-only">The table</h1>
        <Empty title="This is on the table in another window">
          <p>Close it there, and it goes on here with the time left.</p>
        </Empty>
      </main>
    );
  }
  if (row === null) {
    return (
      <main style={{ padding: 32 }}>
        <OnAnotherDevice playId={playId} onTaken={setRow} />
      </main>
    );
  }
  if (!row) {
    return (
      <main style={{ padding: 32 }}>
        <Loading what="the table" />
      </main>
    );
  }
  // Of a pathway changed or gone since only the title is left.
  const setName = findSet(row.setId)?.name ?? '';
  if (isGame(row))
    return (
      <Suspense fallback={<Loading what="the game" />}>
        <GameTable key={row.playId} row={row} />
      </Suspense>
    );
  if (isTurns(row)) return <RunningTurns key={row.playId} row={row} setName={setName} />;
  return <RunningTable key={row.playId} row={row} pupil={row.pupil} setName={setName} />;
}
