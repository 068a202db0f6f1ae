import { headlineOf, tell, written, type Scene } from '@veldrift/core/games';
import type { FactKey } from '@veldrift/core';
import type { ReactNode } from 'react';
import { OwnPicture, type ShownPicture } from '../../parts/pictures/OwnPicture.tsx';
import { ShownWay } from '../../parts/pictures/ShownWay.tsx';
import { useState } from 'react';
import { AskPanel, type AskProps } from './AskPanel.tsx';
import { FieldPlot } from './FieldPlot.tsx';
import { GameScene } from './GameScene.tsx';
import { SeatPlaces } from './SeatPlaces.tsx';
import { MendAsk } from './MendAsk.tsx';
import { useFlights } from './useFlights.ts';
import { PlaceAsk } from './PlaceAsk.tsx';
import { isTheirs, type GameView } from './gameView.ts';
import { useRoom } from '../../parts/table/useRoom.ts';
import { SeatMark } from '../../parts/table/SeatMark.tsx';
import { CardsAsk } from './CardsAsk.tsx';

export interface ShownFact {
  readonly fact: FactKey;
  readonly way: string | null;
}

/** From so much room on the children have places of their own on the field, px. */
const placedFrom = { width: 700, height: 420, besideBoard: 520 } as const;

/** The child's side of a game: what happened, what lies there, what is asked, and the shelf for an aid. */
export function GameField({
  shelf,
  shownWay = null,
  ownPicture = null,
  ending = null,
  ...ask
}: AskProps & {
  readonly shelf?: ReactNode;
  /** A fact that nobody got, and the way to it that is the child's own: shown until something else lies there. */
  readonly shownWay?: ShownFact | null;
  /** The picture the child made of it. */
  readonly ownPicture?: ShownPicture | null;
  /** What it came to, when it is over. */
  readonly ending?: ReactNode;
}) {
  const { view, onMove } = ask;
  const { need, scene, names } = view;
  const [field, room] = useRoom<HTMLDivElement>();
  useFlights(field, scene);
  const [refused, setRefused] = useState('');
  const [picked, setPicked] = useState<readonly number[]>([]);
  const [of, setOf] = useState(ask.promptId);
  if (of !== ask.promptId) {
    setOf(ask.promptId);
    setRefused('');
    setPicked([]);
  }
  const choosing = need.kind === 'choose' && isTheirs(view) ? need : null;
  const choose = (key: string, at: number) => {
    if (choosing) setRefused(onMove({ kind: 'choose', seat: choosing.seat, key }, at) ?? '');
    else if (need.kind === 'choose') setRefused(`It is ${names[need.seat] ?? 'another seat'}\u2019s turn.`);
  };
  const by = choosing?.by;
  const own = choosing ? scene.rows.find((row) => row.seat === choosing.seat) : undefined;
  const asks = need.kind === 'say' || need.kind === 'claim';
  // While cards are laid into places, those of the seat lie there.
  const shown =
    by?.kind === 'places' && choosing
      ? { ...view, scene: { ...scene, rows: scene.rows.filter((row) => row.seat !== choosing.seat) } }
      : view;
  // What something is chosen for takes as much room as what is asked.
  const shows = need.kind === 'choose' ? need.shows : undefined;
  const headline = headlineOf(need);
  const boarded = isBoarded(scene);
  const ratio = boarded ? boardRatio(scene) : 1;
  // A board so much wider than high lies across the field, where it is largest; one not quite so wide takes more of it.
  // Where there is nothing to do but think, what is thought of has the whole field.
  const thinks = need.kind === 'go' && need.unhurried === true;
  const [band, long] = [ratio >= 2 || (boarded && thinks), ratio >= 1.3];
  // On a device of one's own there is one's own place alone.
  const placed = names.length > 1 && view.seat === null && room.width >= placedFrom.width;
  const ends = placed && !boarded && room.height >= placedFrom.height;
  const seatRow = placed && boarded && room.height >= placedFrom.besideBoard;
  return (
    <div
      ref={field}
      className={`game-field ${asks || shows !== undefined ? 'asking' : ''} ${boarded ? 'boarded' : ''} ${ends ? 'with-ends' : ''} ${band ? 'band' : long ? 'long' : ''} ${need.kind === 'over' ? 'ended' : ''}`}
      data-need={need.kind}
      data-prompt={ask.promptId}
    >
      {/* One place for what happened and what is wanted, read out as it changes. */}
      <div className="game-words" aria-live="polite">
        <p className="game-need">
          {headline.seat !== null && <SeatMark seat={headline.seat} size={30} />}
          <span>{appHeadline(view) ?? tell(headline.says, names)}</span>
        </p>
        {/* What is asked is seen large below; here it is read out. */}
        {asks && <p className="sr-only">{tell(need.says, names)}</p>}
        {shows !== undefined && <p className="sr-only">{written(shows, names)}</p>}
        <p className={`game-says ${refused ? 'refused' : ''}`}>{refused || tell(view.says, names)}</p>
      </div>
      {(ends || seatRow) && <SeatPlaces view={view} ends={ends} onClaim={ask.onClaim} />}
      <GameScene
        view={shown}
        placed={ends || seatRow}
        onChoose={choose}
        onRefused={setRefused}
        {...(by?.kind === 'cards'
          ? {
              picked,
              onPick: (card: number) =>
                setPicked(
                  picked.includes(card)
                    ? picked.filter((one) => one !== card)
                    : [...picked, card].slice(-by.most),
                ),
            }
          : {})}
      />
      {scene.field && (
        <FieldPlot
          field={scene.field}
          choices={choosing?.choices ?? []}
          names={names}
          onChoose={choose}
          onRefused={setRefused}
        />
      )}
      {shownWay && (boarded || need.kind === 'go' || need.kind === 'roll') && (
        <ShownWay
          key={ask.promptId}
          fact={shownWay.fact}
          ownWay={shownWay.way ?? undefined}
          picture={ownPicture ? <OwnPicture picture={ownPicture} /> : undefined}
        />
      )}
      <div className="game-ask">
        {choosing && by?.kind === 'cards' ? (
          <CardsAsk
            key={tell(need.says) + tell(view.says)}
            need={choosing}
            by={by}
            names={names}
            scene={scene}
            picked={picked}
            onChoose={choose}
            onRefused={setRefused}
          />
        ) : choosing && by?.kind === 'places' && own ? (
          <PlaceAsk
            key={choosing.seat}
            need={choosing}
            by={by}
            cards={own.cards}
            frame={view.frame}
            onChoose={choose}
            onRefused={setRefused}
          />
        ) : (
          <>
            {choosing && by?.kind === 'text' && (
              <MendAsk
                need={choosing}
                mended={(scene.board?.squares ?? []).flatMap(({ text, found }) =>
                  found ? [written(text, names)] : [],
                )}
                onChoose={choose}
                onRefused={setRefused}
              />
            )}
            <AskPanel {...ask} placed={ends || seatRow} />
            {need.kind === 'over' && ending}
          </>
        )}
      </div>
      {shelf}
    </div>
  );
}

/** While the app is asked: that it thinks, then what it says. */
function appHeadline({ need, app, appSays, names }: GameView): string | null {
  if (need.kind !== 'say' || need.asked.seat !== app) return null;
  const name = names[app] ?? '';
  return appSays === null ? `${name} thinks.` : `${name} says ${appSays}.`;
}

/** How wide a board is against its height, in squares. */
function boardRatio({ board, field }: Scene): number {
  if (board) return board.across / Math.ceil(board.squares.length / board.across);
  return field ? field.cols / field.rows : 1;
}

/** A board, a field or cards in lines take a side of the table of their own; a strip of one line lies across it. */
const isBoarded = ({ board, field, rows }: Scene): boolean =>
  field !== null ||
  (board !== null && (board.across === 1 || board.squares.length > board.across)) ||
  // Where there are hands too, all of it lies in rows below one another.
  (rows.every(({ seat }) => seat === null) &&
    rows.some(({ across, cards }) => across !== undefined && cards.length > across));
