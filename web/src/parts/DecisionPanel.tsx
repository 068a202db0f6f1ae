import Button from '@mui/material/Button';
import { dayOf, factListText, isMinuteOffered, settledDays, type Verdict } from '@veldrift/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { findSet } from '../app/book.ts';
import type { DecideInput, Proposal, Pupil } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { api } from '../app/api.ts';
import { dateText } from '../app/format.ts';
import { useSession } from '../app/session.tsx';
import { Otherwise } from './Otherwise.tsx';
import { otherSet, otherwiseDraft } from './otherwiseDraft.ts';
import { Reasons } from './Reasons.tsx';
import { useWord } from './useWord.ts';
import './decision.css';
import { isolated } from '../app/isolated.ts';

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
  const { me } = useSession();
  const { decision } = proposal;
  const minuteNow = isMinuteOffered(decision.offer, dayOf(new Date().toISOString(), me.timeZone));
  const toSetId = proposal.acceptedSetId;
  const { say, pending, trouble, otherwise, setOtherwise } = useWord({
    send: (input: Omit<DecideInput, 'id' | 'playId' | 'evidenceMark'>) =>
      api.decide(pupil.id, { ...input, id: uuid(), playId, evidenceMark: proposal.evidenceMark }),
    draftName: otherwiseDraft(pupil.id),
    says: (kept) =>
      kept.toSetId === kept.setId
        ? `On record: ${isolated(pupil.name)} stays on ${nameOf(kept.setId)}.`
        : `On record: ${isolated(pupil.name)} is on ${nameOf(kept.toSetId)} now.`,
  });
  const source = {
    key: ['proposalAnswers', pupil.id, proposal.evidenceMark],
    fetch: (of: 'facts' | 'checks') => api.answersOfProposal(pupil.id, of),
  };
  const [again, setAgain] = useState(false);
  const { settled } = proposal;
  if (settled && !again)
    return (
      <section className="decision settled" aria-labelledby="decision-title">
        <h2 id="decision-title">Decided: stay on {nameOf(proposal.setId)}</h2>
        <p>
          {dateText(settled.at)}, {settled.by}
          {settled.reason === '' ? '.' : `: \u201c${settled.reason}\u201d`}
        </p>
        <p className="quiet">
          It is asked again when new answers change what the school says, or after {settledDays} days.
        </p>
        <details open={!brief}>
          <summary>
            <h3>What the school says</h3>
          </summary>
          <Reasons reasons={decision.reasons} school={pupil.school} answers={source} />
        </details>
        <div className="actions">
          <Button variant="outlined" onClick={() => setAgain(true)}>
            Decide again
          </Button>
        </div>
      </section>
    );
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
      {trouble && !otherwise && (
        <p role="alert" style={{ color: 'var(--clay)' }}>
          {trouble}
        </p>
      )}
      <div className="actions">
        {minuteNow && (
          <Button variant="contained" component={Link} to={`/table/new/${pupil.id}?what=check`}>
            Give the minute now
          </Button>
        )}
        <Button
          variant={minuteNow ? 'outlined' : 'contained'}
          disabled={pending}
          onClick={() => say({ outcome: 'accepted', toSetId, reason: '' })}
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
          trouble={trouble}
          pending={pending}
          onDecide={(to, reason) => say({ outcome: 'otherwise', toSetId: to, reason })}
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
      return `Measure the keys again for ${isolated(pupil.name)}`;
    case 'place':
    case 'notEnough':
      return `Not enough to decide on ${set}`;
  }
}

function nameOf(setId: string): string {
  return findSet(setId)?.name ?? setId;
}
