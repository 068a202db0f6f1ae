import { factsShownSteps, findGame, type FactsShown } from '@veldrift/core/games';

export interface ShownAsked {
  readonly game: string;
  readonly rules: unknown;
  readonly seats: number;
  readonly plays: number;
  readonly seed: number;
}

export type ShownTold =
  | { readonly kind: 'shown'; readonly found: FactsShown; readonly done: boolean }
  | { readonly kind: 'trouble'; readonly says: string };

const told = (message: ShownTold) => self.postMessage(message);

/** Counts the facts a game shows, play by play, off the page's thread. Ending the worker cancels it. */
self.onmessage = ({ data }: MessageEvent<ShownAsked>) => {
  const game = findGame(data.game);
  if (!game) return told({ kind: 'trouble', says: 'There is no such game on this shelf.' });
  const steps = factsShownSteps(game, data.rules, data);
  const on = () => {
    try {
      const { value, done } = steps.next();
      told({ kind: 'shown', found: value, done: done ?? false });
      if (!done) setTimeout(on);
    } catch (error) {
      told({
        kind: 'trouble',
        says: `It cannot be played by these rules: ${error instanceof Error ? error.message : 'they cannot be read.'}`,
      });
    }
  };
  on();
};
