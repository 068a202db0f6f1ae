import type { FactKey } from '../facts/fact.ts';
import type { Operation } from '../facts/operation.ts';

/** What happens at the table, the same in every game; plain data. */
export type Move =
  | { readonly kind: 'go' }
  /** A roll; `shown` is what real dice show, left out on the screen. */
  | { readonly kind: 'roll'; readonly shown?: readonly number[] }
  | {
      readonly kind: 'said';
      readonly seat: number;
      readonly right: boolean;
      /** The seat that helped: it has the credit, and the turn counts as worked out. */
      readonly helpedBy?: number;
      /** A grown-up erred on purpose before it was said right: whether a child saw it. */
      readonly erred?: 'caught' | 'missed';
    }
  /** Who was first; null: nobody, or no agreement. */
  | { readonly kind: 'claim'; readonly seat: number | null }
  | { readonly kind: 'choose'; readonly seat: number; readonly key: string }
  | { readonly kind: 'line'; readonly seat: number; readonly text: string }
  | { readonly kind: 'pass'; readonly seat: number }
  /** The signal of Turnabout: from now on another operation. */
  | { readonly kind: 'signal'; readonly operation: Operation }
  /** The table turns calm: from now on chance favours the facts each seat knows; null: a grown-up's seat. */
  | { readonly kind: 'calm'; readonly known: readonly (readonly FactKey[] | null)[] }
  /** A seat leaves, and the others go on. */
  | { readonly kind: 'leave'; readonly seat: number }
  /** The tutor ends it, or its time is up. */
  | { readonly kind: 'stop' };
