import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { countText } from '@veldrift/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { deviceDb, type PlayRow } from '../../app/deviceDb.ts';
import { timeText } from '../../app/format.ts';
import { putPlay } from '../../app/playStore.ts';
import { pupilsQuery, queryClient, tableOnRecordQuery } from '../../app/queries.ts';
import { useSession } from '../../app/session.tsx';
import { tableFromRecord } from '../../live/game/tableFromRecord.ts';
import { pageNow } from '../../live/pageNow.ts';
import { Empty, Loading } from '../../parts/states.tsx';

/** A play that is not on this device: a game of one's own that stands elsewhere is taken up here, from its record. */
export function OnAnotherDevice({
  playId,
  onTaken,
}: {
  readonly playId: string;
  readonly onTaken: (row: PlayRow) => void;
}) {
  const { me } = useSession();
  const { data: record, isPending } = useQuery({ ...tableOnRecordQuery(playId), retry: false });
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState('');
  if (isPending) return <Loading what="the table" />;
  if (!record)
    return (
      <>
        <h1 className="sr-only">The table</h1>
        <Empty title="This is not on this device">
          <p>It may have been given on another device, or been cleared when someone signed out.</p>
          <Button variant="outlined" component={Link} to={`/review/${playId}`}>
            Look for its review
          </Button>
        </Empty>
      </>
    );
  const takeUp = async () => {
    setBusy(true);
    setTrouble('');
    try {
      // As it is now: the other device may have sent more meanwhile.
      const now = await queryClient.fetchQuery({ ...tableOnRecordQuery(playId), staleTime: 0 });
      const pupils = await queryClient.fetchQuery({ ...pupilsQuery, staleTime: 0 });
      const pages = await Promise.all(
        now.seats.map(async ({ pupilId }) => [pupilId, await pageNow(pupilId)] as const),
      );
      const row = tableFromRecord(now, me, pupils, new Map(pages));
      if (!row) return setTrouble('The pupil it was begun with is not in this room any more.');
      await putPlay(await deviceDb(), row);
      onTaken(row);
    } catch {
      setTrouble('It could not be taken up: the server does not answer. Try again.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <h1 className="sr-only">The table</h1>
      <Empty title="This game stands on another device">
        <p>
          {record.title}. Last heard of at {timeText(record.lastAt)}, after{' '}
          {countText(record.moves.length, 'move')}. Taken up here it goes on from there. Leave it on the other
          device: of what both would go on to play, the first to arrive counts.
        </p>
        <Button variant="contained" size="large" disabled={busy} onClick={() => void takeUp()}>
          Take it up here
        </Button>{' '}
        <Button component={Link} to="/">
          Not now
        </Button>
        {trouble && (
          <p role="alert" className="clay">
            {trouble}
          </p>
        )}
      </Empty>
    </>
  );
}
