import type { ReactNode } from 'react';
import { tell } from '@veldrift/core/games';
import { seatLetters } from '../../app/letterKeys.ts';
import { LetterKey } from '../../parts/LetterKey.tsx';
import { CardPile } from '../../parts/table/CardPile.tsx';
import { cardShape } from '../../parts/table/PlayingCard.tsx';
import { SeatMark } from '../../parts/table/SeatMark.tsx';
import { claimSeats, seatsBySide, turnOf, type GameView } from './gameView.ts';
import { seatOfTotal, TotalValue } from './Totals.tsx';

interface Props {
  readonly view: GameView;
  /** A seat has claimed to be first, at the time of the touch, ms. */
  readonly onClaim: (seat: number, at: number) => void;
}

/**
 * Each child's place on a field that has the room: who sits there and what they have; in a race it is what they touch. At the two
 * ends, or beside a board in a row.
 */
export function SeatPlaces({ view, onClaim, ends }: Props & { readonly ends: boolean }) {
  const all = view.names.map((_, seat) => seat);
  return (ends ? seatsBySide(all) : [all]).map((seats, side) => (
    <div key={side} className={ends ? `seat-end ${side === 0 ? 'near' : 'far'}` : 'seat-row'}>
      {seats.map((seat) => (
        <SeatPlace key={seat} seat={seat} view={view} onClaim={onClaim} />
      ))}
    </div>
  ));
}

function SeatPlace({ seat, view, onClaim }: Props & { readonly seat: number }) {
  const name = view.names[seat] ?? '';
  const at = view.scene.totals.findIndex((total) => seatOfTotal(total) === seat);
  const total = view.scene.totals[at];
  // What the total counts is said with the name in it, where that has the room.
  const heading = total && view.names.length === 2 ? tell(total.name, view.names) : name;
  const inside = (
    <>
      <SeatMark seat={seat} size={56} />
      <span className="seat-place-name">{heading}</span>
      {total && (
        <span className="game-total" data-total={at}>
          <TotalValue total={total} />
        </span>
      )}
      {total?.pile && <WonPile count={total.value} />}
    </>
  );
  if (claimSeats(view).includes(seat))
    return (
      <ClaimZone seat={seat} claimed={view.claimed.includes(seat)} onClaim={onClaim}>
        {inside}
        <span className="seat-place-hint">I have it</span>
      </ClaimZone>
    );
  return (
    <div
      role="group"
      aria-label={name}
      className={`seat-place seat-${seat} ${turnOf(view.need) === seat ? 'turn' : ''} ${view.out.includes(seat) ? 'out' : ''}`}
    >
      {inside}
    </div>
  );
}

/** px: as wide as stands at a narrow end beside its edges. */
const pileWidth = 76;

/** What a seat has won lies at its place, or the place waits for it. */
export function WonPile({ count, width = pileWidth }: { readonly count: number; readonly width?: number }) {
  return count > 0 ? (
    <CardPile width={width} />
  ) : (
    <span className="card-place" style={{ width, height: width * cardShape }} />
  );
}

/** What a child touches to be first: the claim is the touch, not its release. */
export function ClaimZone({
  seat,
  claimed,
  onClaim,
  children,
}: {
  readonly seat: number;
  readonly claimed: boolean;
  readonly onClaim: (seat: number, at: number) => void;
  readonly children: ReactNode;
}) {
  const letter = seatLetters[seat];
  return (
    <button
      type="button"
      className={`claim-zone seat-${seat} ${claimed ? 'claimed' : ''}`}
      onPointerDown={(event) => {
        event.preventDefault();
        onClaim(seat, event.timeStamp);
      }}
      onClick={(event) => event.detail === 0 && onClaim(seat, event.timeStamp)}
    >
      {children} {letter && <LetterKey of={letter} />}
    </button>
  );
}
