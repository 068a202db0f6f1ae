import type { SceneCard } from '@veldrift/core/games';

const perRow = 5;

/** A card in words, for a label. */
export function cardWords(card: SceneCard): string {
  if (card.worth === null && !card.says) return 'a card face down';
  if (card.says) return card.says;
  return card.rank === 'joker' ? 'a wild card' : numeralOf(card);
}

const numeralOf = ({ worth }: SceneCard): string =>
  worth === null ? '' : worth < 0 ? `\u2212${-worth}` : String(worth);

/** A card of ours: its number first, and below it as many pips in rows of five, to be touched and counted. None in the corners. */
export function PlayingCard({ card, width = 104 }: { readonly card: SceneCard; readonly width?: number }) {
  const down = card.worth === null && !card.says;
  // Colour matters where it takes away; elsewhere all cards look alike.
  const takes = (card.worth ?? 0) < 0;
  const pips = down || card.rank === 'joker' || card.says ? 0 : Math.abs(card.worth ?? 0);
  return (
    <svg
      viewBox="0 0 100 138"
      width={width}
      height={(width * 138) / 100}
      role="img"
      aria-label={cardWords(card)}
      className={`card ${down ? 'down' : takes ? 'takes' : ''}`}
    >
      <rect x="1.5" y="1.5" width="97" height="135" rx="3" className="card-ground" />
      {down ? (
        Array.from({ length: 7 }, (_, nth) => (
          <path
            key={nth}
            className="card-furrow"
            d={`M10 ${20 + nth * 16} q 20 -9 40 0 t 40 0`}
            fill="none"
          />
        ))
      ) : card.says ? (
        <text x="50" y="74" textAnchor="middle" className="card-says">
          {card.says}
        </text>
      ) : card.rank === 'joker' ? (
        <text x="50" y="82" textAnchor="middle" className="card-says">
          any
        </text>
      ) : (
        <>
          <text x="50" y="58" textAnchor="middle" className="card-numeral">
            {numeralOf(card)}
          </text>
          {Array.from({ length: pips }, (_, nth) => {
            const inRow = Math.min(perRow, pips - Math.floor(nth / perRow) * perRow);
            const x = 50 + ((nth % perRow) - (inRow - 1) / 2) * 16;
            const y = 84 + Math.floor(nth / perRow) * 17;
            // Pips that take away are rings: colour is never all that tells.
            return <circle key={nth} cx={x} cy={y} r={takes ? 4.8 : 5.8} className="card-pip" />;
          })}
        </>
      )}
    </svg>
  );
}
