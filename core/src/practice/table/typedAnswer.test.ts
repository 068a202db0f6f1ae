import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  deleteDigit,
  mostDigits,
  typeDigit,
  typedText,
  typedTimes,
  type TypedAnswer,
} from './typedAnswer.ts';

const type = (text: string, from = 100): TypedAnswer =>
  [...text].reduce((typed, digit, at) => typeDigit(typed, digit, from + at * 50), [] as TypedAnswer);

describe('a typed answer', () => {
  it('is timed from the first digit of what finally stands', () => {
    expect(typedTimes(type('56'))).toEqual({ firstAt: 100, lastAt: 150 });
    const again = typeDigit(deleteDigit(deleteDigit(type('56'))), '4', 900);
    expect(typedText(again)).toBe('4');
    expect(typedTimes(again)).toEqual({ firstAt: 900, lastAt: 900 });
    expect(typedTimes(typeDigit(deleteDigit(type('56')), '4', 900))).toEqual({ firstAt: 100, lastAt: 900 });
    expect(typedTimes([])).toBeUndefined();
  });
  it('never grows beyond what is taken, and deleting undoes typing', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[0-9]{0,12}$/), fc.stringMatching(/^[0-9]$/), (text, digit) => {
        const typed = type(text);
        expect(typedText(typed)).toBe(text.slice(0, mostDigits));
        if (typed.length < mostDigits) expect(deleteDigit(typeDigit(typed, digit, 9999))).toEqual(typed);
      }),
    );
  });
});
