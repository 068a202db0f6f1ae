import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { visitBounds } from '@veldrift/core/planning';
import { clockText, readClock } from '../../app/format.ts';

/** What is written of a visit, as it was typed. */
export interface VisitTyped {
  readonly day: string;
  readonly at: string;
  readonly minutes: string;
  /** '': whoever is there. */
  readonly tutorId: string;
}

/** What it says, read; or what is wrong with it, in a sentence. */
export function readVisit({
  day,
  at,
  minutes,
}: VisitTyped):
  | { readonly day: string; readonly startsAtMin: number; readonly minutes: number; readonly trouble: null }
  | { readonly trouble: string } {
  if (!/^\d{4}-\d\d-\d\d$/.test(day)) return { trouble: 'Choose a day.' };
  const startsAtMin = readClock(at);
  if (startsAtMin === undefined) return { trouble: 'Write the time such as 9:15.' };
  const length = Number(minutes);
  if (!Number.isInteger(length) || length < visitBounds.least || length > visitBounds.most)
    return { trouble: `A visit is ${visitBounds.least} to ${visitBounds.most} minutes long.` };
  return { day, startsAtMin, minutes: length, trouble: null };
}

export const typedOf = (visit: {
  readonly day: string;
  readonly startsAtMin: number;
  readonly minutes: number;
  readonly tutorId: string | null;
}): VisitTyped => ({
  day: visit.day,
  at: clockText(visit.startsAtMin),
  minutes: String(visit.minutes),
  tutorId: visit.tutorId ?? '',
});

export function VisitFields({
  typed,
  tutors,
  onChange,
}: {
  readonly typed: VisitTyped;
  readonly tutors: readonly { readonly id: string; readonly name: string }[];
  readonly onChange: (typed: VisitTyped) => void;
}) {
  const field = (name: keyof VisitTyped) => ({
    size: 'small' as const,
    value: typed[name],
    onChange: (event: { readonly target: { readonly value: string } }) =>
      onChange({ ...typed, [name]: event.target.value }),
  });
  return (
    <div className="visit-fields">
      <TextField type="date" label="Day" {...field('day')} slotProps={{ inputLabel: { shrink: true } }} />
      <TextField label="At" {...field('at')} slotProps={{ htmlInput: { autoComplete: 'off', size: 6 } }} />
      <TextField
        label="Minutes"
        {...field('minutes')}
        slotProps={{ htmlInput: { inputMode: 'numeric', size: 5 } }}
      />
      <TextField
        select
        label="With"
        {...field('tutorId')}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      >
        <MenuItem value="">whoever is there</MenuItem>
        {tutors.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.name}
          </MenuItem>
        ))}
      </TextField>
    </div>
  );
}
