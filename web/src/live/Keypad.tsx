import { LiveKey } from './LiveKey.tsx';
import './keypad.css';

interface Props {
  readonly onDigit: (digit: string, at: number) => void;
  readonly onDelete: () => void;
  readonly onEnter: (at: number) => void;
  /** A key for the sign of a negative number. */
  readonly minus?: boolean;
  /** A key for what is left over in a division. */
  readonly remainder?: boolean;
}

/** The child's keypad: digits, take one back, done. */
export function Keypad({ onDigit, onDelete, onEnter, minus = false, remainder = false }: Props) {
  return (
    <div className={`keypad ${minus || remainder ? 'more-keys' : ''}`} role="group" aria-label="Keypad">
      {['1', '2', '3', '4', '5', '6', '7', '8', '9'].map((digit) => (
        <LiveKey key={digit} className="keypad-key numeral" onPress={(at) => onDigit(digit, at)}>
          {digit}
        </LiveKey>
      ))}
      <LiveKey className="keypad-key" label="Take the last digit back" onPress={onDelete}>
        <svg
          width="34"
          height="26"
          viewBox="0 0 34 26"
          aria-hidden
          fill="none"
          stroke="currentColor"
          strokeWidth="2.4"
        >
          <path d="M32 3H12L3 13l9 10h20zM16 9l8 8M24 9l-8 8" />
        </svg>
      </LiveKey>
      <LiveKey className="keypad-key numeral" onPress={(at) => onDigit('0', at)}>
        0
      </LiveKey>
      {minus && (
        <LiveKey className="keypad-key numeral" label="Minus" onPress={(at) => onDigit('\u2212', at)}>
          {'\u2212'}
        </LiveKey>
      )}
      {remainder && (
        <LiveKey className="keypad-key numeral" label="remainder" onPress={(at) => onDigit('r', at)}>
          r
        </LiveKey>
      )}
      <LiveKey className="keypad-key keypad-enter" label="Done" onPress={onEnter}>
        <svg
          width="34"
          height="28"
          viewBox="0 0 34 28"
          aria-hidden
          fill="none"
          stroke="currentColor"
          strokeWidth="3"
        >
          <path d="M4 15l9 9L30 4" />
        </svg>
      </LiveKey>
    </div>
  );
}
