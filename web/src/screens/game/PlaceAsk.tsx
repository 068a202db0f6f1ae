import Button from '@mui/material/Button';
import { tell, type Need, type SceneCard } from '@veldrift/core/games';
import { useState } from 'react';
import { cardWords, PlayingCard } from '../../parts/table/PlayingCard.tsx';

interface Props {
  readonly need: Extract<Need, { kind: 'choose' }>;
  readonly cards: readonly SceneCard[];
  /** The places have headed columns. */
  readonly frame: boolean;
  readonly onChoose: (key: string, at: number) => void;
  readonly onRefused: (says: string) => void;
}

const heads = ['Tens', 'Ones', 'Tens', 'Ones'] as const;

/** Four cards laid into two numbers of tens and ones: a card, then its place, by touch or by key. */
export function PlaceAsk({ need, cards, frame, onChoose, onRefused }: Props) {
  const [places, setPlaces] = useState<readonly (number | null)[]>([null, null, null, null]);
  const [held, setHeld] = useState<number | null>(null);
  const cardAt = (place: number) => cards.find((one) => one.id === places[place]);
  const free = cards.filter((one) => !places.includes(one.id));
  const put = (place: number) => {
    const there = places[place] ?? null;
    const card = held ?? free[0]?.id ?? null;
    if (there !== null) setPlaces(places.map((one, at) => (at === place ? null : one)));
    else if (card !== null) setPlaces(places.map((one, at) => (at === place ? card : one)));
    setHeld(null);
  };
  const lay = (at: number) => {
    const worths = places.map((_, place) => cardAt(place)?.worth ?? null);
    const [a, b, c, d] = worths;
    if (a == null || b == null || c == null || d == null) return onRefused('Lay all four cards first.');
    const [one, other] = [10 * a + b, 10 * c + d];
    const key = one >= other ? `${one},${other}` : `${other},${one}`;
    if (need.choices.some((choice) => choice.key === key)) onChoose(key, at);
    else onRefused('These cards cannot be laid so.');
  };
  const none = need.choices.find(({ key }) => key === 'none');
  return (
    <div className="ask-places">
      <div className="places" role="group" aria-label="Two numbers of tens and ones">
        {heads.map((head, place) => {
          const card = cardAt(place);
          return (
            <button
              key={place}
              type="button"
              className={`place ${place === 1 ? 'gap' : ''} ${frame ? `headed ${head.toLowerCase()}` : ''}`}
              aria-label={`${head} of number ${place < 2 ? 1 : 2}: ${card ? cardWords(card) : 'empty'}`}
              onClick={() => put(place)}
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
        <Button variant="contained" size="large" onClick={(event) => lay(event.timeStamp)}>
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
