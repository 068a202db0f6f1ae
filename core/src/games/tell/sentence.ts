import { english, type Who } from './english.ts';

type English = typeof english;
export type SentenceId = keyof English;
type ValuesOf<K extends SentenceId> = Parameters<English[K]>[0];

/**
 * A sentence of the table as data: which one, and what stands in it; put into words where it is shown. Made by `say` alone, which
 * holds what stands in it to its sentence: as a union of hundreds the compiler could not follow it through the states of games.
 */
export interface Sentence {
  readonly id: SentenceId;
  readonly values: object;
}

/** One or more sentences. */
export type Words = Sentence | readonly Sentence[];

/** A sentence with what stands in it. */
export function say<K extends SentenceId>(
  id: K,
  ...[values]: ValuesOf<K> extends Readonly<Record<string, never>> ? [] : [ValuesOf<K>]
): Sentence {
  return { id, values: values ?? {} };
}

/** What stands in a sentence, where it is this one. */
export const valuesOf = <K extends SentenceId>(
  { id, values }: { readonly id: string; readonly values: unknown },
  wanted: K,
): ValuesOf<K> | undefined => (id === wanted ? (values as ValuesOf<K>) : undefined);

/** "Seat 1", where nobody's name is known. */
export const seatName: Who = (seat) => `Seat ${seat + 1}`;

type Teller = (told: { readonly id: string; readonly values: unknown }) => string;

/** Puts sentences into words, with the names of those who sit there. */
export function tell(words: Words, names: readonly string[] = []): string {
  const who: Who = (seat) => names[seat] ?? seatName(seat);
  const one: Teller = ({ id, values }) =>
    (english[id as SentenceId] as (values: unknown, who: Who, tell: Teller) => string)(values, who, one);
  // A name may end with a full stop of its own: it ends the sentence too.
  return ('id' in words ? [words] : words)
    .map(one)
    .join(' ')
    .replace(/\.\.(?=\s|$)/g, '.');
}

/** Sentences one after another. */
export const sentences = (...parts: readonly (Sentence | readonly Sentence[])[]): readonly Sentence[] =>
  parts.flat();

/** As it is written, or a sentence: "7 × 8", "which is larger". */
export type Text = string | Sentence;

/** What is written as it stands, or told. */
export const written = (text: Text | Words, names: readonly string[] = []): string =>
  typeof text === 'string' ? text : tell(text, names);
