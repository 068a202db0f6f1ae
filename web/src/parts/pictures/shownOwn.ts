import type { Aid, FactPicture } from '@veldrift/core';
import type { ShownPicture } from './OwnPicture.tsx';

/**
 * A picture as it is sent to a screen of the child's own, without whose it is, and of what: where it lies as an aid, or its fact was
 * missed. While a fact is only asked it stays at the table.
 */
export const shownOwn = (own: FactPicture | null, aid: Aid | null, missed: boolean): ShownPicture | null =>
  own && (aid === 'ownPicture' || missed) ? { sentence: own.sentence, lines: own.lines } : null;
