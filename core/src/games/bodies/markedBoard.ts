import type { SceneBoard } from '../scene.ts';
import type { Sentence } from '../tell/sentence.ts';

/** A board on which squares are marked for good: what stands on each, and whose mark lies there. */
export const markedBoard = (
  name: Sentence,
  across: number,
  texts: readonly string[],
  marks: readonly (number | null)[],
): SceneBoard => ({
  name,
  across,
  squares: texts.map((text, at) => {
    const seat = marks[at] ?? null;
    return { text, mark: seat === null ? null : { seat, held: true } };
  }),
});
