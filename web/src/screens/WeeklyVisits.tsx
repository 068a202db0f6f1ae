import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { PupilInput } from '@veldrift/wire';
import {
  Controller,
  useFieldArray,
  type Control,
  type FieldErrors,
  type UseFormRegister,
} from 'react-hook-form';
import { clockText } from '../app/format.ts';

// 4 January 1970 was a Sunday.
const weekdays = Array.from({ length: 7 }, (_, day) =>
  new Intl.DateTimeFormat(undefined, { weekday: 'long', timeZone: 'UTC' }).format(
    new Date(Date.UTC(1970, 0, 4 + day)),
  ),
);

interface Props {
  readonly control: Control<PupilInput>;
  readonly register: UseFormRegister<PupilInput>;
  readonly errors: FieldErrors<PupilInput>;
}

/** The visits that come every week: they lie on the day line. */
export function WeeklyVisits({ control, register, errors }: Props) {
  const { fields, append, remove } = useFieldArray({ control, name: 'visits' });
  return (
    <fieldset className="visits">
      <legend>Visits every week</legend>
      {fields.map((field, at) => (
        <div key={field.id} className="visit-row">
          <Controller
            control={control}
            name={`visits.${at}.weekday`}
            render={({ field: day }) => (
              <TextField
                select
                size="small"
                label="Day"
                value={day.value}
                onChange={(event) => day.onChange(Number(event.target.value))}
                inputRef={day.ref}
                sx={{ minWidth: 150 }}
              >
                {weekdays.map((name, nth) => (
                  <MenuItem key={name} value={nth}>
                    {name}
                  </MenuItem>
                ))}
              </TextField>
            )}
          />
          <Controller
            control={control}
            name={`visits.${at}.startsAtMin`}
            render={({ field: start }) => (
              <TextField
                size="small"
                type="time"
                label="At"
                defaultValue={clockText(start.value).padStart(5, '0')}
                inputRef={start.ref}
                onChange={(event) => {
                  const [hours, minutes] = event.target.value.split(':').map(Number);
                  if (Number.isInteger(hours) && Number.isInteger(minutes))
                    start.onChange((hours ?? 0) * 60 + (minutes ?? 0));
                }}
              />
            )}
          />
          <TextField
            size="small"
            type="number"
            label="Minutes"
            {...register(`visits.${at}.minutes`, { valueAsNumber: true })}
            error={!!errors.visits?.[at]?.minutes}
            helperText={errors.visits?.[at]?.minutes?.message}
            sx={{ width: 110 }}
          />
          <Button variant="outlined" onClick={() => remove(at)}>
            Take out
          </Button>
        </div>
      ))}
      <Button
        variant="outlined"
        onClick={() => append({ weekday: new Date().getDay(), startsAtMin: 9 * 60, minutes: 20 })}
      >
        Add a visit
      </Button>
    </fieldset>
  );
}
