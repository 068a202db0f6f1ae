import type { Deck } from '@veldrift/core';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';

interface Props {
  /** Numbers that cards are at hand for, ascending. */
  readonly numbers: readonly number[];
  /** The most cards of a number. */
  readonly most: number;
  readonly deck: Deck;
  readonly onDeck: (deck: Deck) => void;
}

/** The cards drawn in rows, one a number: pulled out and dropped in by a tap, by drawing along the row, or by keys. */
export function PackRows({ numbers, most, deck, onDeck }: Props) {
  const set = (number: number, count: number) =>
    onDeck(new Map(deck).set(number, Math.min(most, Math.max(0, count))));
  return (
    <div className="pack-rows" role="group" aria-label="Cards of the pack">
      {numbers.map((number) => (
        <PackRow
          key={number}
          number={number}
          count={deck.get(number) ?? 0}
          most={most}
          onCount={(count) => set(number, count)}
        />
      ))}
    </div>
  );
}

function PackRow({
  number,
  count,
  most,
  onCount,
}: {
  readonly number: number;
  readonly count: number;
  readonly most: number;
  readonly onCount: (count: number) => void;
}) {
  const track = useRef<HTMLDivElement>(null);
  /** The card it began on, while a pointer draws along the row. */
  const from = useRef<number | null>(null);
  const placeOf = (event: PointerEvent): number => {
    const box = track.current?.getBoundingClientRect();
    if (!box) return 0;
    return Math.min(most, Math.max(0, Math.ceil(((event.clientX - box.left) / box.width) * most)));
  };
  const onKey = (event: KeyboardEvent) => {
    const to = {
      ArrowRight: count + 1,
      ArrowUp: count + 1,
      ArrowLeft: count - 1,
      ArrowDown: count - 1,
      Home: 0,
      End: most,
    }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    onCount(to);
  };
  return (
    <div className="pack-row">
      <span className="numeral" aria-hidden>
        {number}
      </span>
      <div
        ref={track}
        className="pack-track"
        role="slider"
        tabIndex={0}
        aria-label={`Cards of ${number}`}
        aria-valuemin={0}
        aria-valuemax={most}
        aria-valuenow={count}
        aria-valuetext={count === 0 ? 'none' : count === 1 ? 'one card' : `${count} cards`}
        onKeyDown={onKey}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          const place = Math.max(1, placeOf(event));
          from.current = place;
          // A card that lies there is pulled out, with those after it; a free place is filled up to it.
          onCount(place <= count ? place - 1 : place);
        }}
        onPointerMove={(event) => {
          if (from.current === null) return;
          const place = placeOf(event);
          if (place === from.current) return;
          from.current = NaN;
          onCount(place);
        }}
        onPointerUp={() => {
          from.current = null;
        }}
        onPointerCancel={() => {
          from.current = null;
        }}
      >
        {Array.from({ length: most }, (_, at) => (
          <span key={at} className={`pack-card numeral ${at < count ? 'there' : ''}`}>
            {at < count ? number : ''}
          </span>
        ))}
      </div>
    </div>
  );
}
