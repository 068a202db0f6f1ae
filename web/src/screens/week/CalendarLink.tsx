import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { api, ApiError } from '../../app/api.ts';
import { dateText } from '../../app/format.ts';
import { calendarLinksQuery } from '../../app/queries.ts';

/** Secret addresses at which a calendar program reads one's visits: made, and withdrawn. */
export function CalendarLink() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button variant="outlined" onClick={() => setOpen(true)}>
        In my calendar
      </Button>
      {open && <Links onClose={() => setOpen(false)} />}
    </>
  );
}

function Links({ onClose }: { readonly onClose: () => void }) {
  const client = useQueryClient();
  const { data } = useQuery(calendarLinksQuery);
  const [names, setNames] = useState(false);
  const [made, setMade] = useState('');
  const [trouble, setTrouble] = useState('');
  const tried = async (work: () => Promise<void>) => {
    setTrouble('');
    try {
      await work();
    } catch (error) {
      setTrouble(
        error instanceof ApiError && !error.away
          ? error.problem.message
          : 'The server is away: an address can be made or withdrawn only with it. Try again.',
      );
    }
    void client.invalidateQueries({ queryKey: calendarLinksQuery.queryKey });
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="calendar-title">
      <DialogTitle id="calendar-title">Your visits in your calendar</DialogTitle>
      <DialogContent>
        <p>
          A calendar program that is given this address shows your visits and keeps up with them. Whoever has
          the address sees them: give it to nobody, and withdraw it where it has come into other hands.
        </p>
        <FormControlLabel
          control={<Switch checked={names} onChange={(_, on) => setNames(on)} />}
          label="With the shown names of the children"
        />
        <div className="actions">
          <Button
            variant="contained"
            onClick={() =>
              void tried(async () => {
                const { token } = await api.makeCalendarLink(uuid(), names);
                setMade(`${window.location.origin}/api/calendar/${token}.ics`);
              })
            }
          >
            Make an address
          </Button>
        </div>
        {made !== '' && (
          <>
            <TextField
              label="The address, shown this once"
              value={made}
              fullWidth
              size="small"
              sx={{ mt: 2 }}
              slotProps={{ htmlInput: { readOnly: true, onFocus: selectAll } }}
            />
            <Button
              sx={{ mt: 1 }}
              variant="outlined"
              onClick={() => void navigator.clipboard.writeText(made)}
            >
              Copy it
            </Button>
          </>
        )}
        {trouble !== '' && <p role="alert">{trouble}</p>}
        {data && data.length > 0 && (
          <ul className="calendar-links" aria-label="Addresses in use">
            {data.map((one) => (
              <li key={one.id}>
                Made {dateText(one.madeAt)}, {one.names ? 'with names' : 'without names'}
                <button
                  type="button"
                  className="linkish"
                  onClick={() => void tried(() => api.dropCalendarLink(one.id))}
                >
                  Withdraw
                </button>
              </li>
            ))}
          </ul>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

const selectAll = (event: { readonly target: EventTarget }) => (event.target as HTMLInputElement).select();
