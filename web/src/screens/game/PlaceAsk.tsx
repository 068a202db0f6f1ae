import Button from '@mui/material/Button';
import { tell, type ChoiceBy, type Need, type SceneCard } from '@veldrift/core/games';
import { useState } from 'react';
import { cardWords, PlayingCard } from '../../parts/table/PlayingCard.tsx';

interface Props {
  readonly need: Extract<Need, { kind: 'choose' }>;
  readonly by: Extract<ChoiceBy, { kind: 'places' }>;
  readonly cards: readonly SceneCard[];
  /** The places have headed columns. */
  readonly frame: boolean;
  readonly onChoose: (key: string, at: number) => void;
  readonly onRefused: (says: string) => void;
}

const headNames = ['Ones', 'Tens', 'Hundreds', 'Thousands', 'Ten thousands'] as const;

/** Cards laid into the places of one number or several: a card, then its place, by touch or by key. */
export function PlaceAsk({ need, by, cards, frame, onChoose, onRefused }: Props) {
  const { numbers, placesEach } = by;
  const heads = Array.from(
    { length: numbers * placesEach },
    (_, place) => headNames[placesEach - 1 - (place % placesEach)] ?? '',
  );
  const [places, setPlaces] = useState<readonly (number | null)[]>(heads.map(() => null));
  const [held, setHeld] = useState<number | null>(null);
  const cardAt = (place: number) => cards.find((one) => one.id === places[place]);
  const free = cards.filter((one) => !places.includes(one.id));
  const put = (place: number, at: number) => {
    const there = places[place] ?? null;
    const card = held ?? free[0]?.id ?? null;
    setHeld(null);
    if (there !== null) return setPlaces(places.map((one, nth) => (nth === place ? null : one)));
    if (card === null) return;
    const next = places.map((one, nth) => (nth === place ? card : one));
    const left = free.filter((one) => one.id !== card);
    const [last] = left;
    // One card and one place are left: it can lie nowhere else, and all of it is laid.
    if (last && left.length === 1 && next.filter((one) => one === null).length === 1) {
      const full = next.map((one) => one ?? last.id);
      setPlaces(full);
      lay(full, at);
    } else setPlaces(next);
  };
  const lay = (of: readonly (number | null)[], at: number) => {
    const worths = of.map((id) => cards.find((one) => one.id === id)?.worth ?? null);
    if (worths.includes(null)) return onRefused('Lay all the cards first.');
    const own = Array.from({ length: numbers }, (_, nth) =>
      worths
        .slice(nth * placesEach, (nth + 1) * placesEach)
        .reduce<number>((sum, one) => 10 * sum + (one ?? 0), 0),
    ).sort((one, other) => other - one);
    const laid = need.choices.find((one) => one.numbers?.join() === own.join());
    if (laid) onChoose(laid.key, at);
    else
      onRefused(
        worths.some((one, place) => one === 0 && place % placesEach === 0)
          ? 'No number begins with 0.'
          : 'These cards cannot be laid so.',
      );
  };
  const none = need.choices.find((one) => one.numbers === undefined);
  return (
    <div className="ask-places">
      <div className="places" role="group" aria-label={numbers === 1 ? 'The number' : 'The numbers'}>
        {heads.map((head, place) => {
          const card = cardAt(place);
          return (
            <button
              key={place}
              type="button"
              className={`place ${place % placesEach === placesEach - 1 && place < heads.length - 1 ? 'gap' : ''} ${frame ? `headed ${head.toLowerCase().replace(' ', '-')}` : ''}`}
              aria-label={`${head}${numbers === 1 ? '' : ` of number ${Math.floor(place / placesEach) + 1}`}: ${card ? cardWords(card) : 'empty'}`}
              onClick={(event) => put(place, event.timeStamp)}
            >
              {frame && <span>{head}</span>}
              {card ? <PlayingCard card={card} width={76} /> : <i aria-hidden />}
            </button>
          );
        })}
      </div>
      <div className="places-hand" role="group" aria-label="Your cards">
        {free.map((card) => (
          <button
            key={card.id}
            type="button"
            className="card-key"
            aria-pressed={held === card.id}
            aria-label={cardWords(card)}
            onClick={() => setHeld(held === card.id ? null : card.id)}
          >
            <PlayingCard card={card} width={64} />
          </button>
        ))}
      </div>
      <div className="ask-choices">
        <Button variant="contained" size="large" onClick={(event) => lay(places, event.timeStamp)}>
          Laid
        </Button>
        {none && (
          <Button variant="outlined" size="large" onClick={(event) => onChoose(none.key, event.timeStamp)}>
            {tell(none.says)}
          </Button>
        )}
      </div>
    </div>
  );
}
