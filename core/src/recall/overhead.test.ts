import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factKey, needsNoThought, parseFactKey, answerOf } from '../facts/fact.ts';
import { operations } from '../facts/operation.ts';
import { factsInRange, factsWithoutThought } from '../facts/range.ts';
import type { Answer } from './answer.ts';
import { classify, leastCorrectedMs } from './answerClass.ts';
import { defaultSpreadMs, uncalibrated } from './calibration.ts';
import { measuringOf, overheadInVisit, type Measured } from './measuring.ts';
import { overheadShortByMs, quickestTenth } from './overheadWatch.ts';
import { easyRawMs, easyThoughtMs, provisionalOverhead } from './provisionalOverhead.ts';

const now = '2026-11-20T09:00:00.000Z';
const copies = (firstKeyMs: number) =>
  ([1, 2, 3] as const).flatMap((digits) =>
    Array.from({ length: 6 }, (_, at) => ({
      digits,
      firstKeyMs: firstKeyMs + 20 * (at - 2.5),
      promptToPromptMs: 2 * firstKeyMs,
    })),
  );
const measured = (over: Partial<Measured> = {}): Measured => ({
  capture: 'keypad',
  recallLimit: '2000',
  easyTimesMs: [],
  keypad: null,
  naming: null,
  judging: null,
  ...over,
});
const answer = (over: Partial<Answer> = {}): Answer => ({
  id: 'a',
  fact: '7x1',
  at: now,
  judgement: 'right',
  given: '7',
  latencyMs: 900,
  voided: false,
  overheadMs: 650,
  spreadMs: 150,
  calibrated: false,
  limitMs: 2000,
  seen: [],
  aided: false,
  way: 'keypad',
  ...over,
});

describe('a time that cannot be', () => {
  const input = {
    latencyMs: 799,
    voided: false,
    correct: true,
    overheadMs: 650,
    spreadMs: 150,
    limitMs: 2000,
    seen: [],
    aided: false,
  } as const;

  it('is no evidence where it is under 150 ms, and recalled from there on', () => {
    expect(classify(input)).toMatchObject({ class: 'noEvidence', correctedMs: 149, tooQuick: true });
    expect(classify({ ...input, latencyMs: 650 + leastCorrectedMs })).toMatchObject({
      class: 'recalled',
      tooQuick: false,
    });
    expect(classify({ ...input, latencyMs: 100 })).toMatchObject({ correctedMs: 0, tooQuick: true });
  });
  it('takes nothing from what was seen, from a wrong answer, nor from one without a time', () => {
    expect(classify({ ...input, seen: ['fingers'] }).class).toBe('workedOut');
    expect(classify({ ...input, correct: false }).class).toBe('missed');
    expect(classify({ ...input, latencyMs: null })).toMatchObject({ class: 'right', tooQuick: false });
    expect(classify({ ...input, voided: true })).toMatchObject({ class: 'right', tooQuick: false });
  });
});

describe('facts that need no thought', () => {
  it('are those whose answer is one of their numbers by a rule, and nothing else', () => {
    for (const operation of operations) {
      for (const fact of factsWithoutThought(operation)) {
        const result = answerOf(fact);
        expect([fact.left, fact.right]).toContain(result);
        expect(result).toBeGreaterThan(0);
      }
      const easy = new Set(factsWithoutThought(operation).map(factKey));
      for (const fact of factsInRange(operation))
        expect(easy.has(factKey(fact))).toBe(needsNoThought(fact) && answerOf(fact) > 0);
    }
    expect(['7+0', '0+7', '7-0', '7x1', '1x7', '7:1'].every((key) => needsNoThought(parseFactKey(key)))).toBe(
      true,
    );
    expect(['7+1', '7-7', '7x0', '7:7', '2x2'].some((key) => needsNoThought(parseFactKey(key)))).toBe(false);
  });
});

