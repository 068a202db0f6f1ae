import { factKeyText } from '@veldrift/core';
import type { GameEnd } from '@veldrift/core/games';
import type { ReactNode } from 'react';
import { SeatMark } from '../../parts/table/SeatMark.tsx';

/** What a game came to, under what lies there: what is good to know for all of them, and what may follow. */
export function GameEndSays({
  end,
  names,
  keys,
}: {
  readonly end: GameEnd;
  readonly names: readonly string[];
  /** What the tutor may do next; on a child's screen nothing. */
  readonly keys?: ReactNode;
}) {
  const { scores, most, isSaid, atOnce, longest } = end;
  const [first] = most;
  const score = scores[first ?? 0];
  return (
    <div className="game-end">
      <ul>
        {!isSaid && (
          <li className="game-end-score">
            {most.map((seat) => (
              <SeatMark key={seat} seat={seat} size={26} />
            ))}
            {first === undefined ? (
              <>
                {scores.length > 1 ? 'Level' : names.length > 1 ? 'Together' : names[0]}:{' '}
                <strong className="numeral">{score}</strong>
              </>
            ) : (
              <>
                {most.map((seat) => names[seat]).join(' and ')} {most.length > 1 ? 'have' : 'has'} most:{' '}
                <strong className="numeral">{score}</strong>
              </>
            )}
          </li>
        )}
        {longest && (
          <li>
            <SeatMark seat={longest.seat} size={18} /> The longest line:{' '}
            <span className="numeral">{longest.shown}</span>
          </li>
        )}
        {atOnce.map(({ seat, fact, quicker }) => (
          <li key={`${seat} ${fact}`}>
            <SeatMark seat={seat} size={18} /> <span className="numeral">{factKeyText(fact)}</span> came at
            once
            {quicker ? ', quicker than last time' : ''}
          </li>
        ))}
      </ul>
      {keys}
    </div>
  );
}
