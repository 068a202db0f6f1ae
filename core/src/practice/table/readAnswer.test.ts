import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Judgement } from '../../recall/answer.ts';
import type { Overhead } from '../../recall/calibration.ts';
import { allowanceMs, readAnswer, type Press, type Shown } from './readAnswer.ts';
import type { TypedAnswer } from './typedAnswer.ts';

const overheads: Readonly<Record<number, Overhead>> = {
  1: { overheadMs: 500, spreadMs: 50, calibrated: true, samples: 6, because: '' },
  2: { overheadMs: 600, spreadMs: 60, calibrated: true, samples: 6, because: '' },
  3: { overheadMs: 700, spreadMs: 70, calibrated: false, samples: 0, because: 'Not measured yet.' },
};
const overheadFor = (digits: number) => overheads[Math.min(3, digits)] as Overhead;
const shown = (over: Partial<Shown> = {}): Shown => ({
  fact: '7x8',
  way: 'keypad',
  paintedAt: 1000,
  timed: true,
  until: 61_000,
  overheadFor,
  ...over,
});
const typed = (text: string, from: number): TypedAnswer =>
  [...text].map((digit, nth) => ({ digit, at: from + nth * 200 }));
const press = (judgement: Judgement, at: number, answer: TypedAnswer = []): Press => ({
  judgement,
  at,
  typed: answer,
});

describe('an answer by keypad', () => {
  it('is begun at its first digit, with the overhead of a number of its length', () => {
    expect(readAnswer(press('right', 3000, typed('56', 2500)), shown())).toEqual({
      made: {
        judgement: 'right',
        given: '56',
        latencyMs: 1500,
        overheadMs: 600,
        spreadMs: 60,
        calibrated: true,
      },
      begunAt: 2500,
      lastKeyMs: 1700,
    });
    expect(readAnswer(press('wrong', 3000, typed('5', 2500)), shown())?.made.overheadMs).toBe(500);
    expect(readAnswer(press('wrong', 3000, typed('5656', 2500)), shown())?.made.calibrated).toBe(false);
  });
  it('that was given up is timed to the key that said so, with what had been typed', () => {
    const found = readAnswer(press('gaveUp', 9000, typed('5', 2500)), shown());
    expect(found?.made).toMatchObject({ judgement: 'gaveUp', given: '5', latencyMs: 8000 });
    expect(readAnswer(press('gaveUp', 9000), shown())?.made.given).toBeNull();
  });
  it('counts when it was begun in time, however late it is finished', () => {
    expect(readAnswer(press('right', 63_000, typed('56', 60_999)), shown())).toBeDefined();
    expect(readAnswer(press('right', 63_000, typed('56', 61_001)), shown())).toBeUndefined();
  });
});

describe('an answer by the tutor\u2019s mark', () => {
  const tutor = (over: Partial<Shown> = {}) => shown({ way: 'tutor', ...over });
  it('is timed to the key; heard and right it is the answer itself, else unknown until it is said', () => {
    expect(readAnswer(press('right', 2800), tutor())?.made).toMatchObject({ given: '56', latencyMs: 1800 });
    expect(readAnswer(press('workedOut', 2800), tutor())?.made.given).toBe('56');
    expect(readAnswer(press('wrong', 2800), tutor())?.made.given).toBeNull();
    expect(readAnswer(press('gaveUp', 2800), tutor())?.made.given).toBeNull();
  });
  it('may come later than the minute by the tutor\u2019s own judging time and its spread', () => {
    const allowed = allowanceMs(overheadFor(2));
    expect(readAnswer(press('right', 61_000 + allowed), tutor())).toBeDefined();
    expect(readAnswer(press('right', 61_001 + allowed), tutor())).toBeUndefined();
  });
});

describe('any answer', () => {
  it('is kept without a time where no time is taken, whenever it comes', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('keypad' as const, 'tutor' as const),
        fc.constantFrom<Judgement>('right', 'workedOut', 'wrong', 'gaveUp'),
        fc.integer({ min: 1000, max: 900_000 }),
        fc.stringMatching(/^[0-9]{0,6}$/),
        (way, judgement, at, text) => {
          const found = readAnswer(
            press(judgement, at, typed(text, at)),
            shown({ way, timed: false, until: undefined }),
          );
          expect(found?.made).toMatchObject({ judgement, latencyMs: null });
          expect(found?.lastKeyMs).toBeNull();
        },
      ),
    );
  });
  it('never takes less than no time, and its last key never comes before its first', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 70_000 }), fc.stringMatching(/^[0-9]{1,6}$/), (at, text) => {
        const found = readAnswer(press('right', at + 2000, typed(text, at)), shown({ until: undefined }));
        expect(found?.made.latencyMs).toBe(Math.max(0, at - 1000));
        expect((found?.lastKeyMs ?? 0) + 1000).toBeGreaterThanOrEqual(found?.begunAt ?? Infinity);
      }),
    );
  });
});

describe('an answer by voice', () => {
  const voice = shown({ way: 'voice' });
  it('is begun where the voice was heard; not heard, it has no time but its judgement', () => {
    expect(readAnswer({ ...press('right', 3000), onsetAt: 2200 }, voice)).toMatchObject({
      ...{ begunAt: 2200, lastKeyMs: null },
      made: { latencyMs: 1200, judgement: 'right', given: '56' },
    });
    expect(readAnswer(press('wrong', 3000), voice)).toMatchObject({
      ...{ begunAt: 3000 },
      made: { latencyMs: null, judgement: 'wrong', given: null },
    });
  });
  it('marked by the tutor’s key goes by the key, also where something was heard', () => {
    expect(readAnswer({ ...press('right', 3000), onsetAt: 2200 }, shown({ way: 'tutor' }))?.begunAt).toBe(
      3000,
    );
  });
  it('begun in time counts, with the tutor’s own time allowed for, and not beyond', () => {
    const late = (onsetAt: number) => readAnswer({ ...press('right', 63_000), onsetAt }, voice);
    expect(late(61_550)?.begunAt).toBe(61_550);
    expect(late(61_661)).toBeUndefined();
  });
});
