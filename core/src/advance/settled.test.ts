import { describe, expect, it } from 'vitest';
import { isSettled, settledDays, type LastWord } from './settled.ts';

const word: LastWord = { at: '2026-11-01T10:00:00.000Z', verdict: 'advance', setId: 'a', toSetId: 'a' };
const after = (days: number) => new Date(Date.parse(word.at) + days * 86_400_000).toISOString();

describe('a word of the tutor', () => {
  it('settles the same verdict on the same set, for fourteen days', () => {
    expect(isSettled(word, 'advance', 'a', after(0))).toBe(true);
    expect(isSettled(word, 'advance', 'a', after(settledDays - 0.001))).toBe(true);
    expect(isSettled(word, 'advance', 'a', after(settledDays))).toBe(false);
  });

  it('settles no other verdict, no other set, and nothing where it moved the pupil', () => {
    expect(isSettled(word, 'stepBack', 'a', after(1))).toBe(false);
    expect(isSettled(word, 'advance', 'b', after(1))).toBe(false);
    expect(isSettled({ ...word, toSetId: 'b' }, 'advance', 'b', after(1))).toBe(false);
    expect(isSettled({ ...word, toSetId: 'b' }, 'advance', 'a', after(1))).toBe(false);
    expect(isSettled(null, 'advance', 'a', after(1))).toBe(false);
  });
});
