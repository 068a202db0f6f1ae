import { pipLayout, type PipPattern, type PipPlace } from '@veldrift/core';
import type { SceneCard } from '@veldrift/core/games';
import { useSettings } from '../../app/settings.ts';

/** How high a card is, in its widths. */
export const cardShape = 1.38;
/** Where the pips lie, in the card's box of 104 by 142. */
const pipRoom = { left: 16, top: 77, width: 68, height: 62, most: 19 } as const;

/** A card in words, for a label. */
export function cardWords(card: SceneCard): string {
  if (card.worth === null && !card.says) return 'a card face down';
  if (card.says) return card.says;
  return card.rank === 'joker' ? 'a wild card' : numeralOf(card);
}

const numeralOf = ({ worth }: SceneCard): string =>
  worth === null ? '' : worth < 0 ? `\u2212${-worth}` : String(worth);

const isNumber = (says: string) => /^\d+$/.test(says);
/** A number that was made stands large, as on a card; the more digits, the less. */
const saysClass = (says: string) =>
  isNumber(says) ? `card-numeral digits-${Math.min(5, says.length)}` : 'card-says';

/** Our four suits, each known by its shape alone, drawn around a point within a box of 14. */
const suits = [
  {
    name: 'leaves',
    d: 'M-6.500 5.500C-7.500-2.500-1.500-6.500 6.500-6.500 7.500 2 2.500 7.500-6.500 5.500z',
    filled: true,
  },
  {
    name: 'stones',
    d: 'M-6.800.8C-6.800-4.500-2.500-5.600 1-5.200 5.500-4.700 7.300-1 6.300 2.400 5.200 6.200-6.400 6.500-6.800.8z',
    filled: true,
  },
  { name: 'waves', d: 'M-7 2.200C-5-6-2.400-6 0 0S5 6 7-2.200', filled: false },
  {
    name: 'grasses',
    d: 'M0 6.500V-6M0 2.500C-4.500 1.500-5.600-1.500-5.600-5M0 2.500C4.500 1.500 5.600-1.500 5.600-5',
    filled: false,
  },
] as const;

/** A card of ours: its number first, and below it as many pips in rows of five, to be touched and counted. None in the corners. */
export function PlayingCard({
  card,
  width = 104,
  pattern,
}: {
  readonly card: SceneCard;
  readonly width?: number;
  /** How its pips lie; left out: as this device is set. */
  readonly pattern?: PipPattern;
}) {
  const settings = useSettings();
  const down = card.worth === null && !card.says;
  // Ink matters where it takes away: there it is another, and its pips are hollow.
  const takes = (card.worth ?? 0) < 0;
  const pips = down || card.rank === 'joker' || card.says ? 0 : Math.abs(card.worth ?? 0);
  const red = card.colour === 'red' ? 1 : 0;
  const suit = suits[takes ? 1 : red + 2 * (Math.floor(card.id / 2) % 2)] ?? suits[0];
  const lie = pattern ?? settings.pips;
  const layout = pipLayout(pips, lie);
  const step = Math.min(
    pipRoom.most,
    pipRoom.height / Math.max(1, layout.rows),
    pipRoom.width / Math.max(1, layout.cols - 1),
  );
  const at = ({ col, row }: PipPlace) =>
    `translate(${pipRoom.left + col * step} ${pipRoom.top + row * step}) scale(${Math.min(1, step / 16)})`;
  return (
    <svg
      viewBox="0 0 104 142"
      width={width}
      height={width * cardShape}
      role="img"
      aria-label={cardWords(card)}
      className={`card ${down ? 'down' : takes ? 'takes' : `ink-${red}`}`}
    >
      <rect x="4.500" y="5.500" width="97" height="135" rx="8" className="card-shade" />
      <rect x="1.500" y="1.500" width="97" height="135" rx="8" className="card-ground" />
      {down ? (
        Array.from({ length: 9 }, (_, nth) => (
          <path
            key={nth}
            className="card-furrow"
            d={`M11 ${18 + nth * 13} q 13 -9 26 0 t 26 0 t 26 0`}
            fill="none"
          />
        ))
      ) : card.says ? (
        <text x="50" y={isNumber(card.says) ? 86 : 76} textAnchor="middle" className={saysClass(card.says)}>
          {card.says}
        </text>
      ) : card.rank === 'joker' ? (
        <text x="50" y="84" textAnchor="middle" className="card-says">
          any
        </text>
      ) : (
        <>
          <text x="50" y={pips > 0 ? 56 : 86} textAnchor="middle" className="card-numeral">
            {numeralOf(card)}
          </text>
          {/* A ten-frame is seen, also where it is empty. */}
          {lie === 'ten' &&
            [...layout.pips, ...layout.empty].map((place) => (
              <rect
                key={`${place.col} ${place.row}`}
                x="-8"
                y="-8"
                width="16"
                height="16"
                transform={at(place)}
                className="card-cell"
              />
            ))}
          {layout.pips.map((place) => (
            <path
              key={`${place.col} ${place.row}`}
              d={suit.d}
              transform={at(place)}
              className={`card-pip ${suit.filled ? 'filled' : 'drawn'}`}
            />
          ))}
        </>
      )}
    </svg>
  );
}
