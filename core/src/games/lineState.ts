import type { UnderLine } from '../numbers/underLine.ts';
import type { Asking, GameState } from './game.ts';

/** The rules of Under the line. */
export interface LineRules {
  /** The sum that is not to be gone over, or the difference to come near. */
  readonly line: number;
  readonly kind: 'under' | 'difference';
  /** How it is laid and worked: a place frame with columns, or in the head. */
  readonly frame: boolean;
}

/** How Under the line lies on the table. */
export interface LineState extends GameState {
  readonly pile: readonly number[];
  readonly gone: readonly number[];
  readonly hands: readonly (readonly number[])[];
  /** What each seat laid; 'none': it says that nothing fits. */
  readonly laid: readonly (UnderLine | 'none' | null)[];
  readonly asking: Asking | null;
  readonly round: number;
  readonly points: readonly number[];
}
