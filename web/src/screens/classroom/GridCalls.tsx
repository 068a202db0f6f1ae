import Button from '@mui/material/Button';
import {
  callText,
  claimOf,
  classCalls,
  classCards,
  type ClassGrid,
  type GridClaim,
} from '@veldrift/core/games';
import { useState } from 'react';
import { useReadOut } from '../../live/useReadAloud.ts';
import { fits } from '../../parts/fits.ts';
import './caller.css';

/** A calling under way, as it is kept on this device until it is ended. */
export interface Calling {
  readonly choices: ClassGrid;
  readonly seed: number;
  /** How many were called; null: it has not begun. */
  readonly called: number | null;
}

/** What is called now, who has a line, and what was called before. */
export function GridCalls({
  choices,
  seed,
  called,
  onCall,
  onBack,
}: Calling & { readonly called: number; readonly onCall: () => void; readonly onBack: () => void }) {
  const calls = classCalls(choices, seed);
  const cards = classCards(choices, seed);
  const so = calls.slice(0, called);
  const last = so.at(-1);
  const [looked, setLooked] = useState<number | null>(null);
  useReadOut(last ? callText(last) : '', String(called));
  const all = called >= calls.length;
  const claim = looked === null ? null : claimOf(cards[looked], so);
  return (
    <div className="class-calls">
      <div className="class-call" role="status" style={fits((last ? callText(last) : '').length)}>
        {last ? (
          <span className="numeral class-called">{callText(last)}</span>
        ) : (
          <span className="class-large">Counters ready?</span>
        )}
      </div>
      <div className="actions class-keys">
        <Button
          variant="contained"
          size="large"
          disabled={all}
          onClick={() => {
            setLooked(null);
            onCall();
          }}
        >
          {called === 0 ? 'First call' : all ? 'All were called' : 'Next call'}
        </Button>
        <Button variant="outlined" size="large" disabled={called === 0} onClick={onBack}>
          Back
        </Button>
        <span className="quiet">
          {called} of {calls.length} called
        </span>
      </div>
      <section className="class-claims" aria-label="Who has a line?">
        <h2>Who has a line? Tap the number of the card.</h2>
        <div className="class-cards">
          {cards.map((_, at) => (
            <button
              key={at}
              type="button"
              className="numeral"
              aria-pressed={looked === at}
              onClick={() => setLooked(looked === at ? null : at)}
            >
              {at + 1}
            </button>
          ))}
        </div>
        {claim && looked !== null && <Verdict card={looked + 1} claim={claim} side={choices.side} />}
      </section>
      {so.length > 1 && (
        <section className="class-before" aria-label="Called before">
          <h2>Called before</h2>
          <p className="numeral">{so.slice(0, -1).map(callText).reverse().join('   ')}</p>
        </section>
      )}
    </div>
  );
}

function Verdict({
  card,
  claim,
  side,
}: {
  readonly card: number;
  readonly claim: GridClaim;
  readonly side: number;
}) {
  return (
    <div className="class-verdict-of">
      <p role="status" className={claim.line ? 'class-has-line' : 'clay'}>
        {claim.line
          ? `Card ${card} has a line.`
          : `Card ${card} has no line yet: ${claim.wanting.join(' and ')} ${claim.wanting.length === 1 ? 'was' : 'were'} not called.`}
      </p>
      <ul
        className="class-card"
        style={{ gridTemplateColumns: `repeat(${side}, 1fr)` }}
        aria-label={`Card ${card}`}
      >
        {claim.squares.map((text, at) => (
          <li
            key={at}
            className={`numeral ${claim.covered.includes(at) ? 'covered' : ''} ${claim.line?.includes(at) ? 'in-line' : ''}`}
          >
            {text}
          </li>
        ))}
      </ul>
      <p className="quiet">Another card in the hand? It was printed with another seed: look at its foot.</p>
    </div>
  );
}
