import { describe, expect, it } from 'vitest';
import { changedOf } from './draft.ts';

describe('what of a form was changed', () => {
  const start = { name: 'Ada', year: 3 as number | null, aids: ['array'], seat: { left: true, low: false } };
  it('is nothing where all is as it began, however it is written', () => {
    expect(changedOf({ ...start }, start)).toEqual({});
    expect(changedOf({ seat: { low: false, left: true } }, start)).toEqual({});
    expect(changedOf({}, start)).toEqual({});
  });
  it('is each field that differs, with what it is now, also where it is nothing now', () => {
    expect(changedOf({ ...start, name: 'Adah', year: null }, start)).toEqual({ name: 'Adah', year: null });
    expect(changedOf({ aids: ['array', 'tenFrame'] }, start)).toEqual({ aids: ['array', 'tenFrame'] });
    expect(changedOf({ aids: [] }, start)).toEqual({ aids: [] });
    expect(changedOf({ seat: { left: true, low: true } }, start)).toEqual({
      seat: { left: true, low: true },
    });
  });
});
