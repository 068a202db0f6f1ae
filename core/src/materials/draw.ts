import type { Operation } from '../facts/operation.ts';
import type { DieSides } from './dice.ts';
import type { Deck } from './pack.ts';

/** How facts come up, where it is simple enough to be told exactly. */
export type Draw =
  /** Pair after pair off a shuffled pack, shuffled anew when it is out. */
  | { readonly kind: 'pairs'; readonly operation: Operation; readonly deck: Deck }
  /** Each card with a number that stays. */
  | { readonly kind: 'fixed'; readonly operation: Operation; readonly deck: Deck; readonly number: number }
  /** Two dice, rolled anew each time. */
  | { readonly kind: 'dice'; readonly operation: Operation; readonly dice: readonly [DieSides, DieSides] };
