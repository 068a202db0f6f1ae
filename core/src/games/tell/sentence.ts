import { english, type Who } from './english.ts';

type English = typeof english;
export type SentenceId = keyof English;
type ValuesOf<K extends SentenceId> = Parameters<English[K]>[0];

/** A sentence of the table as data: which one, and what stands in it. Plain data; it is put into words where it is shown. */
export type Sentence = {
  [K in SentenceId]: { readonly id: K; readonly values: ValuesOf<K> };
}[SentenceId];

/** One or more sentences, or (of games not yet told as data) words as they stand. */
export type Words = string | Sentence | readonly Sentence[];

/** A sentence with what stands in it. */
export function say<K extends SentenceId>(
  id: K,
  ...[values]: ValuesOf<K> extends Readonly<Record<string, never>> ? [] : [ValuesOf<K>]
): Sentence {
  return { id, values: values ?? {} } as Sentence;
}

/** "Seat 1", where nobody's name is known. */
export const seatName: Who = (seat) => `Seat ${seat + 1}`;

/** Puts sentences into words, with the names of those who sit there. */
export function tell(words: Words, names: readonly string[] = []): string {
  const who: Who = (seat) => names[seat] ?? seatName(seat);
  if (typeof words === 'string')
    return words.replace(/\b[Ss]eat (\d)\b/g, (whole, digit: string) => names[Number(digit) - 1] ?? whole);
  const list = Array.isArray(words) ? (words as readonly Sentence[]) : [words as Sentence];
  return list
    .map((one) => (english[one.id] as (values: unknown, who: Who) => string)(one.values, who))
    .join(' ');
}

/** Sentences one after another. */
export const sentences = (...parts: readonly (Sentence | readonly Sentence[])[]): readonly Sentence[] =>
  parts.flat();
