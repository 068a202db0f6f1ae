import { fitPacks, type FittedPack, type PackWish } from '@veldrift/core';

/** Packs for a wish, the best first; or why it cannot be read. */
export type FitTold =
  | { readonly kind: 'found'; readonly packs: readonly FittedPack[] }
  | { readonly kind: 'trouble'; readonly says: string };

/** Puts packs together off the page's thread. Ending the worker cancels it. */
self.onmessage = ({ data }: MessageEvent<PackWish>) => {
  const tell = (message: FitTold) => self.postMessage(message);
  try {
    tell({ kind: 'found', packs: fitPacks(data) });
  } catch (error) {
    tell({ kind: 'trouble', says: error instanceof Error ? error.message : 'It cannot be read.' });
  }
};
