import { findGame } from '@veldrift/core/games';

export interface ComesOutAsked {
  readonly game: string;
  readonly rules: unknown;
  readonly deals: number;
  readonly seed: number;
}

/** How many deals came out; null: by these rules it cannot be played. */
export interface ComesOutTold {
  readonly won: number | null;
}

/** Plays many deals of a game that may come out, off the page's thread. */
self.onmessage = ({ data: { game, rules, deals, seed } }: MessageEvent<ComesOutAsked>) => {
  const tell = (won: number | null) => self.postMessage({ won } satisfies ComesOutTold);
  try {
    tell(findGame(game)?.comesOut?.(rules, deals, seed) ?? null);
  } catch {
    tell(null);
  }
};
