import Button from '@mui/material/Button';
import { countText } from '@veldrift/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { v7 as uuid } from 'uuid';
import { keepDraft } from '../../app/draft.ts';
import { useSession } from '../../app/session.tsx';
import { measuringFor } from '../../live/measuringOf.ts';
import { looseDraft } from '../loose/looseDraft.ts';
import type { SheetProps } from './SheetProps.ts';
import { newSeed, playHead } from '../../live/startPlay.ts';

/** Before a loose pack: real cards in any order, taken down by exception. */
export function LooseSheet({ pupil, set }: SheetProps) {
  const { me, outbox } = useSession();
  const navigate = useNavigate();
  const [starting, setStarting] = useState(false);
  const start = async () => {
    setStarting(true);
    const head = await playHead(pupil, me.userId);
    const { playId, pupilId, visitId, startedAt: at } = head;
    await outbox.add([
      { id: uuid(), v: 1, kind: 'visitStarted', pupilId, visitId, at },
      {
        id: uuid(),
        v: 1,
        kind: 'playStarted',
        seat: 0,
        pupilId,
        visitId,
        playId,
        at,
        purpose: 'loose',
        setId: set.id,
        seed: newSeed(),
        lengthMs: 600_000,
        way: 'loose',
        limitMs: measuringFor(pupil, me).limitMs,
        device: navigator.userAgent.slice(0, 200),
        title: 'Loose pack',
      },
    ]);
    keepDraft(looseDraft(playId), {
      pupilId,
      visitId,
      name: pupil.name,
      operation: pupil.operation,
      startedAt: at,
      kept: [],
    });
    await navigate(`/loose/${playId}`);
  };
  return (
    <>
      <div className="sheet-start">
        <Button variant="contained" size="large" disabled={starting} onClick={() => void start()} autoFocus>
          To the table
        </Button>
      </div>
      <p>
        The child turns real cards in any order, on {set.name} or what you like. One key, <kbd>→</kbd>, for
        each instant right answer: it is counted, not by fact. Only for an answer that was not, you give the
        two cards and what you saw.
      </p>
      <p className="quiet">
        No time is taken, so nothing here makes a fact recalled; what was missed or worked out is kept by
        fact. For an order of {countText(20, 'card')} or more that needs no typing at all, take a drill with
        real cards.
      </p>
    </>
  );
}
