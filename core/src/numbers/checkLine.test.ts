import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allLines } from './allLines.ts';
import { checkLine, worked, type CheckedLine, type LineAsk } from './checkLine.ts';
import { expressionText, numberUsed, valueOf } from './expression.ts';
import { lineFaultText } from './lineFault.ts';
import { readLine } from './readLine.ts';

const ask: LineAsk = { numbers: [3, 4, 5, 9], target: 35 };
const check = (text: string, over: Partial<LineAsk> = {}) => checkLine(text, { ...ask, ...over });
const slipOf = (found: CheckedLine) => (found.right ? undefined : [found.slip, lineFaultText(found.fault)]);

describe('reading a typed line', () => {
  it('takes every way to type a sign', () => {
    for (const text of ['(9-5)x3', '(9 − 5) × 3', '[9–5]*3', '{9 - 5} · 3', ' ( 9-5 ) X 3 ']) {
      const read = readLine(text);
      expect('parts' in read && read.parts.map((part) => expressionText(part))).toEqual(['(9 − 5) × 3']);
    }
    const read = readLine('12:4 = 12/4 = 12 ÷ 4');
    expect('parts' in read && read.parts.map((part) => valueOf(part).top)).toEqual([3, 3, 3]);
  });
  it.each([
    ['', 'Write a line, such as 3 + 4.'],
    ['   ', 'Write a line, such as 3 + 4.'],
    ['3 + four', '\u201cf\u201d is no number and no sign. Use + − × ÷, brackets and =.'],
    ['3 +', 'The line ends where a number should follow.'],
    ['3 4', 'A sign is missing between two numbers.'],
    ['(3 + 4', 'A bracket is opened and never closed.'],
    ['(3 + 4 5', 'A sign is missing between two numbers.'],
    ['3 + 4)', 'A bracket closes that was never opened.'],
    ['()', 'A number is missing before a closing bracket.'],
    ['3 + × 4', 'Two signs stand side by side; a number is missing between them.'],
    ['3 + 4 =', 'The line ends where a number should follow.'],
    ['= 7', 'A number is missing before the equals sign.'],
    ['3(4)', 'A sign is missing between two numbers.'],
    ['1234567890', '1234567890 is too large to work with.'],
    ['('.repeat(30), 'There are too many brackets in one another.'],
    ['1'.repeat(300), 'A line has at most 200 signs.'],
  ])('says of %j: %s', (text, sentence) => {
    const read = readLine(text);
    expect('trouble' in read && lineFaultText({ kind: 'unreadable', ...read.trouble })).toBe(sentence);
  });
  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom(...'0123456789+-*/()=x \u00f7a.'), maxLength: 40 }),
        (text) => {
          const found = checkLine(text, ask);
          expect(found.right || lineFaultText(found.fault).length > 8).toBe(true);
        },
      ),
      { numRuns: 500 },
    );
  });
});

