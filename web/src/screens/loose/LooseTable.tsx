import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import {
  answerOf,
  defaultLimitMs,
  displaySigns,
  factKey,
  factKeyText,
  parseFactKey,
  sayNowLine,
  tryParseFactKey,
  wholeFactText,
  type FactKey,
  type Judgement,
  type Mark,
  type Operation,
} from '@veldrift/core';
import type { TableEvent } from '@veldrift/wire';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { dropDraft, keepDraft, readDraft } from '../../app/draft.ts';
import { useSession } from '../../app/session.tsx';
import { LiveKey } from '../../live/LiveKey.tsx';
import { useKeys } from '../../live/usePaintClock.ts';
import { Empty } from '../../parts/states.tsx';
import { looseDraft, type LooseDraft, type LooseEntry } from './looseDraft.ts';
import '../table/live.css';
import './loose.css';
import { useQuery } from '@tanstack/react-query';
import { pupilsQuery } from '../../app/queries.ts';
import { ownWayOf } from '../../live/ownWay.ts';

/** A loose pack on the table: one key for an instant right answer; else two cards and what was seen. */
export function LooseTable() {
  const { playId = '' } = useParams();
  const draft = readDraft<LooseDraft>(looseDraft(playId));
  if (!draft) {
    return (
      <main style={{ padding: 32 }}>
        <Empty title="This loose pack is not on this device">
          <p>It may have been ended, or be on another device. What was taken down of it is kept.</p>
          <Button variant="outlined" component={Link} to="/">
            Back to today
          </Button>
        </Empty>
      </main>
    );
  }
  return <Running playId={playId} given={draft} />;
}

const judged: readonly (readonly [Judgement | 'counted', string, string])[] = [
  ['wrong', 'Not right', '←'],
  ['workedOut', 'Worked out', '↓'],
  ['gaveUp', 'Gave up', '↑'],
];

