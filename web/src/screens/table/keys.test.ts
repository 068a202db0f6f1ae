import { describe, expect, it } from 'vitest';
import { markLetters } from '@veldrift/core';
import { keyList, readKey, seenMarks } from './keys.ts';

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
    const letters = [...seenMarks.map((mark) => markLetters[mark]), 'P', 'C', 'K', 'I'];
    expect(new Set(letters).size).toBe(letters.length);
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
    const listed = keyList.map(([key]) => key);
    for (const mark of seenMarks) expect(listed).toContain(markLetters[mark]);
    for (const key of ['→', '↓', '←', '↑', 'P', 'C', 'I', 'K', 'Space', 'Backspace'])
      expect(
        listed.some((one) => one.includes(key)),
        key,
      ).toBe(true);
  });
});
