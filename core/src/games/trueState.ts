import type { Operation } from '../facts/operation.ts';
import type { Recipe } from '../materials/pack.ts';
import type { GameState } from './game.ts';

/** The rules of True lines. */
export interface TrueRules {
  readonly recipe: Recipe;
  readonly operation: Operation & ('add' | 'sub' | 'mul');
  /** Hands lie open for all to see and talk about. */
  readonly open: boolean;
}

/** How True lines lies on the table. */
export interface TrueState extends GameState {
  readonly pile: readonly number[];
  readonly hands: readonly (readonly number[])[];
  /** Laid out, from the first on. */
  readonly board: readonly number[];
  readonly laid: readonly number[];
  /** Turns passed running, with no pile left to draw from. */
  readonly passed: number;
  readonly winner: number | null;
}