function Running({ playId, given }: { readonly playId: string; readonly given: LooseDraft }) {
  const { outbox } = useSession();
  const navigate = useNavigate();
  const [draft, setDraft] = useState(given);
  const [left, setLeft] = useState('');
  const [right, setRight] = useState('');
  const [missing, setMissing] = useState('');
  const { pupilId, visitId, operation, kept } = draft;
  const pupil = useQuery(pupilsQuery).data?.find((one) => one.id === pupilId);
  const head = () => ({ v: 1 as const, seat: 0, pupilId, visitId, playId, at: new Date().toISOString() });
  const fact = factOf(operation, left, right);
  const last = kept.at(-1);

  const keep = (entry: LooseEntry, event: TableEvent) => {
    const next = { ...draft, kept: [...kept, entry] };
    setDraft(next);
    keepDraft(looseDraft(playId), next);
    setLeft('');
    setRight('');
    setMissing('');
    void outbox.add([event]);
  };
  const count = () => {
    const id = uuid();
    keep({ id, fact: null, says: 'instant' }, { ...head(), id, kind: 'instantCounted' });
  };
  const judge = (judgement: Judgement, says: string, seen: readonly Mark[] = []) => {
    if (fact === undefined) {
      setMissing(left === '' || right === '' ? 'Give the two cards first: which fact was it?' : '');
      return;
    }
    const id = uuid();
    keep(
      { id, fact, says: says.toLowerCase() },
      {
        ...head(),
        id,
        kind: 'answerGiven',
        fact,
        hidden: 'result',
        judgement,
        given:
          judgement === 'workedOut' || judgement === 'right' ? String(answerOf(parseFactKey(fact))) : null,
        latencyMs: null,
        lastKeyMs: null,
        voided: false,
        way: 'loose',
        overheadMs: 0,
        spreadMs: 0,
        calibrated: false,
        calibrationAgeDays: null,
        limitMs: defaultLimitMs,
        aided: false,
        seen: [...seen],
        usedMs: Date.now() - Date.parse(draft.startedAt),
      },
    );
  };
  const undo = () => {
    if (!last) return;
    const next = { ...draft, kept: kept.slice(0, -1) };
    setDraft(next);
    keepDraft(looseDraft(playId), next);
    void outbox.add([{ ...head(), id: uuid(), kind: 'answerRetracted', answerId: last.id }]);
  };
  const end = async () => {
    await outbox.add([
      {
        ...head(),
        id: uuid(),
        kind: 'playEnded',
        usedMs: Math.min(10_800_000, Date.now() - Date.parse(draft.startedAt)),
        reason: 'tutor',
        calm: false,
        interrupted: false,
      },
    ]);
    dropDraft(looseDraft(playId));
    await navigate(`/review/${playId}`, { replace: true });
  };

  useKeys(true, (event) => {
    const key = event.key;
    if (key === 'ArrowRight') count();
    else if (key === 'ArrowLeft') judge('wrong', 'Not right');
    else if (key === 'ArrowDown') judge('workedOut', 'Worked out');
    else if (key === 'ArrowUp') judge('gaveUp', 'Gave up');
    else if (key === 'Backspace') undo();
    else return;
    event.preventDefault();
  });

  const instants = kept.filter((one) => one.fact === null).length;
  const treated = [...kept].reverse().find((one) => one.fact !== null && one.says !== 'worked out');
  return (
    <main className="loose">
      <header>
        <h1>
          {draft.name}: loose pack, {displaySigns[operation]}
        </h1>
        <Button variant="outlined" onClick={() => void end()}>
          End
        </Button>
      </header>
      <div className="loose-field">
        <p className="loose-count numeral" aria-live="polite">
          {instants}
          <span>instant</span>
        </p>
        <LiveKey className="judge right loose-right" onPress={count}>
          Instant and right
          <kbd aria-hidden>→</kbd>
        </LiveKey>
      </div>
      <section aria-label="An answer that was not" className="loose-exception">
        <h2>An answer that was not</h2>
        <div className="loose-cards">
          <TextField
            label="First card"
            value={left}
            onChange={(event) => setLeft(event.target.value.replace(/\D/g, '').slice(0, 3))}
            slotProps={{ htmlInput: { inputMode: 'numeric', autoComplete: 'off' } }}
          />
          <span className="numeral">{displaySigns[operation]}</span>
          <TextField
            label="Second card"
            value={right}
            onChange={(event) => setRight(event.target.value.replace(/\D/g, '').slice(0, 3))}
            slotProps={{ htmlInput: { inputMode: 'numeric', autoComplete: 'off' } }}
          />
          {judged.map(([judgement, says, arrow]) => (
            <LiveKey key={judgement} className="judge" onPress={() => judge(judgement as Judgement, says)}>
              {says}
              <kbd aria-hidden>{arrow}</kbd>
            </LiveKey>
          ))}
        </div>
        <p role="alert" className="clay">
          {missing || (left !== '' && right !== '' && fact === undefined ? wrongCards(operation) : '')}
        </p>
        {treated?.fact && (
          <p>
            <strong>{wholeFactText(treated.fact)}</strong>.{' '}
            {sayNowLine(parseFactKey(treated.fact), pupil && ownWayOf(pupil, treated.fact))}
          </p>
        )}
      </section>
      <section aria-label="Taken down" className="loose-kept">
        <header>
          <h2>Taken down</h2>
          <Button variant="text" disabled={!last} onClick={undo}>
            Undo
          </Button>
        </header>
        <ol reversed>
          {[...kept]
            .reverse()
            .slice(0, 8)
            .map((one) => (
              <li key={one.id}>
                {one.fact === null ? 'instant and right' : `${factKeyText(one.fact)}, ${one.says}`}
              </li>
            ))}
        </ol>
      </section>
    </main>
  );
}

const wrongCards = (operation: Operation) =>
  operation === 'sub'
    ? 'Give the larger number first: the answer should not be below 0.'
    : 'Give the product first and then a number that goes into it.';

/** The fact of two typed numbers; undefined while they make none. */
function factOf(operation: Operation, left: string, right: string): FactKey | undefined {
  if (left === '' || right === '') return undefined;
  const key = factKey({ operation, left: Number(left), right: Number(right) });
  return tryParseFactKey(key) ? key : undefined;
}
