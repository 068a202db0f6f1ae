import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { PupilInput } from '@veldrift/wire';
import { Controller, type Control } from 'react-hook-form';

interface ChoiceProps {
  readonly control: Control<PupilInput>;
  readonly name:
    | 'gradeSystem'
    | 'operation'
    | 'pathwayId'
    | 'setId'
    | 'school'
    | 'recallLimit'
    | 'capture'
    | 'clock'
    | 'hand';
  readonly label: string;
  readonly options: readonly (readonly [string, string])[];
  readonly hint?: string;
  readonly onPicked?: (value: string) => void;
}

/** One field of the pupil's form with a fixed set of answers. */
export function Choice({ control, name, label, options, hint, onPicked }: ChoiceProps) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <TextField
          select
          fullWidth
          label={label}
          value={options.some(([value]) => value === field.value) ? field.value : ''}
          inputRef={field.ref}
          onBlur={field.onBlur}
          onChange={(event) => {
            field.onChange(event.target.value);
            onPicked?.(event.target.value);
          }}
          error={!!fieldState.error}
          helperText={fieldState.error?.message ?? hint}
        >
          {options.map(([value, says]) => (
            <MenuItem key={value} value={value}>
              {says}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
}