describe('a provisional overhead', () => {
  it('is the median of the first six answers that needed no thought, less what such a fact takes', () => {
    expect(provisionalOverhead([900, 900, 900, 900, 900])).toBeNull();
    expect(provisionalOverhead([1500, 1400, 1600, 1450, 1550, 1500, 9000, 9000])).toEqual({
      overheadMs: 1500 - easyThoughtMs,
      spreadMs: defaultSpreadMs,
      calibrated: false,
      samples: 6,
      because: 'Provisional, from 6 answers that needed no thought.',
    });
    expect(provisionalOverhead([1500, 1500, 1500, 2100, 2100, 2100])?.spreadMs).toBe(300);
    // Uneven, or slower than anybody looks for a key: these needed thought.
    expect(provisionalOverhead([900, 1000, 1100, 3000, 3100, 3200])).toBeNull();
    expect(provisionalOverhead([2700, 2700, 2700, 2700, 2700, 2700])?.overheadMs).toBe(2500);
    expect(provisionalOverhead([2701, 2701, 2701, 2701, 2701, 2701])).toBeNull();
    expect(provisionalOverhead([50, 50, 50, 50, 50, 50])?.overheadMs).toBe(100);
  });
  it('rests on right, timed, unaided answers by keypad alone', () => {
    const no: Partial<Answer>[] = [
      { judgement: 'wrong' },
      { judgement: 'workedOut' },
      { latencyMs: null },
      { voided: true },
      { aided: true },
      { way: 'tutor' },
      { hidden: 'left' },
      { fact: '7x2' },
    ];
    expect(easyRawMs([...no.map(answer), answer({ latencyMs: 700 })])).toEqual([700]);
    expect(easyRawMs([answer({ hidden: 'result' })])).toEqual([900]);
  });
  it('is used where the keypad was never measured, or could not be; never where it was', () => {
    const easyKeypadMs = [1500, 1500, 1500, 1500, 1500, 1500];
    const of = (over: Partial<Measured>) => measuringOf(measured(over), now).overheadFor(1);
    expect(of({ easyKeypadMs })).toMatchObject({ overheadMs: 1300, calibrated: false });
    const uneven = copies(700).map((one, at) => ({ ...one, firstKeyMs: at % 2 ? 300 : 1500 }));
    expect(of({ easyKeypadMs, keypad: { at: now, samples: uneven } }).overheadMs).toBe(1300);
    expect(of({ easyKeypadMs, keypad: { at: now, samples: copies(700) } })).toMatchObject({
      overheadMs: 700,
      calibrated: true,
    });
    expect(of({})).toEqual(uncalibrated('keypad'));
    expect(of({ easyKeypadMs, capture: 'tutor' })).toEqual(uncalibrated('tutor'));
  });
  it('comes from the visit that goes on as soon as it has six, and only by keypad', () => {
    const six = Array.from({ length: 6 }, () => answer({ latencyMs: 1200 }));
    const plain = measuringOf(measured(), now);
    expect(overheadInVisit(plain, 'keypad', six.slice(1))(1)).toEqual(uncalibrated('keypad'));
    expect(overheadInVisit(plain, 'keypad', six)(2).overheadMs).toBe(1000);
    expect(overheadInVisit(plain, 'tutor', six)(1)).toEqual(uncalibrated('keypad'));
    const known = measuringOf(measured({ keypad: { at: now, samples: copies(700) } }), now);
    expect(overheadInVisit(known, 'keypad', six)(1).overheadMs).toBe(700);
  });
});

describe('an overhead that has shrunk', () => {
  it('shows in the fastest tenth of the latest thirty answers', () => {
    const list = Array.from({ length: 31 }, (_, at) => 100 * at);
    expect(quickestTenth(list.slice(0, 29))).toBeNull();
    // Of thirty from 0 to 2900 by 100, a tenth of the way in.
    expect(quickestTenth(list)).toBeCloseTo(290, 9);
  });
  it('is left alone within a spread of what can be, and else taken so that the fastest tenth can be', () => {
    expect(overheadShortByMs(null, [], 150)).toBe(0);
    expect(overheadShortByMs(0, [], 150)).toBe(0);
    expect(overheadShortByMs(-1, [], 150)).toBe(151);
    const easy = Array.from({ length: 12 }, () => 500);
    expect(overheadShortByMs(349, easy, 150)).toBe(151);
    expect(overheadShortByMs(349, easy.slice(1), 150)).toBe(0);
    expect(
      overheadShortByMs(
        -1,
        Array.from({ length: 12 }, () => 20),
        150,
      ),
    ).toBe(151);
  });
  it('is flagged, asks for a measurement, and never falls below 0', () => {
    const keypad = { at: now, samples: copies(700) };
    const of = (quickestTenthMs: number | null) =>
      measuringOf(measured({ keypad, quickestTenthMs }), now).overheadFor(2);
    expect(of(null)).toMatchObject({ overheadMs: 700, calibrated: true });
    expect(of(200)).toMatchObject({ overheadMs: 700, calibrated: true });
    expect(of(-250)).toMatchObject({
      overheadMs: 300,
      calibrated: false,
      because: 'Answers come 400 ms sooner than was measured: measure again.',
    });
    expect(of(-5000).overheadMs).toBe(0);
  });
  it('is found where it shrank, and not found where it did not (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 400, max: 4000 }), { minLength: 30, maxLength: 60 }),
        fc.integer({ min: 0, max: 1500 }),
        (takenMs, shrankMs) => {
          const short = overheadShortByMs(quickestTenth(takenMs.map((ms) => ms - shrankMs)), [], 150);
          if (shrankMs === 0) expect(short).toBe(0);
          if (short > 0) expect(short).toBeLessThanOrEqual(shrankMs);
        },
      ),
    );
  });
});
