import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import type { NewPass } from '@veldrift/wire';
import { useRef, useState } from 'react';

/** A link just made: it is shown this once, to be sent by whatever way people have. */
export function NewLink({
  pass,
  says,
  onClose,
}: {
  readonly pass: NewPass;
  readonly says: string;
  readonly onClose: () => void;
}) {
  const field = useRef<HTMLInputElement>(null);
  const [copied, setCopied] = useState('');
  // The token stands behind the hash: browsers send that to no server, and no log has it.
  const link = `${location.origin}/door#${pass.token}`;
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(link);
      setCopied('Copied.');
    } catch {
      field.current?.select();
      setCopied('It is marked: copy it with your keys.');
    }
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="link-title">
      <DialogTitle id="link-title">A link to send</DialogTitle>
      <DialogContent>
        <p style={{ marginBottom: 16 }}>{says} It is shown here once.</p>
        <TextField
          fullWidth
          label="Link"
          value={link}
          inputRef={field}
          helperText={<span role="status">{copied || ' '}</span>}
          slotProps={{ htmlInput: { readOnly: true } }}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button variant="contained" onClick={() => void copy()} autoFocus>
          Copy the link
        </Button>
      </DialogActions>
    </Dialog>
  );
}
