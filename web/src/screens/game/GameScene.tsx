import { tell, written, type Scene, type SceneRow } from '@veldrift/core/games';
import { useState } from 'react';
import { Die } from '../../parts/table/Die.tsx';
import { GridBoard } from '../../parts/table/GridBoard.tsx';
import { cardWords, PlayingCard } from '../../parts/table/PlayingCard.tsx';
import { SeatMark } from '../../parts/table/SeatMark.tsx';
import { choiceAtCard, choiceAtSquare, mayPick, type GameView } from './gameView.ts';
import { BeadFrame } from '../../parts/aids/BeadFrame.tsx';

interface Props {
  readonly view: GameView;
  /** A square, card or plot was pressed that may be chosen. */
  readonly onChoose: (key: string, at: number) => void;
  /** One was pressed that may not, with the reason. */
  readonly onRefused: (says: string) => void;
  /** Cards picked up to be laid together, and what picking one does. */
  readonly picked?: readonly number[];
  readonly onPick?: (card: number) => void;
}

/** What lies on the table: totals, dice, rows of cards, a board. What may be chosen is pressed where it lies. */
export function GameScene({ view, onChoose, onRefused, picked, onPick }: Props) {
  const { scene } = view;
  const rows = scene.rows.filter((row) => row.cards.length > 0 || row.seat === null);
  return (
    <>
      <Totals view={view} />
      {scene.dice.length > 0 && (
        <div className="game-dice">
          {scene.dice.map((shown, nth) => (
            <Die key={nth} shown={shown} sides={view.dice[nth] ?? 6} />
          ))}
        </div>
      )}
      {rows.length > 0 && (
        <div className={`game-rows ${rows.length > 2 ? 'many' : ''}`}>
          {rows.map((row) => (
            <CardRow
              key={tell(row.name)}
              row={row}
              view={view}
              width={widthOf(scene, row)}
              onChoose={onChoose}
              {...(picked && onPick ? { picked, onPick } : {})}
            />
          ))}
        </div>
      )}
      {scene.board && <SceneBoardView view={view} onChoose={onChoose} onRefused={onRefused} />}
    </>
  );
}

/** Cards as large as the field holds. */
function widthOf(scene: Scene, row: SceneRow): number {
  const most = Math.max(...scene.rows.map((one) => one.cards.length));
  if (row.across) return most > 16 ? 62 : most > 12 ? 70 : 84;
  if (scene.rows.length > 3) return 62;
  return most > 7 ? 66 : scene.rows.length > 2 ? 78 : 104;
}

function CardRow({
  row,
  view,
  width,
  onChoose,
  picked,
  onPick,
}: {
  readonly row: SceneRow;
  readonly view: GameView;
  readonly width: number;
  readonly onChoose: (key: string, at: number) => void;
  readonly picked?: readonly number[];
  readonly onPick?: (card: number) => void;
}) {
  const turn = view.need.kind === 'choose' && view.need.seat === row.seat;
  return (
    <section className={`card-row ${turn ? 'turn' : ''}`} aria-label={tell(row.name, view.names)}>
      <h2>{tell(row.name, view.names)}</h2>
      <div
        className="card-row-cards"
        style={
          row.across && !onPick
            ? { display: 'grid', gridTemplateColumns: `repeat(${row.across}, max-content)` }
            : undefined
        }
      >
        {row.cards.map((card) => {
          const choice = choiceAtCard(view.need, card.id);
          // A card that was taken leaves its place empty: the others stay where they are.
          const place =
            row.across && !onPick
              ? { gridColumn: (card.id % row.across) + 1, gridRow: Math.floor(card.id / row.across) + 1 }
              : undefined;
          const face = row.dice ? (
            <Die shown={card.worth ?? 0} sides={row.dice} size={Math.min(width, 72)} />
          ) : (
            <PlayingCard card={card} width={width} />
          );
          if (onPick && mayPick(view.need, row, card))
            return (
              <button
                key={card.id}
                type="button"
                className="card-key"
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

const veilMs = 2500;

/** Running totals, large: children play by them. Those kept in the head show when they are asked for. */
function Totals({ view }: { readonly view: GameView }) {
  const { totals, target } = view.scene;
  const [shown, setShown] = useState(false);
  const own = totals[0];
  return (
    <div className="game-totals">
      {totals.map((total) => (
        <p key={tell(total.name)} className="game-total">
          <span>{tell(total.name, view.names)}</span>
          {total.veiled && !shown ? (
            <button
              type="button"
              className="linkish"
              onClick={() => {
                setShown(true);
                setTimeout(() => setShown(false), veilMs);
              }}
            >
              kept by you; look
            </button>
          ) : (
            <strong className="numeral">{total.value}</strong>
          )}
        </p>
      ))}
      {target !== null && (
        <p className="game-total">
          <span>to</span>
          <strong className="numeral">{target}</strong>
        </p>
      )}
      {view.beads && own && !own.veiled && <BeadFrame count={own.value} />}
    </div>
  );
}

function SceneBoardView({
  view,
  onChoose,
  onRefused,
}: {
  readonly view: GameView;
  readonly onChoose: (key: string, at: number) => void;
  readonly onRefused: (says: string) => void;
}) {
  const board = view.scene.board;
  if (!board) return null;
  const texts = board.squares.map((one) => written(one.text, view.names));
  const wide = texts.some((text) => text.length > 12);
  const chooses =
    view.need.kind === 'choose' && view.need.choices.some(({ at }) => at !== undefined && 'square' in at);
  return (
    <GridBoard
      name={tell(board.name, view.names)}
      across={board.across}
      className={`${wide ? 'wide' : ''} across-${board.across}`}
      squares={board.squares.map(({ mark }, nth) => ({
        key: String(nth),
        label: `${texts[nth]}${mark ? `, ${markWords(mark, view.names)}` : ''}`,
        className: `${mark ? `marked seat-${mark.seat ?? 'all'} ${mark.held ? 'held' : ''}` : ''}`,
        content: (
          <>
            <span className="numeral">{texts[nth]}</span>
            {mark && <SeatMark seat={mark.seat} held={mark.held} />}
          </>
        ),
      }))}
      onPress={
        chooses
          ? (nth, at) => {
              const choice = choiceAtSquare(view.need, nth);
              const square = board.squares[nth];
              if (choice) onChoose(choice.key, at);
              else if (square)
                onRefused(
                  square.mark
                    ? `${texts[nth]} is taken.`
                    : `${texts[nth]} cannot be made with these, or not now.`,
                );
            }
          : undefined
      }
    />
  );
}

const markWords = (
  mark: { readonly seat: number | null; readonly held: boolean },
  names: readonly string[],
): string =>
  mark.seat === null
    ? 'lit'
    : `${names[mark.seat] ?? `seat ${mark.seat + 1}`}${mark.held ? '' : ', not held yet'}`;
