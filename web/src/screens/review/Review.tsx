import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { ApiError } from '../../app/api.ts';
import { deviceDb, isGame, type PlayRow } from '../../app/deviceDb.ts';
import { rowOfPlay } from '../../app/playStore.ts';
import type { Pupil } from '@veldrift/wire';
import { pupilsQuery, queryClient, reviewQuery } from '../../app/queries.ts';
import { useOutboxState } from '../../app/session.tsx';
import { Empty, Loading, Stale, Trouble } from '../../parts/states.tsx';
import { localReview } from './localReview.ts';
import { answersAt, skillsAt } from '../../live/game/gameAnswers.ts';
import { ReviewBody } from './ReviewBody.tsx';

/** Answers of a play that this device knows of, to facts and to skills. */
const givenOn = (row: PlayRow, playId: string): number =>
  isGame(row) ? answersAt(row, playId).length + skillsAt(row, playId).length : row.state.answers.length;

/** Whose play it is: at a game's table the pupil of its seat. */
const pupilAt = (row: PlayRow, playId: string): Pupil =>
  (isGame(row) ? row.seats.find((one) => one.playId === playId)?.pupil : null) ?? row.pupil;

/** Straight after a minute: from the server, or from this device while the server has not got it all. */
export function Review() {
  const { playId = '' } = useParams();
  const outbox = useOutboxState();
  const pupils = useQuery(pupilsQuery);
  const review = useQuery(reviewQuery(playId));
  const [row, setRow] = useState<PlayRow | null>();
  useEffect(() => {
    let gone = false;
    void deviceDb()
      .then((db) => rowOfPlay(db, playId))
      .then((found) => !gone && setRow(found ?? null));
    return () => {
      gone = true;
    };
  }, [playId]);
  const { refetch } = review;
  const waiting = outbox.waiting > 0;
  const waited = useRef(waiting);
  useEffect(() => {
    // What was asked before the server had it all is not waited for: a refetch would join it, and its answer would stand.
    if (waited.current && !waiting)
      void queryClient.cancelQueries({ queryKey: reviewQuery(playId).queryKey }).then(() => refetch());
    else if (!waiting) void refetch();
    waited.current = waiting;
  }, [refetch, waiting, playId]);

  const sits = row && pupilAt(row, playId);
  const pupil = pupils.data?.find((one) => one.id === sits?.id) ?? sits;
  const complete =
    review.data &&
    (!row || review.data.answers.length + review.data.skills.length >= givenOn(row, playId)) &&
    review.data.play.endedAt !== null;
  if (review.data && (complete || !row || !pupil)) {
    return (
      <>
        {review.error && <Stale at={review.dataUpdatedAt} />}
        <ReviewBody page={review.data} />
      </>
    );
  }
  if (row && pupil) return <ReviewBody page={localReview(row, pupil, playId)} />;
  if (review.error instanceof ApiError && review.error.status === 404) {
    return (
      <Empty title="There is no such minute">
        <p>It may be of a pupil who was deleted, or not have reached the server yet.</p>
        <Button variant="outlined" component={Link} to="/">
          Back to today
        </Button>
      </Empty>
    );
  }
  return review.error ? (
    <Trouble error={review.error} onRetry={() => void refetch()} />
  ) : (
    <Loading what="the review" />
  );
}
