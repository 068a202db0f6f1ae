import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { weeklyKey, type PlannedVisit } from '@veldrift/core/planning';
import type { Pupil } from '@veldrift/wire';
import { useState } from 'react';
import { Link } from 'react-router';
import { isolated } from '../../app/isolated.ts';
import type { Plan } from '../../live/plan/usePlan.ts';
import { readVisit, typedOf, VisitFields } from './VisitFields.tsx';

/** One visit: another day or time, longer, with another tutor, missed, or not at all. Every other week stays as it is. */
export function VisitDialog({
  visit,
  pupil,
  plan,
  onClose,
}: {
  readonly visit: PlannedVisit;
  readonly pupil: Pupil | undefined;
  readonly plan: Plan;
  readonly onClose: () => void;
}) {
  const [typed, setTyped] = useState(() => typedOf(visit));
  const [trouble, setTrouble] = useState('');
  const { set, planned } = plan;
  const at = { pupilId: visit.pupilId, ...visit.of };
  const name = isolated(pupil?.name ?? '');
  const weekly = pupil?.visits.find((one) => weeklyKey(one) === visit.of.key);
  const keep = async () => {
    const found = readVisit(typed);
    if (found.trouble !== null) return setTrouble(found.trouble);
    // Only what was changed is set: what another tutor changes meanwhile stays theirs.
    if (found.day !== visit.day || found.startsAtMin !== visit.startsAtMin)
      await set('visitAt', at, { day: found.day, startsAtMin: found.startsAtMin });
    if (found.minutes !== visit.minutes) await set('visitMinutes', at, found.minutes);
    const tutorId = typed.tutorId === '' ? null : typed.tutorId;
    if (tutorId !== visit.tutorId) await set('visitTutor', at, tutorId);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="visit-title">
      <DialogTitle id="visit-title">The visit of {name}</DialogTitle>
      <DialogContent>
        <VisitFields
          typed={typed}
          tutors={planned?.tutors ?? []}
          onChange={(next) => {
            setTyped(next);
            setTrouble('');
          }}
        />
        {trouble !== '' && <p role="alert">{trouble}</p>}
        <div className="actions visit-more">
          <Button
            variant="outlined"
            onClick={() => {
              void set('absent', at, !visit.absent);
              onClose();
            }}
          >
            {visit.absent ? 'Comes after all' : 'Absent'}
          </Button>
          {visit.moved && weekly && (
            <Button
              variant="outlined"
              onClick={() => {
                void set('visitAt', at, { day: visit.of.day, startsAtMin: weekly.startsAtMin });
                onClose();
              }}
            >
              As every week
            </Button>
          )}
          <Button
            variant="outlined"
            onClick={() => {
              void set('visitAt', at, null);
              onClose();
            }}
          >
            Take it out
          </Button>
          <Button variant="outlined" component={Link} to={`/pupils/${visit.pupilId}`}>
            {name}&rsquo;s page
          </Button>
        </div>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" onClick={() => void keep()}>
          Keep
        </Button>
      </DialogActions>
    </Dialog>
  );
}
