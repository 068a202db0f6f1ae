import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { findSet } from '../../app/book.ts';
import type { PlaceInput, ReviewPage } from '@veldrift/wire';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { api, ApiError } from '../../app/api.ts';
import { dropDraft } from '../../app/draft.ts';
import { refetchRecords } from '../../app/queries.ts';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { Otherwise } from '../../parts/Otherwise.tsx';
import { otherwiseDraft } from '../../parts/otherwiseDraft.ts';
import type { LocalReview } from './localReview.ts';

/** What a placement found: the set to begin with, why, what else it may be; the tutor takes it or decides otherwise. */
export function PlacingPanel({ page }: { readonly page: ReviewPage | LocalReview }) {
  const { play, pupil, placing } = page;
  const [otherwise, setOtherwise] = useState(false);
  const { enqueueSnackbar } = useSnackbar();
  const place = useMutation({
    mutationFn: (input: Pick<PlaceInput, 'outcome' | 'toSetId' | 'reason'>) =>
      api.place(pupil.id, { ...input, id: uuid(), playId: play.id }),
    onSuccess: async (kept) => {
      dropDraft(otherwiseDraft(pupil.id));
      setOtherwise(false);
      enqueueSnackbar(`On record: ${pupil.name} begins with ${nameOf(kept.toSetId)}.`);
      await refetchRecords();
    },
    onError: async (error) => {
      if (error instanceof ApiError && error.status === 409) await refetchRecords();
    },
  });
  const trouble = place.error
    ? place.error instanceof ApiError
      ? place.error.problem.message
      : 'It could not be put on record; try again.'
    : undefined;
  if (!placing) {
    return (
      <p className="state-box">
        Nothing is known yet: no answer gave evidence. The placement can go on at this visit or another.
      </p>
    );
  }
  const { decision, toSetId } = placing;
  const answers = [...page.earlierAnswers, ...page.answers];
  const ended = page.decision;
  return (
    <section className="decision" aria-labelledby="placing-title">
      <h2 id="placing-title">Begin with {nameOf(toSetId)}</h2>
      <ul className="reasons">
        {decision.reasons.map((reason) => (
          <li key={reason.text}>
            <Explained
              title={reason.text}
              how="The answers of the placement, in both visits if it was split."
              answers={answers}
            >
              {reason.text}
            </Explained>
          </li>
        ))}
      </ul>
      {decision.wouldSettle !== '' && (
        <p>
          <strong>Would narrow it:</strong> {decision.wouldSettle}
        </p>
      )}
      {play.endReason !== 'time' && (
        <p className="notch">It was stopped before its end and may go on within 14 days.</p>
      )}
      {ended ? (
        <p>
          {ended.by} {ended.outcome === 'accepted' ? 'accepted' : 'decided otherwise'}:{' '}
          <strong>{nameOf(ended.toSetId)}</strong>.{ended.otherReason && ` \u201c${ended.otherReason}\u201d`}
        </p>
      ) : page.proposal === null ? (
        <p className="quiet">It can be accepted when the answers have reached the server.</p>
      ) : (
        <div className="actions">
          <Button
            variant="contained"
            disabled={place.isPending}
            onClick={() => place.mutate({ outcome: 'accepted', toSetId, reason: '' })}
          >
            Accept: begin with {nameOf(toSetId)}
          </Button>
          <Button variant="outlined" onClick={() => setOtherwise(true)}>
            Decide otherwise
          </Button>
        </div>
      )}
      {trouble && !otherwise && (
        <p role="alert" style={{ color: 'var(--clay)' }}>
          {trouble}
        </p>
      )}
      {otherwise && (
        <Otherwise
          pupil={pupil}
          firstSetId={toSetId}
          trouble={trouble}
          pending={place.isPending}
          onDecide={(to, reason) => place.mutate({ outcome: 'otherwise', toSetId: to, reason })}
          onClose={() => setOtherwise(false)}
        />
      )}
    </section>
  );
}

const nameOf = (setId: string) => findSet(setId)?.name ?? setId;
