import { LiveKey } from '../../live/LiveKey.tsx';

/** The judge keys of a calibration. */
export function JudgingKeys({
  onJudge,
  onlyRight = false,
}: {
  readonly onJudge: (right: boolean, at: number) => void;
  readonly onlyRight?: boolean;
}) {
  return (
    <div className="corner">
      {!onlyRight && (
        <LiveKey className="judge" onPress={(at) => onJudge(false, at)}>
          Not right<kbd aria-hidden>←</kbd>
        </LiveKey>
      )}
      <LiveKey className="judge right" onPress={(at) => onJudge(true, at)}>
        {onlyRight ? 'Said' : 'Right'}
        <kbd aria-hidden>→</kbd>
      </LiveKey>
    </div>
  );
}
