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
import { clockText, readClock, weekdayText } from '../app/format.ts';

const weekdays = Array.from({ length: 7 }, (_, day) => weekdayText(day));

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
                label="At"
                // As the day line writes it, whatever the browser's own way is.
                defaultValue={clockText(start.value)}
                inputRef={start.ref}
                onChange={(event) => start.onChange(readClock(event.target.value) ?? NaN)}
                error={Number.isNaN(start.value)}
                helperText={Number.isNaN(start.value) ? 'Such as 9:15.' : undefined}
                slotProps={{ htmlInput: { autoComplete: 'off', size: 8 } }}
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
