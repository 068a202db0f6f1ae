import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  arePictureLines,
  lineBegun,
  lineDrawn,
  pictureBox,
  pictureHolds,
  pictureIsFull,
} from './factPicture.ts';

describe('a picture for a fact', () => {
  it('is made of lines it would take back, wherever a pen goes, in and out of its box', () => {
    const place = fc.tuple(
      fc.double({ min: -500, max: 1500, noNaN: true }),
      fc.double({ min: -500, max: 1500, noNaN: true }),
    );
    fc.assert(
      fc.property(
        fc.array(fc.array(place, { minLength: 1, maxLength: 30 }), { maxLength: 20 }),
        (strokes) => {
          let lines: readonly (readonly number[])[] = [];
          for (const [first, ...others] of strokes) {
            if (!first) continue;
            lines = lineBegun(lines, ...first);
            for (const to of others) lines = lineDrawn(lines, ...to);
          }
          expect(lines).toHaveLength(strokes.length);
          expect(arePictureLines(lines)).toBe(true);
          expect(arePictureLines(JSON.parse(JSON.stringify(lines)))).toBe(true);
        },
      ),
    );
  });

  it('takes a hand that rests for one place, and a place that moved for another', () => {
    let lines = lineBegun([], 100, 100);
    for (let nth = 0; nth < 100; nth += 1) lines = lineDrawn(lines, 101 + (nth % 3), 100);
    expect(lines).toEqual([[100, 100]]);
    expect(lineDrawn(lines, 105, 100)).toEqual([[100, 100, 105, 100]]);
    expect(lineDrawn([], 5, 5)).toEqual([]);
  });

  it('is full at its last line, and at its last place, and keeps what was drawn', () => {
    const many = Array.from({ length: pictureHolds.lines }, () => [1, 1]);
    expect(pictureIsFull(many.slice(1))).toBe(false);
    expect(pictureIsFull(many)).toBe(true);
    expect(lineBegun(many, 3, 3)).toBe(many);
    let long = lineBegun([], 0, 0);
    for (let nth = 0; nth < 100_000 && !pictureIsFull(long); nth += 1)
      long = lineDrawn(long, nth % 2 ? 900 : 0, nth % 700);
    expect(long[0]).toHaveLength(pictureHolds.numbers);
    expect(lineDrawn(long, 500, 500)).toBe(long);
    expect(arePictureLines(long)).toBe(true);
    expect(arePictureLines([...long, [1, 1]])).toBe(false);
  });

  it.each([
    ['a text', 'lines'],
    ['a line of one number', [[1]]],
    ['a line of none', [[]]],
    ['three numbers', [[1, 2, 3]]],
    ['parts of a unit', [[1.5, 2]]],
    ['a place beside the box', [[pictureBox.width + 1, 0]]],
    ['a place below it', [[0, pictureBox.height + 1]]],
    ['less than nothing', [[-1, 0]]],
    ['a text in a line', [['1', 0]]],
    ['too many lines', Array.from({ length: pictureHolds.lines + 1 }, () => [1, 1])],
  ])('is not %s', (_, value) => {
    expect(arePictureLines(value)).toBe(false);
  });
});
