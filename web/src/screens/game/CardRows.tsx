import { tell, type SceneRow } from '@veldrift/core/games';
import { CardPile } from '../../parts/table/CardPile.tsx';
import { Die, dieShape } from '../../parts/table/Die.tsx';
import { cardGaps, fitCards } from '../../parts/table/fitCards.ts';
import { cardShape, cardWords, PlayingCard } from '../../parts/table/PlayingCard.tsx';
import { useRoom } from '../../parts/table/useRoom.ts';
import { choiceAtCard, mayPick, turnOf, type GameView } from './gameView.ts';

/** A pile, and the place beside it on which a card will lie. */
const pileAndPlace = 2;
/** px: cards that are narrower are pushed together. */
const readable = 40;

/** px: cards that are picked up are pressed. */
const pressable = 44;

/** Cards as large as the field holds. */
export function CardRows({
  rows: all,
  piles,
  ...own
}: {
  readonly rows: readonly SceneRow[];
  /** Nothing lies open yet. */
  readonly piles: boolean;
  readonly view: GameView;
  readonly onChoose: (key: string, at: number) => void;
  readonly picked?: readonly number[];
  readonly onPick?: (card: number) => void;
}) {
  const [ref, room] = useRoom<HTMLDivElement>();
  const laidOut = all.some((row) => row.across && !own.onPick);
  const widthOf = (closed: boolean, rows = all) =>
    fitCards(
      rows.map((row) => ({
        count: piles
          ? pileAndPlace
          : row.across && !own.onPick && !closed
            ? Math.max(row.cards.length, ...row.cards.map((card) => card.id + 1))
            : row.cards.length,
        heightPerWidth: row.dice ? dieShape : cardShape,
        across: own.onPick || closed ? undefined : row.across,
        nameless: laidOut && rows.length === 1,
      })),
      room,
    );
  // A card that was taken leaves its place empty, as long as what lies there can be read.
  const open = widthOf(false);
  const closed = !piles && laidOut && open < readable;
  // Where cards are picked up and there is room for few, the hands of others make way.
  const turn = turnOf(own.view.need);
  const crowded = own.onPick !== undefined && open < pressable;
  const rows = crowded ? all.filter(({ seat }) => seat === null || seat === turn) : all;
  const width = closed || crowded ? widthOf(closed, rows) : open;
  return (
    <div ref={ref} className={`game-rows ${laidOut ? 'laid-out' : ''}`}>
      {rows.map((row) =>
        piles ? (
          <section key={tell(row.name)} className="card-row" aria-label={tell(row.name, own.view.names)}>
            <h2>{tell(row.name, own.view.names)}</h2>
            <div className="card-row-cards">
              <CardPile width={width} />
              <span className="card-place" style={{ width, height: width * cardShape }} />
            </div>
          </section>
        ) : (
          <CardRow key={tell(row.name)} row={row} width={width} closed={closed} {...own} />
        ),
      )}
    </div>
  );
}

function CardRow({
  row,
  view,
  width,
  closed,
  onChoose,
  picked,
  onPick,
}: {
  readonly row: SceneRow;
  readonly view: GameView;
  readonly width: number;
  /** No place is left empty. */
  readonly closed: boolean;
  readonly onChoose: (key: string, at: number) => void;
  readonly picked?: readonly number[];
  readonly onPick?: (card: number) => void;
}) {
  const turn = view.need.kind === 'choose' && view.need.seat === row.seat;
  const across = onPick || closed ? undefined : row.across;
  // A key is as wide as a finger wherever its card is a little narrower: it takes that from the gaps.
  const short = onPick ? Math.max(0, pressable - width) : 0;
  const key = short > 0 ? { minWidth: pressable, display: 'grid', justifyItems: 'center' } : undefined;
  return (
    <section className={`card-row ${turn ? 'turn' : ''}`} aria-label={tell(row.name, view.names)}>
      <h2>{tell(row.name, view.names)}</h2>
      <div
        className="card-row-cards"
        style={
          across
            ? { display: 'grid', gridTemplateColumns: `repeat(${across}, max-content)` }
            : short > 0
              ? { columnGap: Math.max(0, cardGaps.card - 2 * short) }
              : undefined
        }
      >
        {row.cards.map((card) => {
          const choice = choiceAtCard(view.need, card.id);
          // A card that was taken leaves its place empty: the others stay where they are.
          const place = across
            ? { gridColumn: (card.id % across) + 1, gridRow: Math.floor(card.id / across) + 1 }
            : undefined;
          const face = row.dice ? (
            <Die shown={card.worth ?? 0} sides={row.dice} size={width} />
          ) : (
            // A fresh element for each face, so that it is seen to turn.
            <PlayingCard key={String(card.worth)} card={card} width={width} />
          );
          if (onPick && mayPick(view.need, row, card))
            return (
              <button
                key={card.id}
                type="button"
                className="card-key"
                style={key}
                aria-pressed={picked?.includes(card.id) ?? false}
                aria-label={row.dice ? `a die showing ${card.worth}` : cardWords(card)}
                onClick={() => onPick(card.id)}
              >
                {face}
              </button>
            );
          return choice ? (
            <button
              key={card.id}
              type="button"
              className="card-key"
              style={place}
              aria-label={`${cardWords(card)}: ${tell(choice.says, view.names)}`}
              onClick={(event) => onChoose(choice.key, event.timeStamp)}
            >
              {face}
            </button>
          ) : (
            <span key={card.id} style={place}>
              {face}
            </span>
          );
        })}
      </div>
    </section>
  );
}
