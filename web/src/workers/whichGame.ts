import { whichGames, type GameWish, type Suggestion } from '@veldrift/core/planning';

export interface WhichAsked {
  readonly key: string;
  readonly wish: GameWish;
}
export interface WhichTold {
  readonly key: string;
  readonly games: readonly Suggestion[];
}

/** The most games that are told of one wish. */
const most = 12;

/** Which games today, off the page's thread; one wish after another. */
self.onmessage = ({ data: { key, wish } }: MessageEvent<WhichAsked>) => {
  let games: readonly Suggestion[] = [];
  try {
    games = whichGames(wish).slice(0, most);
  } finally {
    self.postMessage({ key, games } satisfies WhichTold);
  }
};
