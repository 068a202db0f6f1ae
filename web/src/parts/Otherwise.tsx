import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { keepDraft, readDraft } from '../app/draft.ts';

interface OtherwiseProps {
  /** The name under which a half-written decision is kept on this device. */
  readonly draftName: string;
  /** What is chosen, and among what. */
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly says: string }[];
  /** What is offered first. */
  readonly first: string;
  readonly trouble: string | undefined;
  readonly pending: boolean;
  readonly onDecide: (to: string, reason: string) => void;
  readonly onClose: () => void;
}

/** Deciding otherwise than a school, a placement or the rules of steps say: what else, and why. */
export function Otherwise({
  draftName,
  label,
  options,
  first,
  trouble,
  pending,
  onDecide,
  onClose,
}: OtherwiseProps) {
  const [value, setValue] = useState(
    () => readDraft<{ to: string; reason: string }>(draftName) ?? { to: first, reason: '' },
  );
  const change = (next: typeof value) => {
    setValue(next);
    keepDraft(draftName, next);
  };
  const [lacks, setLacks] = useState(false);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="otherwise-title">
      <DialogTitle id="otherwise-title">Decide otherwise</DialogTitle>
      <DialogContent>
        <div style={{ display: 'grid', gap: 18, paddingTop: 8 }}>
          <TextField
            select
            label={label}
            value={value.to}
            onChange={(event) => change({ ...value, to: event.target.value })}
          >
            {options.map(({ value: to, says }) => (
              <MenuItem key={to} value={to}>
                {says}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label="Why"
            multiline
            minRows={2}
            value={value.reason}
            onChange={(event) => change({ ...value, reason: event.target.value })}
            error={lacks && value.reason.trim() === ''}
            helperText={
              lacks && value.reason.trim() === ''
                ? 'Deciding otherwise needs a reason: one line is enough.'
                : 'One line is enough. It is kept with the decision.'
            }
            slotProps={{ htmlInput: { maxLength: 1000 } }}
          />
          {trouble && (
            <p role="alert" style={{ color: 'var(--clay)' }}>
              {trouble} What you wrote is kept.
            </p>
          )}
        </div>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Back</Button>
        <Button
          variant="contained"
          disabled={pending}
          onClick={() => {
            setLacks(true);
            if (value.reason.trim() !== '') onDecide(value.to, value.reason);
          }}
        >
          Put on record
        </Button>
      </DialogActions>
    </Dialog>
  );
}
