import Button from '@mui/material/Button';
import type { PlaceInput, ReviewPage } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { api } from '../../app/api.ts';
import { findSet } from '../../app/book.ts';
import { Otherwise } from '../../parts/Otherwise.tsx';
import { otherSet, otherwiseDraft } from '../../parts/otherwiseDraft.ts';
import { useWord } from '../../parts/useWord.ts';
import type { LocalReview } from './localReview.ts';
import { isolated } from '../../app/isolated.ts';

interface Props {
  readonly page: ReviewPage | LocalReview;
  readonly of: 'placements' | 'lookBacks';
  /** What the button to accept says. */
  readonly accept: string;
  /** The set the pupil is on when it is accepted. */
  readonly toSetId: string;
}

/** The tutor's word on what a placement or a look back says: accept, or decide otherwise with a reason; then what is on record. */
export function TutorsWord({ page, of, accept, toSetId }: Props) {
  const { play, pupil, decision: ended } = page;
  const { say, pending, trouble, otherwise, setOtherwise } = useWord({
    send: (input: Pick<PlaceInput, 'outcome' | 'toSetId' | 'reason'>) =>
      api.sayOutcome(pupil.id, of, { ...input, id: uuid(), playId: play.id }),
    draftName: otherwiseDraft(pupil.id),
    says: (kept) => `On record: ${isolated(pupil.name)} is on ${nameOf(kept.toSetId)}.`,
  });
  if (ended)
    return (
      <>
        <p>
          {ended.by} {ended.outcome === 'accepted' ? 'accepted' : 'decided otherwise'}; on with{' '}
          <strong>{nameOf(ended.toSetId)}</strong>.{ended.otherReason && ` \u201c${ended.otherReason}\u201d`}
        </p>
        {page.mayUndo && <Undo pupilId={pupil.id} decisionId={ended.id} backTo={ended.setId} />}
      </>
    );
  if (page.proposal === null)
    return <p className="quiet">It can be accepted when the answers have reached the server.</p>;
  return (
    <>
      <div className="actions">
        <Button
          variant="contained"
          disabled={pending}
          onClick={() => say({ outcome: 'accepted', toSetId, reason: '' })}
        >
          {accept}
        </Button>
        <Button variant="outlined" onClick={() => setOtherwise(true)}>
          Decide otherwise
        </Button>
      </div>
      {trouble && !otherwise && (
        <p role="alert" style={{ color: 'var(--clay)' }}>
          {trouble}
        </p>
      )}
      {otherwise && (
        <Otherwise
          {...otherSet(pupil, toSetId)}
          trouble={trouble}
          pending={pending}
          onDecide={(to, reason) => say({ outcome: 'otherwise', toSetId: to, reason })}
          onClose={() => setOtherwise(false)}
        />
      )}
    </>
  );
}

/** Takes a placement back, for the rest of its visit. */
function Undo({
  pupilId,
  decisionId,
  backTo,
}: {
  readonly pupilId: string;
  readonly decisionId: string;
  readonly backTo: string;
}) {
  const { say, pending, trouble } = useWord({
    send: (id: string) => api.undoDecision(pupilId, decisionId, id),
    draftName: otherwiseDraft(pupilId),
    says: (kept) => `Taken back: on ${nameOf(kept.toSetId)} again.`,
  });
  return (
    <>
      <p className="quiet">It can be taken back until this visit is over.</p>
      <div className="actions">
        <Button variant="outlined" disabled={pending} onClick={() => say(uuid())}>
          Take it back: on {nameOf(backTo)} again
        </Button>
      </div>
      {trouble && (
        <p role="alert" className="clay">
          {trouble}
        </p>
      )}
    </>
  );
}

const nameOf = (setId: string) => findSet(setId)?.name ?? setId;
