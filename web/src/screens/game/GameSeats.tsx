import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { secondsText } from '@veldrift/core';
import { roleNames, type Need, type rolesNow } from '@veldrift/core/games';
import { useState } from 'react';
import type { GameSeat } from '../../app/deviceDb.ts';
import { LiveKey } from '../../live/LiveKey.tsx';
import { SeatMark } from '../../parts/table/SeatMark.tsx';
import { turnOf } from './gameView.ts';
import { isolated } from '../../app/isolated.ts';

interface Props {
  readonly seats: readonly GameSeat[];
  readonly need: Need;
  readonly out: readonly number[];
  /** Who has which role this round. */
  readonly duties: ReturnType<typeof rolesNow>;
  readonly headStartMs: readonly number[];
  /** What a grown-up is to say wrongly now; null: nothing. */
  readonly err: string | null;
  readonly helper: number | null;
  readonly onHelper: (seat: number | null) => void;
  readonly onErred: (seen: 'caught' | 'missed') => void;
  readonly onLeave: (seat: number) => void;
  readonly leaving: boolean;
  readonly onLeaving: (open: boolean) => void;
}

/** Who sits where, whose turn it is, who helped; and what the grown-up is to say wrongly now and then. */
export function GameSeats(props: Props) {
  const { seats, need, out, headStartMs, helper, onHelper, onLeaving } = props;
  const turn = turnOf(need);
  const racing = need.kind === 'claim';
  return (
    <div className="game-seats">
      <ol aria-label="Seats">
        {seats.map((seat, at) => (
          <li key={at} className={`${turn === at ? 'turn' : ''} ${out.includes(at) ? 'out' : ''}`}>
            <SeatMark seat={at} size={18} />
            <span>
              {isolated(seat.name)}
              {out.includes(at) && <span className="quiet"> has left</span>}
              {props.duties
                .filter((one) => one.seat === at)
                .map(({ role }) => (
                  <span key={role} className="quiet">
                    {' '}
                    · {roleNames[role].toLowerCase()}
                  </span>
                ))}
              {racing && (headStartMs[at] ?? 0) > 0 && (
                <span className="quiet"> {secondsText(headStartMs[at] ?? 0)} ahead</span>
              )}
            </span>
            {need.kind === 'say' && turn !== at && !out.includes(at) && (
              <LiveKey
                className="live-key"
                pressed={helper === at}
                onPress={() => onHelper(helper === at ? null : at)}
              >
                helped
              </LiveKey>
            )}
          </li>
        ))}
      </ol>
      <div className="game-seats-keys">
        {seats.length > 1 && (
          <LiveKey className="live-key quiet" onPress={() => onLeaving(true)}>
            Someone leaves
          </LiveKey>
        )}
      </div>
      {props.err !== null && <Erring key={props.err} says={props.err} onErred={props.onErred} />}
      <Leaving {...props} />
    </div>
  );
}

/** The prompting to err, veiled: the child sees the screen too. */
function Erring({
  says,
  onErred,
}: {
  readonly says: string;
  readonly onErred: (seen: 'caught' | 'missed') => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <div className="game-erring">
      <LiveKey className="live-key" onPress={() => setOpen(!open)} label="For you, veiled">
        For you <span className={open ? '' : 'veil'}>{open ? `say ${says}, on purpose` : '•••'}</span>
      </LiveKey>
      {open && (
        <>
          <LiveKey className="live-key" onPress={() => onErred('caught')}>
            The child saw it
          </LiveKey>
          <LiveKey className="live-key" onPress={() => onErred('missed')}>
            Not seen
          </LiveKey>
        </>
      )}
    </div>
  );
}

function Leaving({ seats, out, leaving, onLeaving, onLeave }: Props) {
  return (
    <Dialog open={leaving} onClose={() => onLeaving(false)}>
      <DialogTitle>Who leaves?</DialogTitle>
      <DialogContent>
        <p>The others go on; all that was played is kept. It can be undone.</p>
      </DialogContent>
      <DialogActions>
        {seats.map((seat, at) =>
          out.includes(at) ? null : (
            <Button
              key={at}
              onClick={() => {
                onLeaving(false);
                onLeave(at);
              }}
            >
              {seat.name}
            </Button>
          ),
        )}
        <Button onClick={() => onLeaving(false)}>Nobody</Button>
      </DialogActions>
    </Dialog>
  );
}
