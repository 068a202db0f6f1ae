import { LiveKey } from '../../live/LiveKey.tsx';

/** The field while nothing is asked: before, in a pause, and when it is over. Totals, never a ranking. */
export function GameNotice({
  status,
  title,
  names,
  says,
  scores,
  trouble,
  onGo,
}: {
  readonly status: 'ready' | 'playing' | 'paused' | 'over';
  readonly title: string;
  readonly names: readonly string[];
  readonly says: string;
  readonly scores: readonly number[];
  readonly trouble: string | null;
  readonly onGo: () => void;
}) {
  return (
    <div className="field-quiet">
      {status === 'ready' && <p>{title}</p>}
      {status === 'paused' && <p>A little pause.</p>}
      {status === 'over' && (
        <>
          <p>{says}</p>
          <div className="game-totals">
            {scores.map((score, seat) => (
              <p key={seat} className="game-total">
                <span>{scores.length === 1 ? 'Together' : names[seat]}</span>
                <strong className="numeral">{score}</strong>
              </p>
            ))}
          </div>
        </>
      )}
      {trouble && status !== 'over' && (
        <p className="game-trouble" role="alert">
          {trouble}
        </p>
      )}
      <LiveKey className="live-key told-turn" onPress={onGo}>
        {status === 'ready' ? 'Begin' : status === 'paused' ? 'Go on' : 'To the review'}{' '}
        <kbd aria-hidden>Space</kbd>
      </LiveKey>
    </div>
  );
}
