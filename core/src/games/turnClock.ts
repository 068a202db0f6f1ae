import type { Words } from './tell/sentence.ts';

/** A clock that the tutor may begin where a game has one: never begun by itself, and nothing is lost when it is over. */
export interface TurnClock {
  /** What it is begun for: another text, and it has not begun. */
  readonly turn: string;
  /** One after the other; ms. */
  readonly parts: readonly { readonly says: Words; readonly ms: number }[];
  /** On its key before it is begun, and when it is over. */
  readonly begins: Words;
  readonly over: Words;
}

/** Where a clock stands so long after it was begun, ms: its part and what is left of that; the last part when it is over. */
export function clockAt(
  { parts, over }: Pick<TurnClock, 'parts' | 'over'>,
  passedMs: number,
): { readonly says: Words; readonly leftMs: number } {
  let left = passedMs;
  for (const { says, ms } of parts) {
    if (left < ms) return { says, leftMs: ms - left };
    left -= ms;
  }
  return { says: over, leftMs: 0 };
}
