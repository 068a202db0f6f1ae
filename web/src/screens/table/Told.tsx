import { isRight, wholeFactText, type Answer } from '@veldrift/core';
import type { ReactNode } from 'react';
import { LiveKey } from '../../live/LiveKey.tsx';
import { OwnPicture, type ShownPicture } from '../../parts/pictures/OwnPicture.tsx';
import { ShownWay } from '../../parts/pictures/ShownWay.tsx';

/** The clock stands: the whole fact, and after a miss a way to it with its picture, until the next is turned. */
export function Told({
  answer,
  pack,
  toll,
  slides,
  ownWay,
  own,
  aid,
  onTurn,
}: {
  readonly answer: Answer;
  readonly pack: boolean;
  /** A move of the game on the table comes before the next fact. */
  readonly toll: boolean;
  readonly slides: number | undefined;
  /** The way that is the child's own, where one was chosen. */
  readonly ownWay: string | undefined;
  /** The picture the child made of the fact; null: none. */
  readonly own: ShownPicture | null;
  /** An aid that was called now; null: none. */
  readonly aid: ReactNode;
  readonly onTurn: (at: number) => void;
}) {
  const next = (
    <LiveKey className="live-key told-turn" onPress={onTurn}>
      {pack ? 'Next card' : toll ? 'Next toll' : 'Next'}
    </LiveKey>
  );
  if (isRight(answer.judgement) && aid === null)
    return (
      <div className="told">
        <p className="told-fact numeral">{wholeFactText(answer.fact)}</p>
        {toll && <p className="told-move">Your move.</p>}
        {next}
      </div>
    );
  return (
    <ShownWay
      key={answer.id}
      fact={answer.fact}
      ownWay={ownWay}
      picture={aid ?? (own && <OwnPicture picture={own} />)}
      note={
        toll ? (
          <p className="told-say">Say it once more, then your move.</p>
        ) : (
          pack &&
          slides !== undefined && (
            <p className="told-say quiet">
              Slide it back under {slides === 1 ? 'one card' : `${slides} cards`}.
            </p>
          )
        )
      }
    >
      {next}
    </ShownWay>
  );
}