describe('checking a line', () => {
  it('takes a right one, with the numbers it uses', () => {
    expect(check('(3 + 4) x 5')).toMatchObject({ right: true, used: [3, 4, 5], shown: ['(3 + 4) × 5 = 35'] });
    expect(check('35 = (3+4)*5')).toMatchObject({ right: true, used: [3, 4, 5] });
    expect(check('(3+4)*5 = 35')).toMatchObject({ right: true, shown: ['(3 + 4) × 5 = 35'] });
    expect(check('9 x 4', { target: 36 })).toMatchObject({ right: true, shown: ['9 × 4 = 36'] });
  });
  it('understands run-on equals as the steps they mean, and shows them properly', () => {
    expect(check('3 + 4 = 7 × 5 = 35')).toMatchObject({
      right: true,
      used: [3, 4, 5],
      shown: ['3 + 4 = 7', '7 × 5 = 35'],
    });
    expect(check('9 - 5 = 4 × 4 = 16 + 3 = 19', { target: 19 })).toMatchObject({
      right: true,
      used: [9, 5, 4, 3],
      shown: ['9 − 5 = 4', '4 × 4 = 16', '16 + 3 = 19'],
    });
    expect(slipOf(check('3 + 4 = 8 × 5 = 40', { target: 40 }))).toEqual([
      'notEqual',
      '3 + 4 is 7 and 8 × 5 is 40: they are not equal.',
    ]);
    expect(slipOf(check('3 + 4 = 7 × 5 = 36'))).toEqual(['notEqual', '7 × 5 is 35, not 36.']);
  });
  it.each([
    ['(3 + 4) × 6', 'notThere', 'There is no 6 among 3, 4, 5, 9.'],
    ['5 × 5 + 9', 'usedTwice', '5 lies there once and is used more often.'],
    ['9 × 4 = 35', 'notEqual', '9 × 4 is 36, not 35.'],
    ['9 × 4', 'target', '9 × 4 makes 36, not 35.'],
    ['9 ÷ 4', 'notWhole', '9 ÷ 4 does not come out whole.'],
    ['3 − 5 + 9', 'belowZero', '3 − 5 goes below 0.'],
    ['9 ÷ (4 − 4)', 'byZero', '9 ÷ 0: nothing can be divided by 0.'],
    ['3 +', 'unreadable', 'The line ends where a number should follow.'],
  ])('%s: %s', (text, kind, sentence) => {
    expect(slipOf(check(text))).toEqual([kind, sentence]);
  });
  it('knows two of a kind, signs not used yet, and lines that use too few', () => {
    expect(check('5 + 5', { numbers: [5, 5], target: 10 })).toMatchObject({ right: true });
    expect(slipOf(check('5 + 5 + 5', { numbers: [5, 5], target: 15 }))).toEqual([
      'usedTwice',
      '5 lies there 2 times and is used more often.',
    ]);
    expect(slipOf(check('3 × 4', { signs: ['+', '-'] }))).toEqual([
      'sign',
      'Multiplying is not used at this step.',
    ]);
    expect(slipOf(check('9', { target: 9, least: 2 }))).toEqual([
      'tooFew',
      'A line uses at least 2 of the numbers; this one uses 1.',
    ]);
  });
  it('lets signed and fractional steps through where they are set', () => {
    expect(check('3 − 5 + 9', { target: 7, signed: true })).toMatchObject({ right: true });
    expect(check('9 ÷ 4 × 4', { numbers: [9, 4, 4], target: 9, fractions: true })).toMatchObject({
      right: true,
    });
  });
  it('takes every line the solver finds, and shows its steps', () => {
    for (const line of allLines({ numbers: [3, 4, 5, 9], target: 35 })) {
      expect(check(expressionText(line))).toMatchObject({ right: true });
      expect(worked(line).at(-1)).toMatch(/= 35$/);
    }
    expect(worked(numberUsed(7))).toEqual(['7']);
  });
});

describe('a line with powers and factorials', () => {
  const ask = { numbers: [2, 3, 3, 4, 5, 0], cap: 100 };
  const shownOf = (text: string) => {
    const line = checkLine(text, ask);
    return line.right ? line.shown : lineFaultText(line.fault);
  };

  it.each([
    ['2^3', ['2³ = 8']],
    ['2³', ['2³ = 8']],
    ['3!', ['3! = 6']],
    ['3 ! + 2 ^ 4', ['3! + 2⁴ = 22']],
    // Powers before products before sums; of powers the upper one first; a factorial before a power.
    ['4 * 2^3 + 5', ['4 × 2³ + 5 = 37']],
    ['2^(3 - 0)', ['2^(3 − 0) = 8']],
    ['(2 + 3)^(5-3)', ['(2 + 3)^(5 − 3) = 25']],
    ['2^3! ', ['2^(3!) = 64']],
    ['(3)!^2', ['(3!)² = 36']],
    ['(2^3 - 4)! = 24', ['(2³ − 4)! = 24']],
    ['3! = 6 + 2 = 8', ['3! = 6', '6 + 2 = 8']],
  ])('%s is read, reckoned and shown', (text, shown) => {
    expect(shownOf(text)).toEqual(shown);
  });

  it.each([
    ['5!', '5! comes to more than 100, the most that is used here.'],
    ['5^3', '5³ comes to more than 100, the most that is used here.'],
    ['0^(3-3)', '0⁰ is no whole number that is worked with here.'],
    ['2^', 'The line ends where a number should follow.'],
    ['!2', 'Two signs stand side by side; a number is missing between them.'],
    ['2^2', '2 lies there once and is used more often.'],
    ['3! = 5', '3! is 6, not 5.'],
  ])('%s is not right, and says why', (text, says) => {
    expect(shownOf(text)).toBe(says);
  });

  it('is not used where the rules have none; what would be endless is never worked out', () => {
    const plain = (text: string) => {
      const line = checkLine(text, { numbers: [2, 3] });
      return line.right ? '' : lineFaultText(line.fault);
    };
    expect(plain('2^3')).toBe('Raising to a power is not used at this step.');
    expect(plain('3!')).toBe('A factorial is not used at this step.');
    expect(plain('9^9^9^9')).toBe('Raising to a power is not used at this step.');
    for (const text of ['9^9^9^9', '999999999!', `3${'!'.repeat(30)}`])
      expect(checkLine(text, { numbers: [9, 9, 9, 9, 999_999_999, 3], cap: 10_000 }).right).toBe(false);
  });
});
