import type { ReactNode } from 'react';
import { changeSettings, useSettings } from '../../app/settings.ts';
import type { ChildScreen } from '../../live/child/useChildScreen.ts';
import { LiveKey } from '../../live/LiveKey.tsx';
import { ChildScreenKey } from '../table/ChildScreenKey.tsx';
import { TroubleLine } from '../table/TroubleLine.tsx';

interface StripProps {
  readonly title: string;
  readonly names: readonly string[];
  readonly says: string;
  readonly playing: boolean;
  readonly mayUndo: boolean;
  readonly onUndo: () => void;
  readonly onInterrupted: () => void;
  readonly best: boolean;
  readonly onBest: () => void;
  /** Whether the shelf for aids is open. */
  readonly shelf: boolean;
  /** Null: nothing is asked that an aid could show. */
  readonly onShelf: (() => void) | null;
  readonly screen: ChildScreen;
  readonly onScreens: (open: boolean) => void;
  /** A clock for the turn, in games that have one: begun by the tutor. */
  readonly clock: { readonly shown: boolean; readonly says: string; readonly toggle: () => void } | null;
  /** Where a child gives the signal. */
  readonly signal: { readonly mayGive: boolean; readonly give: () => void } | null;
  /** The judge keys, while something is said. */
  readonly children: ReactNode;
}

/** Below the horizon: where the game stands, what can be done with the turn, and the corner hand. */
export function GameStrip(props: StripProps) {
  const { arrangement } = useSettings();
  return (
    <section className="strip" aria-label="Judging">
      <div className="strip-say">
        <p>
          <TroubleLine>
            <strong>{props.title}</strong> · {props.names.join(', ')}
          </TroubleLine>
          <br />
          <span className="strip-says" aria-live="polite">
            {props.says}
          </span>
        </p>
        <div className="strip-keys">
          <LiveKey className="live-key" disabled={!props.mayUndo} onPress={props.onUndo}>
            Undo <kbd aria-hidden>⌫</kbd>
          </LiveKey>
          <LiveKey className="live-key" disabled={!props.playing} onPress={props.onInterrupted}>
            Interrupted <kbd aria-hidden>I</kbd>
          </LiveKey>
          <LiveKey className="live-key" pressed={props.best} onPress={props.onBest}>
            Best line <kbd aria-hidden>B</kbd>
          </LiveKey>
          <LiveKey
            className="live-key"
            pressed={props.shelf}
            disabled={props.onShelf === null}
            onPress={() => props.onShelf?.()}
          >
            Aid <kbd aria-hidden>A</kbd>
          </LiveKey>
          <ChildScreenKey
            screen={props.screen}
            flat={arrangement === 'flat'}
            onFlat={(value) => changeSettings({ arrangement: value ? 'flat' : 'side' })}
            onOpen={props.onScreens}
          />
          {props.clock && (
            <LiveKey className="live-key" pressed={props.clock.shown} onPress={props.clock.toggle}>
              {props.clock.says} <kbd aria-hidden>K</kbd>
            </LiveKey>
          )}
          {props.signal && (
            <LiveKey className="live-key" disabled={!props.signal.mayGive} onPress={props.signal.give}>
              Signal
            </LiveKey>
          )}
        </div>
      </div>
      <div className="corner">{props.children}</div>
    </section>
  );
}
