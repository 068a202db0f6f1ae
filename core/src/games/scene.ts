import type { Glance } from '../materials/glance.ts';
import type { DieSides } from '../materials/dice.ts';
import type { CardColour, Rank } from '../materials/pack.ts';
import type { Part } from '../numbers/part.ts';
import type { Plot } from './arrayPlaces.ts';
import type { Text, Words } from './tell/sentence.ts';

/** A card as it lies: face down while `rank` is null. */
export interface SceneCard {
  readonly id: number;
  readonly rank: Rank | null;
  readonly colour: CardColour;
  readonly worth: number | null;
  /** What stands on a card that is no number. */
  readonly says?: string;
}
export interface SceneRow {
  readonly name: Words;
  readonly seat: number | null;
  readonly cards: readonly SceneCard[];
  /** They are dice of so many sides, each as it fell. */
  readonly dice?: DieSides;
  /** Cards in a row, where they lie in rows; all in one when left out. */
  readonly across?: number;
}
export interface SceneSquare {
  /** A number or a line as it is written; or a sentence. */
  readonly text: Text;
  /** Whose mark lies there: a counter, or one that holds it for good. */
  readonly mark: { readonly seat: number | null; readonly held: boolean } | null;
  /** Found by the children, and set beside what was asked. */
  readonly found?: true;
}
export interface SceneBoard {
  readonly name: Words;
  readonly across: number;
  readonly squares: readonly SceneSquare[];
}
export interface SceneField {
  readonly rows: number;
  readonly cols: number;
  readonly lies: readonly (Plot & { readonly seat: number | null; readonly says: Words })[];
}

export interface SceneTotal {
  readonly name: Words;
  readonly value: number;
  /** Kept by the child, on paper or in the head: shown only when it is asked for. */
  readonly veiled?: boolean;
  /** So many cards were won: they lie in a pile. */
  readonly pile?: boolean;
}

/** What lies on the table, for a screen to draw. */
export interface Scene {
  /** Pips that were shown for a moment, to be counted now. */
  readonly glance?: Glance;
  /** Parts of wholes to be compared by eye, one below the other. */
  readonly parts?: readonly (Part & { readonly seat: number | null })[];
  readonly rows: readonly SceneRow[];
  readonly dice: readonly number[];
  readonly board: SceneBoard | null;
  readonly field: SceneField | null;
  /** Running totals: of everyone, or one for each seat. */
  readonly totals: readonly SceneTotal[];
  /** Where the totals are to go; null: nowhere. */
  readonly target: number | null;
}

export const emptyScene: Scene = { rows: [], dice: [], board: null, field: null, totals: [], target: null };
