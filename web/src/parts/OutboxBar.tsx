import Button from '@mui/material/Button';
import { countText } from '@veldrift/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { dateTimeText } from '../app/format.ts';
import type { OutboxRow } from '../app/deviceDb.ts';
import { useOutboxState, useSession } from '../app/session.tsx';
import { eventWords } from './eventWords.ts';

/** What has not reached the server yet, and why. Nothing is shown while all is well. */
export function OutboxBar() {
  const { ended, outbox } = useSession();
  const state = useOutboxState();
  const [rows, setRows] = useState<OutboxRow[]>();
  const navigate = useNavigate();
  const kept =
    state.waiting > 0 ? ` ${countText(state.waiting, 'thing is', 'things are')} kept on this device.` : '';
  return (
    <div aria-live="polite">
      {(ended || state.held === 'signIn') && (
        <div className="bar">
          <span>Your sign-in has ended.{kept}</span>
          <Button size="small" variant="outlined" onClick={() => void navigate('/sign-in')}>
            Sign in again
          </Button>
        </div>
      )}
      {state.held === 'away' && state.waiting > 0 && (
        <div className="bar">No connection.{kept} It is sent when the connection is back.</div>
      )}
      {state.refused > 0 && (
        <div className="bar">
          <span>{countText(state.refused, 'thing', 'things')} the server would not take.</span>
          <Button size="small" variant="outlined" onClick={() => void outbox.refusedRows().then(setRows)}>
            See why
          </Button>
          {rows && rows.length > 0 && (
            <ul style={{ flexBasis: '100%', margin: 0 }}>
              {rows.map((row) => (
                <li key={row.id}>
                  {eventWords[row.event.kind]} at {dateTimeText(row.event.at)}: {row.refused?.message}{' '}
                  <button
                    type="button"
                    className="linkish"
                    onClick={() => void outbox.discard(row.id).then(() => outbox.refusedRows().then(setRows))}
                  >
                    Remove it
                  </button>
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </div>
  );
}
