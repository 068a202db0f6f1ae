import { describe, expect, test } from 'vitest';
import { shownOwn } from './shownOwn.ts';

const own = { fact: '7x8', sentence: 'Seven spiders.', lines: [[1, 2]] };

describe('a picture on a screen of the child\u2019s own', () => {
  test('is there where it was called or its fact was missed, and not while it is only asked', () => {
    const shown = { sentence: 'Seven spiders.', lines: [[1, 2]] };
    expect(shownOwn(own, 'ownPicture', false)).toEqual(shown);
    expect(shownOwn(own, null, true)).toEqual(shown);
    expect(shownOwn(own, null, false)).toBeNull();
    expect(shownOwn(own, 'array', false)).toBeNull();
    expect(shownOwn(null, 'ownPicture', true)).toBeNull();
  });
});
