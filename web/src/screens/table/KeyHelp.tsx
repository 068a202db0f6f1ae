import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useLetters } from '../../app/letters.ts';
import { keyList } from './keys.ts';

/** The keys of the live table. */
export function KeyHelp({ onClose }: { readonly onClose: () => void }) {
  const letters = useLetters();
  return (
    <Dialog open onClose={onClose} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys at the table</DialogTitle>
      <DialogContent tabIndex={0}>
        <dl style={{ display: 'grid', gridTemplateColumns: 'auto 1fr', gap: '6px 16px', margin: 0 }}>
          {keyList(letters).map(([key, says]) => (
            <div key={key} style={{ display: 'contents' }}>
              <dt>
                <kbd>{key}</kbd>
              </dt>
              <dd style={{ margin: 0 }}>{says}</dd>
            </div>
          ))}
        </dl>
        <p style={{ marginTop: 14 }}>
          A mark belongs to the last judged answer until the next. In a check no aids are shown. Letters can
          be changed, or switched off, in Settings.
        </p>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} autoFocus>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
