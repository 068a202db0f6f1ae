import type { LetterName } from '../app/letterKeys.ts';
import { useLetters } from '../app/letters.ts';

/** The letter that does the same as the key it stands on; nothing where letters are switched off. */
export function LetterKey({ of }: { readonly of: LetterName }) {
  const letter = useLetters()[of];
  return letter === null ? null : <kbd aria-hidden>{letter}</kbd>;
}
