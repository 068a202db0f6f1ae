import fc from 'fast-check';
import { median as mathMedian, quantileSeq } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { classify, type ClassifyInput } from './answerClass.ts';
import {
  calibrationAgeDays,
  keypadOverheadFor,
  keypadOverheads,
  tutorOverhead,
  uncalibrated,
} from './calibration.ts';
import { dayNumber, dayOf, isTimeZone } from './day.ts';
import { digitsCorrect } from './digits.ts';
import { marks, tryParseMark } from './mark.ts';
import { median, quantile } from './quantile.ts';
import { ceilingInForce, namingCeilingOf, ownCeilingOf } from './ceiling.ts';
import { aimPerMinute, perMinute, summariseMinute } from './rate.ts';
import { instructionalRanges, rateBands, rateLevel } from './rateBands.ts';
import { recallLimitMs } from './recallLimit.ts';
import type { Answer } from './answer.ts';

const timed: ClassifyInput = {
  latencyMs: 1800,
  voided: false,
  correct: true,
  overheadMs: 600,
  spreadMs: 100,
  limitMs: 2000,
  seen: [],
  aided: false,
};

describe('quantiles', () => {
  it('agree with mathjs', () => {
    // Source: mathjs median and quantileSeq.
    const list = fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 1, maxLength: 60 });
    fc.assert(
      fc.property(
        list,
        fc.integer({ min: 0, max: 1000 }).map((n) => n / 1000),
        (values, p) => {
          expect(median(values)).toBeCloseTo(Number(mathMedian(values)), 6);
          expect(quantile(values, p)).toBeCloseTo(Number(quantileSeq(values, p)), 6);
        },
      ),
    );
  });
  it('say what they need', () => {
    expect(() => quantile([], 0.5)).toThrow('at least one');
    expect(() => quantile([1], 2)).toThrow('from 0 to 1');
  });
});

describe('classify', () => {
  it('goes by the corrected time', () => {
    expect(classify(timed)).toEqual({
      class: 'recalled',
      correctedMs: 1200,
      tooQuick: false,
      inDoubt: false,
    });
    expect(classify({ ...timed, latencyMs: 3000 }).class).toBe('workedOut');
    expect(classify({ ...timed, latencyMs: 2650 })).toMatchObject({ class: 'noEvidence', inDoubt: true });
    expect(classify({ ...timed, latencyMs: 2500 })).toMatchObject({ class: 'noEvidence', correctedMs: 1900 });
    expect(classify({ ...timed, latencyMs: 2600, spreadMs: 0 }).class).toBe('recalled');
    expect(classify({ ...timed, latencyMs: 200 })).toEqual({
      class: 'noEvidence',
      correctedMs: 0,
      tooQuick: true,
      inDoubt: false,
    });
  });
  it('lets what was seen outrank the clock', () => {
    for (const mark of ['fingers', 'countingOn', 'fromTen', 'fromDouble', 'helped'] as const) {
      expect(classify({ ...timed, seen: [mark] }).class).toBe('workedOut');
      expect(classify({ ...timed, latencyMs: null, seen: [mark] }).class).toBe('workedOut');
    }
    expect(classify({ ...timed, seen: ['guessed'] }).class).toBe('noEvidence');
    expect(classify({ ...timed, seen: ['putRight'] }).class).toBe('noEvidence');
    expect(classify({ ...timed, seen: ['noCounting'] }).class).toBe('recalled');
  });
  it('keeps the answer where the time is void', () => {
    expect(classify({ ...timed, voided: true })).toMatchObject({ class: 'right', correctedMs: null });
    expect(classify({ ...timed, latencyMs: null }).class).toBe('right');
    expect(classify({ ...timed, voided: true, correct: false }).class).toBe('missed');
  });
  it('never makes an aided answer more than worked out, nor a wrong one anything but missed', () => {
    const input = fc.record({
      latencyMs: fc.option(fc.double({ min: 0, max: 60_000, noNaN: true })),
      voided: fc.boolean(),
      correct: fc.boolean(),
      overheadMs: fc.integer({ min: 0, max: 2000 }),
      spreadMs: fc.integer({ min: 0, max: 500 }),
      limitMs: fc.integer({ min: 500, max: 4000 }),
      seen: fc.subarray([...marks]),
      aided: fc.boolean(),
    });
    fc.assert(
      fc.property(input, (one) => {
        const found = classify(one);
        if (!one.correct) expect(found.class).toBe('missed');
        else expect(found.class).not.toBe('missed');
        if (one.aided) expect(found.class).not.toBe('recalled');
        if (found.class === 'recalled') expect(found.correctedMs as number).toBeLessThanOrEqual(one.limitMs);
        if (found.correctedMs !== null) expect(found.correctedMs).toBeGreaterThanOrEqual(0);
        expect(found.correctedMs === null).toBe(one.latencyMs === null || one.voided);
      }),
    );
  });
});

