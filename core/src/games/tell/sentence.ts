import { english, type Who } from './english.ts';

type English = typeof english;
export type SentenceId = keyof English;
type ValuesOf<K extends SentenceId> = Parameters<English[K]>[0];

/** A sentence of the table as data: which one, and what stands in it. Plain data; it is put into words where it is shown. */
export type Sentence = {
  [K in SentenceId]: { readonly id: K; readonly values: ValuesOf<K> };
}[SentenceId];

/** One or more sentences. */
export type Words = Sentence | readonly Sentence[];

/** A sentence with what stands in it. */
export function say<K extends SentenceId>(
  id: K,
  ...[values]: ValuesOf<K> extends Readonly<Record<string, never>> ? [] : [ValuesOf<K>]
): Sentence {
  return { id, values: values ?? {} } as Sentence;
}

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
