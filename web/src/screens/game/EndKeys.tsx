import { LiveKey } from '../../live/LiveKey.tsx';

/** What may follow a game that is over. */
export function EndKeys(props: {
  readonly onAgain: () => void;
  /** The name of the next step; null: this was the last, or house rules have none. */
  readonly nextStep: string | null;
  readonly onNextStep: () => void;
  readonly onReview: () => void;
  /** A play is being set up: it is pressed once. */
  readonly busy: boolean;
  readonly trouble: string;
}) {
  return (
    <>
      <div className="game-end-keys">
        <LiveKey className="live-key told-turn" onPress={props.onReview}>
          To the review <kbd aria-hidden>Space</kbd>
        </LiveKey>
        <LiveKey className="live-key told-turn" disabled={props.busy} onPress={props.onAgain}>
          Again
        </LiveKey>
        {props.nextStep !== null && (
          <LiveKey className="live-key told-turn" disabled={props.busy} onPress={props.onNextStep}>
            Next step: {props.nextStep}
          </LiveKey>
        )}
      </div>
      {props.trouble && (
        <p role="alert" className="clay">
          {props.trouble}
        </p>
      )}
    </>
  );
}
