import type { FactPicture } from '@veldrift/core';
import type { ShownPicture } from './OwnPicture.tsx';

/** A picture as it is sent to a screen of the child's own: without whose it is, and of what. */
export const shownOwn = (own: FactPicture | null): ShownPicture | null =>
  own && { sentence: own.sentence, lines: own.lines };
