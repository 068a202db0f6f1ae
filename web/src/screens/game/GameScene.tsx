import { tell, written, type SceneRow } from '@veldrift/core/games';
import type { CSSProperties } from 'react';
import { Die } from '../../parts/table/Die.tsx';
import { PartBars } from '../../parts/table/PartBars.tsx';
import { GridBoard } from '../../parts/table/GridBoard.tsx';
import { boardShape } from '../../parts/table/boardShape.ts';
import { GlancePicture } from '../../parts/table/GlancePicture.tsx';
import { Counter } from '../../parts/table/Counter.tsx';
import { SeatMark } from '../../parts/table/SeatMark.tsx';
import { choiceAtCard, choiceAtSquare, type GameView } from './gameView.ts';
import { CardRows } from './CardRows.tsx';
import { WonPile } from './SeatPlaces.tsx';
import { seatOfTotal, Totals, TotalsRoad } from './Totals.tsx';

interface Props {
  readonly view: GameView;
  /** A square, card or plot was pressed that may be chosen. */
  readonly onChoose: (key: string, at: number) => void;
  /** One was pressed that may not, with the reason. */
  readonly onRefused: (says: string) => void;
  /** Cards picked up to be laid together, and what picking one does. */
  /** What is a seat's stands at its place on the field. */
  readonly placed?: boolean;
  readonly picked?: readonly number[];
  readonly onPick?: (card: number) => void;
}

/** What lies on the table: totals, dice, rows of cards, a board. What may be chosen is pressed where it lies. */
export function GameScene({ view, onChoose, onRefused, placed = false, picked, onPick }: Props) {
  const { scene, need } = view;
  // Nothing lies open: the piles are seen from which it will be turned.
  const piles =
    need.kind === 'go' && scene.rows.length > 0 && scene.rows.every((row) => row.cards.length === 0);
  const rows = scene.rows.filter(
    (row) =>
      piles ||
      ((row.cards.length > 0 || (row.seat === null && need.kind !== 'over')) && !isHiddenHand(row, view)),
  );
  // What was won lies in piles, where nothing else lies any more.
  const won =
    need.kind === 'over' && rows.length === 0 && !placed ? scene.totals.filter(({ pile }) => pile) : [];
  const resting = need.kind === 'roll' && scene.dice.length === 0;
  return (
    <>
      {(scene.totals.length > 0 || scene.target !== null) && <Totals view={view} placed={placed} />}
      <TotalsRoad view={view} />
      {scene.parts && <PartBars parts={scene.parts} />}
      {(resting || scene.dice.length > 0) && (
        <div
          className={`game-dice ${resting ? 'resting' : ''}`}
          style={{ '--dice': resting ? need.dice.length : scene.dice.length } as CSSProperties}
        >
          {resting
            ? need.dice.map((sides, nth) => <Die key={nth} shown={null} sides={sides} kind={nth} />)
            : scene.dice.map((shown, nth) => (
                // A fresh element for each roll, so that it tumbles.
                <Die
                  key={`${nth} ${scene.dice.join(' ')}`}
                  shown={shown}
                  sides={view.dice[nth] ?? 6}
                  kind={nth}
                />
              ))}
        </div>
      )}
      {won.length > 0 && (
        <div className="won-piles">
          {won.map((total) => (
            <div key={tell(total.name)} className="won-pile">
              <WonPile count={total.value} width={wonWidth} />
              <span>
                <SeatMark seat={seatOfTotal(total)} size={20} /> {tell(total.name, view.names)}
              </span>
            </div>
          ))}
        </div>
      )}
      {rows.length > 0 && (
        <CardRows
          rows={rows}
          view={view}
          piles={piles}
          onChoose={onChoose}
          {...(picked && onPick ? { picked, onPick } : {})}
        />
      )}
      {scene.glance && (
        <div className="glance-place">
          <GlancePicture glance={scene.glance} says={`${scene.glance.spots.length} pips`} />
        </div>
      )}
      {scene.board && (
        <div
          className="board-place"
          style={boardShape(
            scene.board.across,
            Math.ceil(scene.board.squares.length / scene.board.across),
            Math.max(2, ...scene.board.squares.map(({ text }) => written(text, view.names).length)),
          )}
        >
          <SceneBoardView view={view} onChoose={onChoose} onRefused={onRefused} />
        </div>
      )}
    </>
  );
}

/** The width of a pile at the end, px. */
const wonWidth = 96;

/** A hand that is nobody's business now: it lies face down, and its cards are counted among the totals. */
const isHiddenHand = (row: SceneRow, { scene, need }: GameView): boolean =>
  row.seat !== null &&
  row.cards.length > 2 &&
  scene.totals.length > 0 &&
  row.cards.every((card) => card.worth === null && !card.says && choiceAtCard(need, card.id) === undefined);

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
  const wide = board.across === 1 || texts.some((text) => text.length > 12);
  const middling = texts.some((text) => text.length > 3);
  const chooses =
    view.need.kind === 'choose' && view.need.choices.some(({ at }) => at !== undefined && 'square' in at);
  return (
    <GridBoard
      name={tell(board.name, view.names)}
      across={board.across}
      className={wide ? 'wide' : middling ? 'middling' : ''}
      squares={board.squares.map(({ mark }, nth) => ({
        key: String(nth),
        label: `${texts[nth] || 'empty'}${mark ? `, ${markWords(mark, view.names)}` : ''}`,
        className: `${mark ? `marked seat-${mark.seat ?? 'all'} ${mark.held ? 'held' : ''}` : ''}`,
        content: (
          <>
            {mark &&
              (wide || middling ? (
                <SeatMark seat={mark.seat} held={mark.held} size={18} />
              ) : (
                <Counter seat={mark.seat} held={mark.held} />
              ))}
            <span className="numeral">{texts[nth]}</span>
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
