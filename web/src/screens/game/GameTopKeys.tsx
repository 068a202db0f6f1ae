import { LiveKey } from '../../live/LiveKey.tsx';

/** Pause, calm, keys, end: at the top of the tutor's margin. */
export function GameTopKeys({
  playing,
  calm,
  ready,
  onPause,
  onCalm,
  onHelp,
  onEnd,
}: {
  readonly playing: boolean;
  readonly calm: boolean;
  readonly ready: boolean;
  readonly onPause: () => void;
  readonly onCalm: () => void;
  readonly onHelp: () => void;
  readonly onEnd: () => void;
}) {
  return (
    <>
      <LiveKey className="live-key" disabled={!playing} onPress={onPause}>
        Pause <kbd aria-hidden>P</kbd>
      </LiveKey>
      <LiveKey className="live-key" pressed={calm} disabled={!playing || calm} onPress={onCalm}>
        Calm <kbd aria-hidden>C</kbd>
      </LiveKey>
      <LiveKey className="live-key" onPress={onHelp} label="Keys">
        Keys <kbd aria-hidden>?</kbd>
      </LiveKey>
      <LiveKey className="live-key stop" onPress={onEnd}>
        {ready ? 'Leave' : 'End'}
      </LiveKey>
    </>
  );
}
