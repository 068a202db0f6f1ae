import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useQueryClient } from '@tanstack/react-query';
import type { Pupil } from '@veldrift/wire';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ApiError } from '../app/api.ts';
import { dropDraft } from '../app/draft.ts';
import { forgetWritten } from '../app/leaveDevice.ts';
import { pupilsQuery } from '../app/queries.ts';
import { useSession } from '../app/session.tsx';
import { isolated } from '../app/isolated.ts';

/** Deleting a pupil for good, the name typed. */
export function DeletePupil({
  pupil,
  draft,
  onClose,
}: {
  readonly pupil: Pupil;
  readonly draft: string;
  readonly onClose: () => void;
}) {
  const client = useQueryClient();
  const { outbox } = useSession();
  const navigate = useNavigate();
  const { enqueueSnackbar } = useSnackbar();
  const [typed, setTyped] = useState('');
  const [trouble, setTrouble] = useState<string>();
  const remove = async () => {
    try {
      await api.deletePupil(pupil.id, typed);
      dropDraft(draft);
      forgetWritten(pupil.id);
      client.setQueryData(pupilsQuery.queryKey, (list) => list?.filter((one) => one.id !== pupil.id));
      // Nothing of the child stays on this device either.
      await outbox.forgetPupil(pupil.id);
      for (const key of [
        'pupil',
        'pupilGames',
        'pictures',
        'packs',
        'planned',
        'review',
        'answers',
        'proposalAnswers',
        'decisionAnswers',
        'ceilingAnswers',
      ])
        client.removeQueries({ queryKey: [key] });
      enqueueSnackbar(`${isolated(pupil.name)} is deleted for good.`);
      await navigate('/pupils', { replace: true });
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.problem.message : 'It could not be done; try again.');
    }
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="delete-title">
      <DialogTitle id="delete-title">Delete {isolated(pupil.name)} for good?</DialogTitle>
      <DialogContent>
        <p style={{ marginBottom: 16 }}>
          Type <strong>{isolated(pupil.name)}</strong> to delete everything kept of this pupil.
        </p>
        <TextField
          fullWidth
          autoFocus
          label="Shown name"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          error={!!trouble}
          helperText={trouble}
          autoComplete="off"
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Keep the pupil</Button>
        <Button
          color="error"
          variant="contained"
          disabled={typed.trim() !== pupil.name}
          onClick={() => void remove()}
        >
          Delete for good
        </Button>
      </DialogActions>
    </Dialog>
  );
}
