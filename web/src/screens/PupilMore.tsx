import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { schoolNames, schools, schoolWarnings, type FactSet } from '@veldrift/core';
import type { PupilInput } from '@veldrift/wire';
import type { ReactNode } from 'react';
import { Controller, type Control } from 'react-hook-form';
import { allPathways } from '../app/book.ts';
import { Choice } from './Choice.tsx';

/** What may be said of a pupil beside what is needed first: where to begin, when to move on, and how the table is laid. */
export function PupilMore({
  control,
  sets,
  text,
  onPathway,
}: {
  readonly control: Control<PupilInput>;
  readonly sets: readonly Pick<FactSet, 'id' | 'name'>[];
  readonly text: (name: 'homeLanguage' | 'aids' | 'notes', label: string, hint: string) => ReactNode;
  readonly onPathway: (pathwayId: string) => void;
}) {
  return (
    <>
      <Choice
        control={control}
        name="pathwayId"
        label="Pathway"
        options={allPathways().map((one) => [one.id, one.name])}
        onPicked={onPathway}
      />
      <Choice
        control={control}
        name="setId"
        label="Set"
        options={sets.map((set, at) => [set.id, `${at + 1}. ${set.name}`])}
        hint="Everyone begins at the easiest; passing it is quick."
      />
      <Choice
        control={control}
        name="school"
        label="School"
        options={schools.map((one) => [one, schoolNames[one]])}
        hint={`When to move on. Its numbers can be changed from the pupil\u2019s page, or for the room. ${Object.values(schoolWarnings).join(' ')}`}
      />
      <Choice
        control={control}
        name="recallLimit"
        label="Recall limit"
        options={[
          ['1000', '1 s'],
          ['1500', '1.5 s'],
          ['2000', '2 s'],
          ['3000', '3 s'],
          ['own', 'own pace'],
        ]}
        hint="An answer within it counts as recalled."
      />
      <Choice
        control={control}
        name="clock"
        label="Clock"
        options={[
          ['hidden', 'measured but hidden'],
          ['shown', 'shown to the child'],
          ['none', 'none'],
        ]}
      />
      <Choice
        control={control}
        name="hand"
        label="Writing hand"
        options={[
          ['right', 'right'],
          ['left', 'left'],
        ]}
        hint="The keypad lies on this side."
      />
      <Controller
        control={control}
        name="aimBy"
        render={({ field, fieldState }) => (
          <TextField
            label="At the aim by"
            type="date"
            value={field.value ?? ''}
            onBlur={field.onBlur}
            inputRef={field.ref}
            onChange={(event) => field.onChange(event.target.value === '' ? null : event.target.value)}
            error={!!fieldState.error}
            helperText={fieldState.error?.message ?? 'Draws the aim line over the checks. May be left out.'}
            slotProps={{ inputLabel: { shrink: true } }}
          />
        )}
      />
      <Controller
        control={control}
        name="readAloud"
        render={({ field }) => (
          <FormControlLabel
            control={<Switch checked={field.value ?? false} onChange={(_, on) => field.onChange(on)} />}
            label={
              <>
                Read aloud
                <span className="quiet form-hint">
                  What is asked, and the way to what was missed, by the device&rsquo;s own voice.
                </span>
              </>
            }
          />
        )}
      />
      {text('homeLanguage', 'Language at home', 'May be left out.')}
      {text('aids', 'Aids', 'What the child leans on.')}
      <div className="form-wide">{text('notes', 'Notes', 'Seen by the tutors of this room.')}</div>
    </>
  );
}
