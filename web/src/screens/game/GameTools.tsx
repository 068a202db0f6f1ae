import { LetterKey } from '../../parts/LetterKey.tsx';
import { LiveKey } from '../../live/LiveKey.tsx';

/** What can be done with the turn, at any turn. */
export function GameTools(props: {
  readonly mayUndo: boolean;
  readonly onUndo: () => void;
  readonly best: boolean;
  readonly onBest: () => void;
  /** Whether the shelf for aids is open. */
  readonly shelf: boolean;
  /** Null: nothing is asked that an aid could show. */
  readonly onShelf: (() => void) | null;
}) {
  return (
    <>
      <LiveKey className="live-key" disabled={!props.mayUndo} onPress={props.onUndo}>
        Undo <kbd aria-hidden>⌫</kbd>
      </LiveKey>
      <LiveKey
        className="live-key"
        pressed={props.shelf}
        disabled={props.onShelf === null}
        onPress={() => props.onShelf?.()}
      >
        Aid <LetterKey of="aid" />
      </LiveKey>
      <LiveKey className="live-key" pressed={props.best} onPress={props.onBest}>
        Best line <LetterKey of="best" />
      </LiveKey>
    </>
  );
}

/** What some games have, wanted now and then. */
export function MoreGameTools(props: {
  /** A clock for the turn, in games that have one: begun by the tutor. */
  readonly clock: { readonly shown: boolean; readonly says: string; readonly toggle: () => void } | null;
  /** Where a child gives the signal. */
  readonly signal: { readonly mayGive: boolean; readonly give: () => void } | null;
  /** Whether it rolls and deals by itself; null: real cards and dice lie on the table. */
  readonly goesOn: boolean | null;
  readonly onGoesOn: () => void;
}) {
  return (
    <>
      {props.goesOn !== null && (
        <LiveKey className="live-key" pressed={props.goesOn} onPress={props.onGoesOn}>
          Deals by itself
        </LiveKey>
      )}
      {props.clock && (
        <LiveKey className="live-key" pressed={props.clock.shown} onPress={props.clock.toggle}>
          {props.clock.says} <LetterKey of="clock" />
        </LiveKey>
      )}
      {props.signal && (
        <LiveKey className="live-key" disabled={!props.signal.mayGive} onPress={props.signal.give}>
          Signal
        </LiveKey>
      )}
    </>
  );
}
