import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { lazy, Suspense, useEffect, useState } from 'react';
import { LiveKey } from '../../live/LiveKey.tsx';
import type { ChildScreens } from '../../live/child/useChildScreens.ts';
import type { Sitter } from './sitter.ts';

const ScreensList = lazy(() => import('./ScreensList.tsx').then((m) => ({ default: m.ScreensList })));

/** The key that gives children screens of their own, or lays the tutor's flat between the two. */
export function ChildScreenKey({
  screen,
  sitters,
  flat,
  onFlat,
  onOpen,
}: {
  readonly screen: ChildScreens;
  /** Several children, each of whom may have a device; empty: one plays. */
  readonly sitters: readonly Sitter[];
  readonly flat: boolean;
  readonly onFlat: (flat: boolean) => void;
  /** Hears that the list is open, so that keys are left to it. */
  readonly onOpen: (open: boolean) => void;
}) {
  const [open, setOpen] = useState(false);
  // The key may go while its list is open: the screen was turned, or what it lay behind was closed.
  useEffect(() => {
    if (!open) return;
    onOpen(true);
    return () => onOpen(false);
  }, [onOpen, open]);
  const joined = screen.screens.some(({ heardAt }) => heardAt !== null);
  return (
    <>
      <LiveKey className="live-key" pressed={joined || flat} onPress={() => setOpen(true)}>
        Screens
      </LiveKey>
      {open && (
        <Dialog open onClose={() => setOpen(false)} aria-labelledby="screens-title" fullWidth maxWidth="sm">
          <DialogTitle id="screens-title">Who sees what</DialogTitle>
          <DialogContent>
            <div style={{ display: 'grid', gap: 16, paddingTop: 6 }}>
              <Suspense fallback={<p>A moment.</p>}>
                <ScreensList screen={screen} sitters={sitters} />
              </Suspense>
              <div className="actions">
                <Button
                  variant={flat ? 'contained' : 'outlined'}
                  onClick={() => onFlat(!flat)}
                  aria-pressed={flat}
                >
                  {flat ? 'Lies flat: turn it back' : 'Lay this screen flat between you'}
                </Button>
              </div>
              <p className="quiet">
                On another device your own mark gives no time: take keypad, or voice at that device. A screen
                that drops out comes back by itself; the prompt is shown here meanwhile. Screens stay joined
                from one play to the next.
              </p>
            </div>
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setOpen(false)} autoFocus>
              Close
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </>
  );
}