describe('marks', () => {
  it('are read by name and by letter', () => {
    expect(tryParseMark('fingers')).toBe('fingers');
    expect(tryParseMark('n')).toBe('noCounting');
    expect(tryParseMark('S')).toBe('putRight');
    expect(tryParseMark('Z')).toBeUndefined();
  });
});

describe('calibration', () => {
  const copies = (digits: number, times: number[]) =>
    times.map((firstKeyMs) => ({ digits, firstKeyMs, promptToPromptMs: firstKeyMs + 500 }));
  it('is the median by number of digits with half the interquartile range', () => {
    const found = keypadOverheads([
      ...copies(1, [500, 520, 540, 560, 580, 600]),
      ...copies(2, [700, 710, 720, 730, 740, 750]),
      ...copies(3, [900, 900]),
    ]);
    expect(found[1]).toMatchObject({ overheadMs: 550, spreadMs: 25, calibrated: true, samples: 6 });
    expect(found[2]).toMatchObject({ overheadMs: 725, calibrated: true });
    expect(found[3]).toMatchObject({ overheadMs: 650, spreadMs: 150, calibrated: false });
    expect(found[3].because).toBe('2 of 4 3-digit copies could be used; 3 are needed.');
    expect(keypadOverheadFor(found, 40)).toBe(found[3]);
    expect(keypadOverheadFor(undefined, 2)).toEqual(uncalibrated('keypad'));
  });
  it('refuses times that vary too much', () => {
    const uneven = tutorOverhead([100, 200, 300, 400, 1000, 1100, 1200, 1300, 2000, 2100, 2200, 2300]);
    expect(uneven).toMatchObject({ calibrated: false, overheadMs: 600, spreadMs: 150 });
    expect(uneven.because).toContain('vary by');
  });
  it('knows its age', () => {
    expect(calibrationAgeDays('2026-10-01T10:00:00Z', '2026-11-01T09:00:00Z')).toBe(30);
    expect(calibrationAgeDays('2026-11-02T10:00:00Z', '2026-11-01T09:00:00Z')).toBe(0);
  });
  it('gives the ceiling from the median interval: of the child’s own answers where there are twelve, else of naming', () => {
    const naming = namingCeilingOf([1500, 1500, 1500, 1500, 1500, 9000]);
    expect(naming).toEqual({ perMinute: 40, from: 'naming', answers: 6 });
    expect(namingCeilingOf([1500, 1500, 1500, 1500, 1500])).toBeNull();
    const intervals = (count: number) => Array.from({ length: count }, () => 2000);
    expect(ownCeilingOf(intervals(11))).toBeNull();
    // A clock that stood still tells nothing.
    expect(ownCeilingOf([...intervals(11), 0])).toBeNull();
    const own = ownCeilingOf([...intervals(12), 0]);
    expect(own).toEqual({ perMinute: 30, from: 'ownAnswers', answers: 12 });
    expect(ceilingInForce(own, naming)).toBe(own);
    expect(ceilingInForce(null, naming)).toBe(naming);
    expect(ceilingInForce(null, null)).toBeNull();
  });
});

describe('recall limit', () => {
  it('is fixed, or twice the easy median within bounds', () => {
    expect(recallLimitMs('1500', [])).toBe(1500);
    expect(recallLimitMs('own', [900, 900, 900, 1000, 1100])).toBe(1800);
    expect(recallLimitMs('own', [300, 300, 300, 300, 300])).toBe(1500);
    expect(recallLimitMs('own', [5000, 5000, 5000, 5000, 5000])).toBe(4000);
    expect(recallLimitMs('own', [900])).toBe(2000);
  });
});

