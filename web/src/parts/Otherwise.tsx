import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { findPathway } from '../app/book.ts';
import type { Pupil } from '@veldrift/wire';
import { useState } from 'react';
import { keepDraft, readDraft } from '../app/draft.ts';
import { otherwiseDraft } from './otherwiseDraft.ts';

interface OtherwiseProps {
  readonly pupil: Pupil;
  /** The set offered first. */
  readonly firstSetId: string;
  readonly trouble: string | undefined;
  readonly pending: boolean;
  readonly onDecide: (toSetId: string, reason: string) => void;
  readonly onClose: () => void;
}

/** Deciding otherwise than a school or a placement says: another set, and why. */
export function Otherwise({ pupil, firstSetId, trouble, pending, onDecide, onClose }: OtherwiseProps) {
  const draftName = otherwiseDraft(pupil.id);
  const [value, setValue] = useState(
    () => readDraft<{ to: string; reason: string }>(draftName) ?? { to: firstSetId, reason: '' },
  );
  const change = (next: typeof value) => {
    setValue(next);
    keepDraft(draftName, next);
  };
  const [lacks, setLacks] = useState(false);
  const sets = findPathway(pupil.pathwayId)?.sets[pupil.operation] ?? [];
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="otherwise-title">
      <DialogTitle id="otherwise-title">Decide otherwise</DialogTitle>
      <DialogContent>
        <div style={{ display: 'grid', gap: 18, paddingTop: 8 }}>
          <TextField
            select
            label={`${pupil.name} goes on with`}
            value={value.to}
            onChange={(event) => change({ ...value, to: event.target.value })}
          >
            {sets.map((set, at) => (
              <MenuItem key={set.id} value={set.id}>
                {at + 1}. {set.name}
                {set.id === pupil.setId ? ' (now)' : ''}
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
