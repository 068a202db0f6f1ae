import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { factListText, type Verdict } from '@veldrift/core';
import { findSet } from '../app/book.ts';
import type { DecideInput, Proposal, Pupil } from '@veldrift/wire';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { api, ApiError } from '../app/api.ts';
import { dropDraft } from '../app/draft.ts';
import { refetchRecords } from '../app/queries.ts';
import { Otherwise } from './Otherwise.tsx';
import { otherSet, otherwiseDraft } from './otherwiseDraft.ts';
import { Reasons } from './Reasons.tsx';
import './decision.css';

/** What the school says, with its reasons; the tutor takes it or decides otherwise. */
export function DecisionPanel({
  pupil,
  proposal,
  playId,
  brief = false,
}: {
  readonly pupil: Pupil;
  readonly proposal: Proposal;
  readonly playId: string | null;
  /** What is missing is folded away. */
  readonly brief?: boolean;
}) {
  const { decision } = proposal;
  const [otherwise, setOtherwise] = useState(false);
  const { enqueueSnackbar } = useSnackbar();
  const toSetId = proposal.acceptedSetId;
  const decide = useMutation({
    mutationFn: (input: Omit<DecideInput, 'id' | 'playId' | 'evidenceMark'>) =>
      api.decide(pupil.id, { ...input, id: uuid(), playId, evidenceMark: proposal.evidenceMark }),
    onSuccess: async (kept) => {
      dropDraft(otherwiseDraft(pupil.id));
      setOtherwise(false);
      enqueueSnackbar(
        kept.toSetId === kept.setId
          ? `On record: ${pupil.name} stays on ${nameOf(kept.setId)}.`
          : `On record: ${pupil.name} is on ${nameOf(kept.toSetId)} now.`,
      );
      await refetchRecords();
    },
    onError: async (error) => {
      if (error instanceof ApiError && error.status === 409) await refetchRecords();
    },
  });
  const source = {
    key: ['proposalAnswers', pupil.id, proposal.evidenceMark],
    fetch: (of: 'facts' | 'checks') => api.answersOfProposal(pupil.id, of),
  };
  return (
    <section className={`decision ${decision.verdict}`} aria-labelledby="decision-title">
      <h2 id="decision-title">{headline(decision.verdict, proposal, pupil)}</h2>
      <Reasons reasons={decision.reasons} school={pupil.school} answers={source} />
      {decision.missing.length > 0 && (
        <details open={!brief}>
          <summary>
            <h3>Missing</h3>
          </summary>
          <Reasons reasons={decision.missing} school={pupil.school} answers={source} />
        </details>
      )}
      {decision.wouldSettle !== '' && (
        <p>
          <strong>Would settle it:</strong> {decision.wouldSettle}
        </p>
      )}
      {decision.strays.length > 0 && <p>Carried along: {factListText(decision.strays)}.</p>}
      {decide.error && !otherwise && (
        <p role="alert" style={{ color: 'var(--clay)' }}>
          {sentenceOf(decide.error)}
        </p>
      )}
      <div className="actions">
        <Button
          variant="contained"
          disabled={decide.isPending}
          onClick={() => decide.mutate({ outcome: 'accepted', toSetId, reason: '' })}
        >
          {toSetId === proposal.setId
            ? 'Accept: stay'
            : `Accept: ${decision.verdict === 'stepBack' ? 'go back' : 'go on'} to ${nameOf(toSetId)}`}
        </Button>
        <Button variant="outlined" onClick={() => setOtherwise(true)}>
          Decide otherwise
        </Button>
      </div>
      {otherwise && (
        <Otherwise
          {...otherSet(pupil, proposal.nextSetId ?? pupil.setId)}
          trouble={decide.error ? sentenceOf(decide.error) : undefined}
          pending={decide.isPending}
          onDecide={(to, reason) => decide.mutate({ outcome: 'otherwise', toSetId: to, reason })}
          onClose={() => setOtherwise(false)}
        />
      )}
    </section>
  );
}

function headline(verdict: Verdict, proposal: Proposal, pupil: Pupil): string {
  const set = nameOf(proposal.setId);
  switch (verdict) {
    case 'advance':
      return proposal.nextSetId
        ? `Ready for ${nameOf(proposal.nextSetId)}`
        : `${set} is done, and with it the pathway`;
    case 'stay':
      return `Stay on ${set} for now`;
    case 'stepBack':
      return `Step back from ${set}`;
    case 'review':
      return `Review ${set}`;
    case 'recalibrate':
      return `Measure ${pupil.name}\u2019s overhead again`;
    case 'place':
    case 'notEnough':
      return `Not enough to decide on ${set}`;
  }
}

function nameOf(setId: string): string {
  return findSet(setId)?.name ?? setId;
}

function sentenceOf(error: unknown): string {
  return error instanceof ApiError ? error.problem.message : 'It could not be put on record; try again.';
}
