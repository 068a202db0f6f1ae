import Button from '@mui/material/Button';
import type { MinuteState } from '@veldrift/core';

/** What lies on the child's field while no prompt does: hardly a word. */
export function TableNotice({
  state,
  name,
  keypad,
  onGo,
}: {
  readonly state: MinuteState;
  readonly name: string;
  readonly keypad: boolean;
  readonly onGo: () => void;
}) {
  switch (state.status) {
    case 'ready':
      return (
        <div className="field-quiet">
          <p>{keypad ? `Ready, ${name}? Press to begin.` : `Ready, ${name}?`}</p>
          <Button
            variant="contained"
            size="large"
            onClick={onGo}
            autoFocus
            sx={{ minWidth: 200, minHeight: 72, fontSize: 22 }}
          >
            Begin
          </Button>
        </div>
      );
    case 'paused':
      return (
        <div className="field-quiet">
          <p>A little pause.</p>
          <Button
            variant="outlined"
            size="large"
            onClick={onGo}
            autoFocus
            sx={{ minWidth: 200, minHeight: 72, fontSize: 22 }}
          >
            Go on
          </Button>
        </div>
      );
    case 'running':
    case 'over':
      return (
        <div className="field-quiet">
          <p>Done. Thank you.</p>
          <Button variant="outlined" size="large" onClick={onGo} sx={{ minHeight: 64 }}>
            Open the review
          </Button>
        </div>
      );
  }
}