describe('digits and rates', () => {
  it('aligns digits from the ones', () => {
    expect(digitsCorrect('56', '56')).toEqual({ correct: 2, possible: 2 });
    expect(digitsCorrect('54', '56')).toEqual({ correct: 1, possible: 2 });
    expect(digitsCorrect('6', '56')).toEqual({ correct: 1, possible: 2 });
    expect(digitsCorrect('156', '56')).toEqual({ correct: 2, possible: 2 });
    expect(digitsCorrect('65', '56')).toEqual({ correct: 0, possible: 2 });
    expect(digitsCorrect('', '7')).toEqual({ correct: 0, possible: 1 });
  });
  it('never finds more right digits than there are', () => {
    fc.assert(
      fc.property(fc.string(), fc.nat(200), (given, expected) => {
        const found = digitsCorrect(given, String(expected));
        expect(found.correct).toBeLessThanOrEqual(found.possible);
        expect(digitsCorrect(String(expected), String(expected)).correct).toBe(found.possible);
      }),
    );
  });
  it('scales to a minute', () => {
    expect(perMinute(4, 8000)).toBe(30);
    expect(perMinute(4, 0)).toBe(0);
  });
  it('sets the aim at 30 or nine tenths of the ceiling', () => {
    // Source: common practice (about 30 right in a minute to move on), no published source.
    expect(aimPerMinute(null)).toEqual({ perMinute: 30, binds: false });
    expect(aimPerMinute({ perMinute: 40 })).toEqual({ perMinute: 30, binds: false });
    expect(aimPerMinute({ perMinute: 30 })).toEqual({ perMinute: 27, binds: true });
  });
  it('sums up a minute', () => {
    const answer = (over: Partial<Answer>): Answer => ({
      id: 'a',
      fact: '7x8',
      at: '2026-11-24T09:00:00Z',
      judgement: 'right',
      given: '56',
      latencyMs: 1600,
      voided: false,
      overheadMs: 600,
      spreadMs: 100,
      calibrated: true,
      limitMs: 2000,
      seen: [],
      aided: false,
      way: 'keypad',
      ...over,
    });
    const found = summariseMinute(
      [answer({}), answer({ judgement: 'wrong', given: '54' }), answer({ voided: true })],
      30_000,
      60_000,
    );
    expect(found).toMatchObject({
      right: 2,
      wrong: 1,
      rightPerMinute: 4,
      wrongPerMinute: 2,
      digitsPerMinute: 10,
    });
    expect(found.timeMs).toEqual({ lower: 1000, median: 1000, upper: 1000 });
    expect(summariseMinute([answer({ way: 'tutor' })], 60_000, 60_000).digitsPerMinute).toBeNull();
    expect(summariseMinute([], 60_000, 60_000)).toMatchObject({ right: 0, timeMs: null });
    // Four right in two seconds are not 120 a minute; from twenty seconds on, or in a minute planned shorter, they count.
    const early = (usedMs: number, lengthMs: number) => summariseMinute([answer({})], usedMs, lengthMs);
    expect(early(2000, 60_000)).toMatchObject({
      right: 1,
      rightPerMinute: null,
      wrongPerMinute: null,
      digitsPerMinute: null,
    });
    expect(early(19_999, 60_000).rightPerMinute).toBeNull();
    expect(early(20_000, 60_000).rightPerMinute).toBe(3);
    expect(early(8000, 8000).rightPerMinute).toBe(7.5);
    expect(early(7999, 8000).rightPerMinute).toBeNull();
  });
});

describe('published rate bands', () => {
  it('are those of the sources', () => {
    // Source: Deno & Mirkin (1977), as tabulated by Shapiro, Academic Skills Problems; from memory.
    expect([9.9, 10, 19.9, 20].map((rate) => rateLevel(rate, 2))).toEqual([
      'frustration',
      'instruction',
      'instruction',
      'mastery',
    ]);
    expect([19.9, 20, 39.9, 40].map((rate) => rateLevel(rate, 4))).toEqual([
      'frustration',
      'instruction',
      'instruction',
      'mastery',
    ]);
    expect(rateBands.map((one) => one.masteryErrors)).toEqual([2, 2]);
    // Source: Burns, VanDerHeyden & Jiban (2006), School Psychology Review 35; from memory.
    expect(instructionalRanges.map((one) => [one.from, one.to])).toEqual([
      [14, 31],
      [24, 49],
    ]);
  });
});

describe('days', () => {
  it('are calendar days of the room', () => {
    expect(dayOf('2026-11-24T23:30:00Z', 'UTC')).toBe('2026-11-24');
    expect(dayOf('2026-11-24T23:30:00Z', 'Asia/Tokyo')).toBe('2026-11-25');
    expect(dayNumber('2026-11-25') - dayNumber('2026-11-24')).toBe(1);
    expect(dayNumber('2026-03-30') - dayNumber('2026-03-28')).toBe(2);
    expect(isTimeZone('Europe/Oslo')).toBe(true);
    expect(isTimeZone('Nowhere/Never')).toBe(false);
  });
});
