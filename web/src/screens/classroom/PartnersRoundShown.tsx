import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { countText } from '@veldrift/core';
import { useState } from 'react';
import type { PartnersNow, PartnersTable } from '../../live/classroom/partnersTable.ts';
import { useNow } from '../../parts/useNow.ts';
import { pastText, timeText, verdictText } from './partnersWords.ts';

export interface OwnPartners {
  readonly now: PartnersNow;
  readonly table: PartnersTable;
}

/** A round under way: its clock, how many have found each other, and what comes next. */
export function PartnersRoundShown({ now, table, clock }: OwnPartners & { readonly clock: boolean }) {
  const { round, way, past, seats, here } = now;
  const at = useNow(200);
  if (!round) return null;
  const pairs = round.cards.length / 2;
  const done = round.doneMs !== null;
  const begun = round.startedAt !== null;
  const elapsed =
    round.doneMs ?? (round.startedAt === null ? 0 : Math.max(0, at.getTime() - round.startedAt));
  const gone = way === 'devices' ? seats.filter((seat) => !here.includes(seat)).length : 0;
  return (
    <div className="class-round">
      <p className="class-nth">Round {round.nth}</p>
      {(clock || done) && (
        <p className="class-clock numeral" role="timer">
          {timeText(elapsed)}
        </p>
      )}
      <p className="class-large" role="status">
        {done
          ? 'Everybody has found the partner.'
          : begun
            ? `${round.found.length} of ${pairs} pairs found`
            : 'Cards face down. Ready?'}
      </p>
      <ul className="class-pairs" aria-hidden>
        {Array.from({ length: pairs }, (_, nth) => (
          <li key={nth} className={nth < round.found.length || done ? 'found' : ''} />
        ))}
      </ul>
      {gone > 0 && !done && (
        <p className="clay">
          {countText(gone, 'device is', 'devices are')} not heard of. {gone === 1 ? 'It comes' : 'They come'}{' '}
          back by itself when the network is there.
        </p>
      )}
      <div className="actions class-keys">
        {!begun && (
          <Button variant="contained" size="large" onClick={table.start}>
            Start
          </Button>
        )}
        {begun && !done && (
          <Button variant="contained" size="large" onClick={table.allStand}>
            Everybody stands with a partner
          </Button>
        )}
        {done && (
          <>
            <Button variant="contained" size="large" onClick={table.swap}>
              Swap cards, and again
            </Button>
            <Button variant="outlined" size="large" onClick={() => table.deal(now.seed + 1)}>
              New cards
            </Button>
          </>
        )}
      </div>
      {way === 'paper' && begun && <Together now={now} table={table} />}
      {past.length > 0 && <p className="class-past">{pastText(past)}</p>}
    </div>
  );
}

/** Two numbers of cards that somebody holds up: whether they belong together. */
function Together({ now, table }: OwnPartners) {
  const [one, setOne] = useState('');
  const [other, setOther] = useState('');
  const field = (label: string, value: string, set: (text: string) => void) => (
    <TextField
      label={label}
      size="small"
      value={value}
      onChange={(event) => set(event.target.value.replace(/\D/g, '').slice(0, 2))}
      slotProps={{ htmlInput: { inputMode: 'numeric', autoComplete: 'off' } }}
    />
  );
  return (
    <form
      className="class-together"
      aria-label="Do they belong together?"
      onSubmit={(event) => {
        event.preventDefault();
        if (one === '' || other === '') return;
        table.hold(Number(one), Number(other));
        setOne('');
        setOther('');
      }}
    >
      {field('Card', one, setOne)}
      {field('and card', other, setOther)}
      <Button type="submit" variant="outlined" disabled={one === '' || other === ''}>
        Together?
      </Button>
      <p role="status" className={now.looked && now.looked.verdict !== 'together' ? 'clay' : ''}>
        {now.looked ? verdictText(now.looked, now.round) : ''}
      </p>
    </form>
  );
}
