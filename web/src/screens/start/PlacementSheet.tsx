import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { countText, mostPlacementPrompts, operationNames } from '@veldrift/core';
import { findPathway } from '../../app/book.ts';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { dateText } from '../../app/format.ts';
import { pupilPageQuery } from '../../app/queries.ts';
import { useSession } from '../../app/session.tsx';
import { measuringFor } from '../../live/measuringOf.ts';
import { HowMeasuredSheet } from './HowMeasuredSheet.tsx';
import type { SheetProps } from './SheetProps.ts';
import { beginPlacement, isUnmeasuredKeypad } from '../../live/begin/beginPlacement.ts';

/** Before a placement: what it is, where to begin asking, or going on with one from another day. */
export function PlacementSheet({ pupil, set, asked }: SheetProps) {
  const session = useSession();
  const { me } = session;
  const navigate = useNavigate();
  const [starting, setStarting] = useState(false);
  const [startAt, setStartAt] = useState(0);
  const page = useQuery(pupilPageQuery(pupil.id));
  const open = page.data?.openPlacement ?? null;
  const measuring = measuringFor(pupil, me);
  const isKeypadUnknown = isUnmeasuredKeypad(pupil, me);
  const pathway = findPathway(pupil.pathwayId);
  const sets = pathway?.sets[pupil.operation] ?? [];

  const start = async (goOn: boolean) => {
    setStarting(true);
    const from = goOn ? open : null;
    await navigate(`/table/${await beginPlacement(session, pupil, set, { startAt, from })}`);
  };

  return (
    <HowMeasuredSheet
      pupil={pupil}
      measuring={measuring}
      calm
      start={
        <>
          {open && (
            <Button variant="contained" size="large" disabled={starting} onClick={() => void start(true)}>
              Go on with it
            </Button>
          )}
          <Button
            variant={open ? 'outlined' : 'contained'}
            size="large"
            disabled={starting}
            onClick={() => void start(false)}
            autoFocus={asked}
          >
            {open ? 'Begin anew' : 'To the table'}
          </Button>
        </>
      }
    >
      <p>
        Finds the first set that is not instant, {operationNames[pupil.operation].toLowerCase()}{' '}
        {pathway?.name}. Three or four minutes, at most {mostPlacementPrompts} facts; it may be split over two
        visits. It begins and ends on an easy one
        {isKeypadUnknown && ', and first come some that need no thought, to see how long the keys take'}. What
        it finds you accept or decide otherwise; nothing moves by itself.
      </p>
      {open && (
        <p className="notch">
          {countText(open.answers.length, 'answer')} given on {dateText(open.at)}: it can go on from there.
        </p>
      )}
      {pupil.recallLimit !== 'own' && (
        <p className="quiet">
          For a child who is slow in everything set the recall limit to own pace first: with a limit too short
          a set that is known may look unknown.
        </p>
      )}
      <TextField
        select
        size="small"
        label="Begin asking with"
        value={startAt}
        onChange={(event) => setStartAt(Number(event.target.value))}
        sx={{ width: 320, mt: 1.5 }}
        helperText="The first set is quick to pass and teaches the routine."
      >
        {sets.map((one, at) => (
          <MenuItem key={one.id} value={at}>
            {at + 1}. {one.name}
          </MenuItem>
        ))}
      </TextField>
    </HowMeasuredSheet>
  );
}
