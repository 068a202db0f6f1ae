import { isRight, parseFactKey, sayNowLine, wholeFactText, type Answer } from '@veldrift/core';
import { keepTogether } from '../../app/format.ts';
import { LiveKey } from '../../live/LiveKey.tsx';

/** The clock stands: the whole fact, and after a miss its say-now line, until the next is turned. */
export function Told({
  answer,
  pack,
  slides,
  ownWay,
  onTurn,
}: {
  readonly answer: Answer;
  readonly pack: boolean;
  readonly slides: number | undefined;
  /** The way that is the child's own, where one was chosen. */
  readonly ownWay: string | undefined;
  readonly onTurn: (at: number) => void;
}) {
  const missed = !isRight(answer.judgement);
  return (
    <div className={`told ${missed ? 'missed' : ''}`}>
      <p className="told-fact numeral">{wholeFactText(answer.fact)}</p>
      {missed && <p className="told-say">{keepTogether(sayNowLine(parseFactKey(answer.fact), ownWay))}</p>}
      {missed && pack && slides !== undefined && (
        <p className="told-say quiet">Slide it back under {slides === 1 ? 'one card' : `${slides} cards`}.</p>
      )}
      <LiveKey className="live-key told-turn" onPress={onTurn}>
        {pack ? 'Next card' : 'Next'}
      </LiveKey>
    </div>
  );
}
