import Button from '@mui/material/Button';
import { countText, dayNumber, dayOf, retentionDue, type FactSet } from '@veldrift/core';
import { findSet } from '../../app/book.ts';
import { policyOf } from '@veldrift/wire';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useSession } from '../../app/session.tsx';
import { measuringFor } from '../../live/measuringOf.ts';
import { passedSets } from '../../parts/today.ts';
import { HowMeasuredSheet } from './HowMeasuredSheet.tsx';
import type { SheetProps } from './SheetProps.ts';
import { beginLookBack } from '../../live/begin/beginLookBack.ts';

/** Before a look back: which set passed, and whether it is due. */
export function LookBackSheet({ pupil }: SheetProps) {
  const session = useSession();
  const { me } = session;
  const navigate = useNavigate();
  const [starting, setStarting] = useState(false);
  const policy = policyOf(pupil);
  const today = dayNumber(dayOf(new Date().toISOString(), me.timeZone));
  const passed = passedSets(pupil, me.timeZone)
    .reverse()
    .flatMap((one) => {
      const set = findSet(one.setId);
      return set ? [{ ...one, set, due: retentionDue(one, today, policy) }] : [];
    });
  const measuring = measuringFor(pupil, me);
  if (passed.length === 0)
    return (
      <p>
        No set has been passed yet. After one is, six of its facts are looked at again 7 and 28 days later.
      </p>
    );

  const start = async (set: FactSet) => {
    setStarting(true);
    await navigate(`/table/${await beginLookBack(session, pupil, set)}`);
  };

  return (
    <HowMeasuredSheet pupil={pupil} measuring={measuring} calm start={null}>
      <p>
        {countText(policy.retentionFacts, 'fact')} of a set passed, as a warm-up; as many again when{' '}
        {policy.retentionShort} are not recalled.
      </p>
      <ul className="looks">
        {passed.map((one) => (
          <li key={one.setId}>
            <span>
              <strong>{one.set.name}</strong>, passed {countText(today - one.passedDay, 'day')} ago.{' '}
              {one.due && <span className="notch">The {one.due} look is due.</span>}
            </span>
            <Button
              variant={one.due ? 'contained' : 'outlined'}
              disabled={starting}
              onClick={() => void start(one.set)}
            >
              Look back
            </Button>
          </li>
        ))}
      </ul>
    </HowMeasuredSheet>
  );
}
