import { markLetters } from '@veldrift/core';
import type { Settings } from './settings.ts';

/** What may be seen as a child answers, in the order of the margin. */
export type SeenMark = keyof typeof markLetters;
export const seenMarks = Object.keys(markLetters) as readonly SeenMark[];

const actions = ['pause', 'interrupted', 'calm', 'clock', 'aid', 'best'] as const;
/** Keys of the seats in a race, first to last. */
export const seatLetters = ['seat1', 'seat2', 'seat3', 'seat4'] as const;

/** What a single letter does at the live table. */
export type LetterName = (typeof actions)[number] | SeenMark | (typeof seatLetters)[number];
export const letterNames: readonly LetterName[] = [...actions, ...seenMarks, ...seatLetters];

/** The letters as they come: those of what was seen as they stand on record, and the seats at the ends of a keyboard. */
export const presetLetters: Readonly<Record<LetterName, string>> = {
  pause: 'P',
  interrupted: 'I',
  calm: 'C',
  clock: 'K',
  aid: 'A',
  best: 'B',
  ...markLetters,
  seat1: 'Z',
  seat2: 'M',
  seat3: 'Q',
  seat4: 'L',
};

/** Letter by name; null where single letters are switched off. */
export type Letters = Readonly<Record<LetterName, string | null>>;

export function lettersOf({ letters }: Pick<Settings, 'letters'>): Letters {
  return Object.fromEntries(
    letterNames.map((name) => [name, letters.on ? (letters.own[name] ?? presetLetters[name]) : null]),
  ) as Letters;
}

/** What is wrong with a letter for something, in a sentence for the tutor; null: it can be set. */
export function letterTrouble(letters: Letters, name: LetterName, letter: string): string | null {
  if (!/^\p{L}$/u.test(letter.toUpperCase())) return 'One letter.';
  const other = letterNames.find((one) => one !== name && letters[one] === letter.toUpperCase());
  return other === undefined ? null : `${letter.toUpperCase()} means something else already.`;
}
