import Button from '@mui/material/Button';
import type { TurnsState } from '@veldrift/core';
import type { TurnsRow } from '../../app/deviceDb.ts';
import { isolated } from '../../app/isolated.ts';

/** What lies on the child's field while nothing is asked: hardly a word. */
export function TurnsNotice({
  row,
  state,
  onGo,
}: {
  readonly row: TurnsRow;
  readonly state: TurnsState;
  readonly onGo: (at: number) => void;
}) {
  const [says, key] = {
    ready: [
      row.deal.pack ? 'The cards are stacked.' : `Ready, ${isolated(row.pupil.name)}?`,
      row.deal.pack ? 'First card' : 'Begin',
    ],
    paused: ['A little pause.', 'Go on'],
    over: ['Done. Thank you.', 'Open the review'],
    asking: ['', ''],
    told: ['', ''],
  }[state.status];
  return (
    <div className="field-quiet">
      <p>{says}</p>
      <Button
        variant={state.status === 'ready' ? 'contained' : 'outlined'}
        size="large"
        onClick={(event) => onGo(event.timeStamp)}
        autoFocus
        sx={{ minWidth: 200, minHeight: 72, fontSize: 22 }}
      >
        {key}
      </Button>
    </div>
  );
}
