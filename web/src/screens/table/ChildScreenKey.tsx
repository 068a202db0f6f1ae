import { codeText } from '@veldrift/wire';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useEffect, useState } from 'react';
import { LiveKey } from '../../live/LiveKey.tsx';
import type { ChildScreen } from '../../live/child/useChildScreen.ts';

/** The key that gives the child a screen of their own, or lays the tutor's flat between the two. */
export function ChildScreenKey({
  screen,
  flat,
  onFlat,
  onOpen,
}: {
  readonly screen: ChildScreen;
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
  const joined = screen.status === 'here' || screen.status === 'gone';
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
              <p role="status">{statusSays(screen)}</p>
              {screen.code !== null && screen.status === 'waiting' && (
                <p>
                  On the child&rsquo;s device open <strong>{location.origin}/child</strong> and type
                  <br />
                  <span className="numeral" style={{ fontSize: 48, letterSpacing: '0.12em' }}>
                    {codeText(screen.code)}
                  </span>
                  <br />
                  <span className="quiet">It works once, within ten minutes.</span>
                </p>
              )}
              {screen.trouble && (
                <p role="alert" style={{ color: 'var(--clay)' }}>
                  {screen.trouble}
                </p>
              )}
              <div className="actions" style={{ flexWrap: 'wrap' }}>
                <Button variant="outlined" onClick={screen.openWindow}>
                  A second window
                </Button>
                <Button variant="outlined" onClick={screen.offerCode}>
                  Another device, by code
                </Button>
                {screen.status !== 'none' && (
                  <Button variant="outlined" onClick={screen.close}>
                    One screen again
                  </Button>
                )}
              </div>
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
                that drops out comes back by itself; the prompt is shown here meanwhile.
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

function statusSays({ status, kind, code }: ChildScreen): string {
  switch (status) {
    case 'none':
      return 'One screen, side by side.';
    case 'waiting':
      return code === null && kind === 'device' ? 'Making a code.' : 'Waiting for the child\u2019s screen.';
    case 'here':
      return kind === 'window'
        ? 'The second window shows the prompt.'
        : 'The child\u2019s device shows the prompt.';
    case 'gone':
      return 'The child\u2019s screen dropped out. It comes back by itself; the prompt is shown here meanwhile.';
  }
}
