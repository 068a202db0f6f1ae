import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { dayText } from '../../app/format.ts';
import type { Plan } from '../../live/plan/usePlan.ts';

/** A day on which the weekly visits do not come. */
export function HolidayDialog({
  day,
  plan,
  onClose,
}: {
  readonly day: string;
  readonly plan: Plan;
  readonly onClose: () => void;
}) {
  const now = plan.book.value('holiday', { day }) ?? null;
  const [name, setName] = useState(now ?? '');
  const set = (value: string | null) => {
    void plan.set('holiday', { day }, value);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="holiday-title">
      <DialogTitle id="holiday-title">{dayText(day)}</DialogTitle>
      <DialogContent>
        <p>On a holiday no weekly visit comes. What somebody has moved there stands.</p>
        <TextField
          size="small"
          label="Called"
          value={name}
          onChange={(event) => setName(event.target.value.slice(0, 60))}
          slotProps={{ htmlInput: { autoComplete: 'off' } }}
          sx={{ mt: 1 }}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        {now !== null && <Button onClick={() => set(null)}>No holiday</Button>}
        <Button variant="contained" onClick={() => set(name.trim() === '' ? 'Holiday' : name.trim())}>
          A holiday
        </Button>
      </DialogActions>
    </Dialog>
  );
}
