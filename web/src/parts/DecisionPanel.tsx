import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { factListText, findPathway, findSet, type Verdict } from '@veldrift/core';
import type { DecideInput, Proposal, Pupil } from '@veldrift/wire';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { api, ApiError } from '../app/api.ts';
import { dropDraft, keepDraft, readDraft } from '../app/draft.ts';
import { refetchRecords } from '../app/queries.ts';
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
  const toSetId = decision.verdict === 'advance' ? (proposal.nextSetId ?? proposal.setId) : proposal.setId;
  const decide = useMutation({
    mutationFn: (input: Omit<DecideInput, 'id' | 'playId' | 'evidenceMark'>) =>
      api.decide(pupil.id, { ...input, id: uuid(), playId, evidenceMark: proposal.evidenceMark }),
    onSuccess: async (kept) => {
      dropDraft(`decide.${pupil.id}`);
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
          {decision.verdict === 'advance' && proposal.nextSetId
            ? `Accept: go on to ${nameOf(toSetId)}`
            : 'Accept: stay'}
        </Button>
        <Button variant="outlined" onClick={() => setOtherwise(true)}>
          Decide otherwise
        </Button>
      </div>
      {otherwise && (
        <Otherwise
          pupil={pupil}
          nextSetId={proposal.nextSetId}
          trouble={decide.error ? sentenceOf(decide.error) : undefined}
          pending={decide.isPending}
          onDecide={(to, reason) => decide.mutate({ outcome: 'otherwise', toSetId: to, reason })}
          onClose={() => setOtherwise(false)}
        />
      )}
    </section>
  );
}

interface OtherwiseProps {
  readonly pupil: Pupil;
  readonly nextSetId: string | null;
  readonly trouble: string | undefined;
  readonly pending: boolean;
  readonly onDecide: (toSetId: string, reason: string) => void;
  readonly onClose: () => void;
}

function Otherwise({ pupil, nextSetId, trouble, pending, onDecide, onClose }: OtherwiseProps) {
  const draftName = `decide.${pupil.id}`;
  const [value, setValue] = useState(
    () =>
      readDraft<{ to: string; reason: string }>(draftName) ?? { to: nextSetId ?? pupil.setId, reason: '' },
  );
  const change = (next: typeof value) => {
    setValue(next);
    keepDraft(draftName, next);
  };
  const [lacks, setLacks] = useState(false);
  const sets = findPathway(pupil.pathwayId)?.sets[pupil.operation] ?? [];
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="otherwise-title">
      <DialogTitle id="otherwise-title">Decide otherwise</DialogTitle>
      <DialogContent>
        <div style={{ display: 'grid', gap: 18, paddingTop: 8 }}>
          <TextField
            select
            label={`${pupil.name} goes on with`}
            value={value.to}
            onChange={(event) => change({ ...value, to: event.target.value })}
          >
            {sets.map((set, at) => (
              <MenuItem key={set.id} value={set.id}>
                {at + 1}. {set.name}
                {set.id === pupil.setId ? ' (now)' : ''}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label="Why"
            multiline
            minRows={2}
            value={value.reason}
            onChange={(event) => change({ ...value, reason: event.target.value })}
            error={lacks && value.reason.trim() === ''}
            helperText={
              lacks && value.reason.trim() === ''
                ? 'Deciding otherwise needs a reason: one line is enough.'
                : 'One line is enough. It is kept with the decision.'
            }
            slotProps={{ htmlInput: { maxLength: 1000 } }}
          />
          {trouble && (
            <p role="alert" style={{ color: 'var(--clay)' }}>
              {trouble} What you wrote is kept.
            </p>
          )}
        </div>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Back</Button>
        <Button
          variant="contained"
          disabled={pending}
          onClick={() => {
            setLacks(true);
            if (value.reason.trim() !== '') onDecide(value.to, value.reason);
          }}
        >
          Put on record
        </Button>
      </DialogActions>
    </Dialog>
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
