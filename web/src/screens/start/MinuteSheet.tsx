import Button from '@mui/material/Button';
import { aimPerMinute, type MinutePurpose } from '@veldrift/core';
import { policyOf } from '@veldrift/wire';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useSession } from '../../app/session.tsx';
import { measuringFor } from '../../live/measuringOf.ts';
import { AimNumber } from '../../parts/MeasuredNumbers.tsx';
import { checkDue, minuteOffered } from '../../parts/today.ts';
import { useNow } from '../../parts/useNow.ts';
import { HowMeasuredSheet } from './HowMeasuredSheet.tsx';
import type { SheetProps } from './SheetProps.ts';
import { beginMinute } from '../../live/begin/beginMinute.ts';

/** Before a minute: what it will ask, how it is measured, and what to know before starting. */
export function MinuteSheet({
  pupil,
  set,
  asked,
  purpose,
}: SheetProps & { readonly purpose: MinutePurpose }) {
  const session = useSession();
  const { me } = session;
  const now = useNow();
  const navigate = useNavigate();
  const [starting, setStarting] = useState(false);
  const measuring = measuringFor(pupil, me);
  const policy = policyOf(pupil);
  const aim = aimPerMinute(measuring.ceiling, policy.aimPerMinute);

  const start = async () => {
    setStarting(true);
    await navigate(`/table/${await beginMinute(session, pupil, set, purpose)}`);
  };

  return (
    <HowMeasuredSheet
      pupil={pupil}
      measuring={measuring}
      start={
        <Button
          variant="contained"
          size="large"
          disabled={starting}
          onClick={() => void start()}
          autoFocus={asked}
        >
          To the table
        </Button>
      }
    >
      <p>
        {purpose === 'practice' ? (
          'Every fact is kept; the count is not logged as a check.'
        ) : purpose === 'probe' ? (
          'The same form every second week, over the facts of the grade: it carries the long line while sets change. It decides nothing.'
        ) : (
          <>
            {purpose === 'mixed' && 'Every second prompt comes from the sets before this one. '}
            It is logged as a check. The aim is{' '}
            <AimNumber
              wanted={policy.aimPerMinute}
              aim={aim.perMinute}
              measuring={measuring}
              way={pupil.capture}
            />
            {aim.binds && ', nine tenths of this child\u2019s own ceiling'}, at most {policy.wrongAllowed}{' '}
            wrong.
          </>
        )}{' '}
        {purpose === 'check' || purpose === 'practice'
          ? minuteOffered(pupil, now, me.timeZone)
            ? 'The facts hold: this minute would confirm them.'
            : checkDue(pupil, now, me.timeZone)
              ? 'The weekly check is due.'
              : 'The weekly check is not due yet.'
          : ''}
        {purpose === 'mixed' && pupil.capture !== 'keypad'
          ? 'Digits can be counted only where they are typed: by keypad this pupil could be judged by published rates.'
          : ''}
      </p>
    </HowMeasuredSheet>
  );
}
