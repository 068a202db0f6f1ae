import { LiveKey } from '../../live/LiveKey.tsx';

/** The field while nothing lies there to be seen: before, in a pause, and when all is put away. */
export function GameNotice({
  status,
  title,
  trouble,
  onGo,
}: {
  readonly status: 'ready' | 'playing' | 'paused' | 'over';
  readonly title: string;
  readonly trouble: string | null;
  readonly onGo: () => void;
}) {
  return (
    <div className="field-quiet">
      {status === 'ready' && <p>{title}</p>}
      {status === 'paused' && <p>A little pause.</p>}
      {trouble && (
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
