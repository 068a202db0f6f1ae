import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { Member } from '@veldrift/wire';

/** Before a tutor is taken out of the room. */
export function TakeOut({
  member,
  onTakeOut,
  onClose,
}: {
  readonly member: Member;
  readonly onTakeOut: () => void;
  readonly onClose: () => void;
}) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="out-title">
      <DialogTitle id="out-title">Take {member.name} out of the room?</DialogTitle>
      <DialogContent>
        <p>
          Their sign-ins end now, on every device. What they recorded stays, under their name. They can be
          asked in again.
        </p>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} autoFocus>
          Keep {member.name}
        </Button>
        <Button color="error" variant="contained" onClick={onTakeOut}>
          Take out
        </Button>
      </DialogActions>
    </Dialog>
  );
}
