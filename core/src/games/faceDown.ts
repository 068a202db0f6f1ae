import type { SceneCard } from './scene.ts';

/** A card that lies face down: nothing of its face is told, neither its colour nor that it is wild. */
export const faceDown = ({ id }: { readonly id: number }): SceneCard => ({
  id,
  rank: null,
  colour: 'black',
  worth: null,
});
