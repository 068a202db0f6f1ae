import { tell, type Choice } from '@veldrift/core/games';

/** What a line says, whatever its spaces, words and way of writing signs. */
const bones = (text: string): readonly string[] =>
  text
    // Only between numbers: "Mended: 7" divides nothing, and a box is no cross.
    .replace(/(\d\s*)[x*](?=\s*\d)/g, '$1×')
    .replace(/(\d\s*)[-–](?=\s*\d)/g, '$1−')
    .replace(/(\d\s*)[/:](?=\s*\d)/g, '$1÷')
    .match(/\d+|[+−×÷]/g) ?? [];
const same = (a: readonly string[], b: readonly string[]) => a.join(' ') === b.join(' ');

/** What a typed mend comes to: the choice it is, or why it is none yet. */
export type ReadMend = { readonly choose: string } | { readonly refused: string };

/** Reads a mend as typed, among the choices of its turn and beside those found already. */
export function readMend(text: string, choices: readonly Choice[], found: readonly string[]): ReadMend {
  const own = bones(text);
  const mends = choices.filter((one) => one.judged).map((one) => ({ ...one, bones: bones(tell(one.says)) }));
  const hit = mends.find((one) => same(one.bones, own));
  if (hit) return { choose: hit.key };
  if (found.some((one) => same(bones(one), own))) return { refused: 'That mend is found already.' };
  // Half a line is a slip of the fingers, and no claim; a whole one that mends nothing goes on record.
  const none = choices.find((one) => one.claim);
  return none &&
    [...mends.map((one) => one.bones), ...found.map(bones)].some((one) => one.length === own.length)
    ? { choose: none.key }
    : { refused: 'Type the whole line as it should be.' };
}
