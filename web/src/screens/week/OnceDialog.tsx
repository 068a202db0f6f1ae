import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { dayAfter } from '@veldrift/core/planning';
import type { Pupil } from '@veldrift/wire';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { isolated } from '../../app/isolated.ts';
import type { Plan } from '../../live/plan/usePlan.ts';
import { useRoomDay } from '../../parts/useRoomDay.ts';
import { readVisit, typedOf, VisitFields } from './VisitFields.tsx';

/** A visit that comes once. */
export function OnceDialog({
  week,
  pupils,
  plan,
  onClose,
}: {
  readonly week: string;
  readonly pupils: readonly Pupil[];
  readonly plan: Plan;
  readonly onClose: () => void;
}) {
  const { planned, set } = plan;
  const today = useRoomDay();
  const first = today >= week && today < dayAfter(week, 7) ? today : week;
  const [pupilId, setPupilId] = useState(pupils[0]?.id ?? '');
  const [typed, setTyped] = useState(() =>
    typedOf({ day: first, startsAtMin: 9 * 60, minutes: 20, tutorId: null }),
  );
  const [trouble, setTrouble] = useState('');
  const keep = async () => {
    const found = readVisit(typed);
    if (found.trouble !== null) return setTrouble(found.trouble);
    const { day, startsAtMin, minutes } = found;
    const at = { pupilId, day, key: `once ${uuid()}` };
    await set('visitAt', at, { day, startsAtMin });
    await set('visitMinutes', at, minutes);
    if (typed.tutorId !== '') await set('visitTutor', at, typed.tutorId);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="once-title">
      <DialogTitle id="once-title">A visit once</DialogTitle>
      <DialogContent>
        <TextField
          select
          size="small"
          label="Who"
          value={pupilId}
          onChange={(event) => setPupilId(event.target.value)}
          sx={{ mt: 1, mb: 2, minWidth: 220 }}
        >
          {pupils.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {isolated(one.name)}
            </MenuItem>
          ))}
        </TextField>
        <VisitFields
          typed={typed}
          tutors={planned?.tutors ?? []}
          onChange={(next) => {
            setTyped(next);
            setTrouble('');
          }}
        />
        {trouble !== '' && <p role="alert">{trouble}</p>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" onClick={() => void keep()}>
          Add it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
