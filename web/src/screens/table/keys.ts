import type { Mark } from '@veldrift/core';
import {
  letterNames,
  seatLetters,
  seenMarks,
  type LetterName,
  type Letters,
  type SeenMark,
} from '../../app/letterKeys.ts';

export const seenLabels: Readonly<Record<SeenMark, string>> = {
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
  /** In a race: the seat that claims. */
  | { readonly kind: 'seat'; readonly seat: number }
  | {
      readonly kind:
        'enter' | 'space' | 'undo' | 'pause' | 'calm' | 'clock' | 'interrupted' | 'help' | 'aid' | 'best';
    };

const arrows = {
  ArrowRight: 'right',
  ArrowDown: 'workedOut',
  ArrowLeft: 'wrong',
  ArrowUp: 'gaveUp',
} as const;

const isMark = (name: LetterName): name is SeenMark => Object.hasOwn(seenLabels, name);

function meaning(name: LetterName): TableKey {
  if (isMark(name)) return { kind: 'mark', mark: name };
  switch (name) {
    case 'seat1':
    case 'seat2':
    case 'seat3':
    case 'seat4':
      return { kind: 'seat', seat: seatLetters.indexOf(name) };
    case 'pause':
    case 'interrupted':
    case 'calm':
    case 'clock':
    case 'aid':
    case 'best':
      return { kind: name };
  }
}

/** Reads a key by its name (`KeyboardEvent.key`); undefined when it means nothing here. */
export function readKey(key: string, letters: Letters): TableKey | undefined {
  if (Object.hasOwn(arrows, key)) return { kind: 'judge', judgement: arrows[key as keyof typeof arrows] };
  if (/^[0-9]$/.test(key)) return { kind: 'digit', digit: key };
  if (key === 'Enter') return { kind: 'enter' };
  if (key === ' ') return { kind: 'space' };
  if (key === 'Backspace') return { kind: 'undo' };
  if (key === '?') return { kind: 'help' };
  const name = letterNames.find((one) => letters[one] === key.toUpperCase());
  return name && meaning(name);
}

const seenWords = Object.fromEntries(
  seenMarks.map((mark) => [mark, `seen: ${seenLabels[mark]}`]),
) as Readonly<Record<SeenMark, string>>;

/** What each letter does, in words. */
export const letterWords: Readonly<Record<LetterName, string>> = {
  pause: 'pause',
  interrupted: 'interrupted: the clock stops and this time does not count',
  calm: 'calm: no more clock, known facts',
  clock: 'show the child the clock, or hide it',
  aid: 'an aid, in drills and games; under a prompt the answer is then recorded as aided',
  best: 'in a game, after the turn: the best line there was',
  ...seenWords,
  seat1: 'in a race: the first seat',
  seat2: 'in a race: the second seat',
  seat3: 'in a race: the third seat',
  seat4: 'in a race: the fourth seat',
};

/** The list behind `?`. */
export const keyList = (letters: Letters): readonly (readonly [string, string])[] => [
  ['→', 'right'],
  ['↓', 'right, but worked out'],
  ['←', 'not right; the digits said may follow'],
  ['↑', 'gave up'],
  ['0–9, Enter', 'the child’s keypad: type, done'],
  ['1–4, 0', 'in a race: who was first, nobody; with cards shuffled by hand: who took it'],
  ['Space', 'begin, go on after a pause, open the review'],
  ['Backspace', 'undo the last answer (in an answer half typed: take a digit back)'],
  ['?', 'this list'],
  ['/', 'on every other screen: find a pupil'],
  ...letterNames.flatMap((name) => {
    const letter = letters[name];
    return letter === null ? [] : [[letter, letterWords[name]] as const];
  }),
];
