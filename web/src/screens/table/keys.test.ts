import { describe, expect, it } from 'vitest';
import { markLetters } from '@veldrift/core';
import { lettersOf, letterTrouble, presetLetters, seenMarks } from '../../app/letterKeys.ts';
import { keyList, readKey as read } from './keys.ts';

const letters = lettersOf({ letters: { on: true, own: {} } });
const readKey = (key: string) => read(key, letters);

describe('keys of the live table', () => {
  it('judge by the arrows', () => {
    expect(['ArrowRight', 'ArrowDown', 'ArrowLeft', 'ArrowUp'].map((key) => readKey(key))).toEqual(
      ['right', 'workedOut', 'wrong', 'gaveUp'].map((judgement) => ({ kind: 'judge', judgement })),
    );
  });
  it('leave digits to answers, and have a letter for each thing seen, large or small', () => {
    for (const digit of '0123456789') expect(readKey(digit)).toEqual({ kind: 'digit', digit });
    for (const mark of seenMarks) {
      expect(readKey(markLetters[mark])).toEqual({ kind: 'mark', mark });
      expect(readKey(markLetters[mark].toLowerCase())).toEqual({ kind: 'mark', mark });
    }
  });
  it('never mean two things', () => {
    expect(new Set(Object.values(presetLetters)).size).toBe(Object.keys(presetLetters).length);
    expect(readKey('p')).toEqual({ kind: 'pause' });
    expect(readKey('C')).toEqual({ kind: 'calm' });
    expect(readKey(' ')).toEqual({ kind: 'space' });
    expect(readKey('Backspace')).toEqual({ kind: 'undo' });
  });
  it('leave every other key alone', () => {
    for (const key of ['x', 'Escape', 'Tab', 'F5', '\u0665', 'toString', '__proto__'])
      expect(readKey(key), key).toBeUndefined();
  });
  it('are all in the list behind ?', () => {
    const listed = keyList(letters).map(([key]) => key);
    for (const mark of seenMarks) expect(listed).toContain(markLetters[mark]);
    for (const key of ['→', '↓', '←', '↑', 'P', 'C', 'I', 'K', 'Space', 'Backspace'])
      expect(
        listed.some((one) => one.includes(key)),
        key,
      ).toBe(true);
  });
  it('mean what they were changed to, and nothing where letters are switched off', () => {
    const own = lettersOf({ letters: { on: true, own: { pause: 'X' } } });
    expect(read('x', own)).toEqual({ kind: 'pause' });
    expect(read('p', own)).toBeUndefined();
    expect(keyList(own).map(([key]) => key)).toContain('X');
    const off = lettersOf({ letters: { on: false, own: { pause: 'X' } } });
    for (const letter of 'abcdefghijklmnopqrstuvwxyz') expect(read(letter, off)).toBeUndefined();
    // What is no letter goes on.
    expect(read('ArrowRight', off)).toEqual({ kind: 'judge', judgement: 'right' });
    expect(read('7', off)).toEqual({ kind: 'digit', digit: '7' });
    expect(read('?', off)).toEqual({ kind: 'help' });
  });
  it('are refused where they mean something else, or are no letter', () => {
    expect(letterTrouble(letters, 'pause', 'f')).toMatch(/F means something else/);
    expect(letterTrouble(letters, 'pause', 'p')).toBeNull();
    expect(letterTrouble(letters, 'pause', '\u00e6')).toBeNull();
    // One without a large form of its own is one too; one that becomes two is none.
    expect(letterTrouble(letters, 'pause', '\u05d0')).toBeNull();
    for (const bad of ['', '7', 'xy', ' ', '?', '\u00df'])
      expect(letterTrouble(letters, 'pause', bad)).not.toBeNull();
  });
  it('of a race name the seats', () => {
    expect([...'zmql'].map(readKey)).toEqual([0, 1, 2, 3].map((seat) => ({ kind: 'seat', seat })));
  });
});
