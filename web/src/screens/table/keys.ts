import { markLetters, type Mark } from '@veldrift/core';

/** The letters of what was seen, in the order of the margin. */
export const seenMarks = [
  'fingers',
  'countingOn',
  'fromTen',
  'fromDouble',
  'putRight',
  'guessed',
  'explained',
  'helped',
  'noCounting',
] as const;

export const seenLabels: Readonly<Record<(typeof seenMarks)[number], string>> = {
  fingers: 'fingers',
  countingOn: 'counting on',
  fromTen: 'from a ten',
  fromDouble: 'from a double',
  putRight: 'put right',
  guessed: 'guessed',
  explained: 'explained',
  helped: 'helped',
  noCounting: 'no counting',
};

/** What a key means at the live table. */
export type TableKey =
  | { readonly kind: 'judge'; readonly judgement: 'right' | 'workedOut' | 'wrong' | 'gaveUp' }
  | { readonly kind: 'mark'; readonly mark: Mark }
  | { readonly kind: 'digit'; readonly digit: string }
  | {
      readonly kind: 'enter' | 'space' | 'undo' | 'pause' | 'calm' | 'clock' | 'interrupted' | 'help' | 'aid';
    };

const arrows = {
  ArrowRight: 'right',
  ArrowDown: 'workedOut',
  ArrowLeft: 'wrong',
  ArrowUp: 'gaveUp',
} as const;
const letters: Readonly<Record<string, TableKey['kind']>> = {
  p: 'pause',
  c: 'calm',
  k: 'clock',
  i: 'interrupted',
  a: 'aid',
  '?': 'help',
};
const marksByLetter = new Map(seenMarks.map((mark) => [markLetters[mark].toLowerCase(), mark]));

/** Reads a key by its name (`KeyboardEvent.key`); undefined when it means nothing here. */
export function readKey(key: string): TableKey | undefined {
  if (Object.hasOwn(arrows, key)) return { kind: 'judge', judgement: arrows[key as keyof typeof arrows] };
  if (/^[0-9]$/.test(key)) return { kind: 'digit', digit: key };
  if (key === 'Enter') return { kind: 'enter' };
  if (key === ' ') return { kind: 'space' };
  if (key === 'Backspace') return { kind: 'undo' };
  const lower = key.toLowerCase();
  if (Object.hasOwn(letters, lower)) return { kind: letters[lower] } as TableKey;
  const mark = marksByLetter.get(lower);
  return mark && { kind: 'mark', mark };
}

/** The list behind `?`. */
export const keyList: readonly (readonly [string, string])[] = [
  ['→', 'right'],
  ['↓', 'right, but worked out'],
  ['←', 'not right; the digits said may follow'],
  ['↑', 'gave up'],
  ['0–9, Enter', 'the child’s keypad: type, done'],
  ['Space', 'begin, go on after a pause, open the review'],
  ['Backspace', 'undo the last answer (in an answer half typed: take a digit back)'],
  ['P', 'pause'],
  ['I', 'interrupted: the clock stops and this time is void'],
  ['C', 'calm: no more clock, known facts'],
  ['K', 'show the child the clock, or hide it'],
  ['A', 'an aid under the prompt, in drills and games; the answer is then recorded as aided'],
  ['B', 'in a game, after the turn: the best line there was'],
  ['Z, M, Q, L', 'in a race: the seats, first to last'],
  ...seenMarks.map((mark) => [markLetters[mark], `seen: ${seenLabels[mark]}`] as const),
];
