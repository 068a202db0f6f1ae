import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerOf, factKey, parseFactKey } from '../facts/fact.ts';
import { operations } from '../facts/operation.ts';
import { factsInRange } from '../facts/range.ts';
import { calibrationLastsDays } from './calibration.ts';
import { factFoldOf, statesIn, type FoldedAnswer } from './factFold.ts';
import { inOrder, latestOfEach, type ClassedAnswer } from './factState.ts';
import { measuredOverheads, measuringOf, type Measured } from './measuring.ts';
import { slipOf, slipsOf, type SlipKind } from './slip.ts';
import { nearMisses, slipPatterns, type ReadSlip } from './slipPattern.ts';

/* Rules held at their bounds: each line is one that a change of one sign, bound or word would turn. */

const all = operations.flatMap((one) => factsInRange(one));

describe('a slip', () => {
  it.each<[key: string, given: number, kind: SlipKind, fits: boolean]>([
    ['0+7', 0, 'zeroOneRule', true],
    ['7+0', 0, 'zeroOneRule', true],
    ['7+1', 0, 'zeroOneRule', false],
    ['0+7', 1, 'zeroOneRule', false],
    ['7-0', 0, 'zeroOneRule', true],
    ['7-0', 1, 'zeroOneRule', false],
    ['7-6', 0, 'zeroOneRule', false],
    ['7-7', 7, 'zeroOneRule', true],
    ['8-7', 8, 'zeroOneRule', false],
    ['7-7', 6, 'zeroOneRule', false],
    ['0x7', 7, 'zeroOneRule', true],
    ['7x0', 7, 'zeroOneRule', true],
    ['7x0', 1, 'zeroOneRule', false],
    ['1x7', 1, 'zeroOneRule', true],
    ['7x1', 1, 'zeroOneRule', true],
    ['1x7', 8, 'zeroOneRule', true],
    ['7x1', 8, 'zeroOneRule', true],
    ['7x1', 6, 'zeroOneRule', false],
    ['7x2', 1, 'zeroOneRule', false],
    ['2x7', 8, 'zeroOneRule', false],
    ['0:7', 7, 'zeroOneRule', true],
    ['0:7', 1, 'zeroOneRule', false],
    ['14:7', 7, 'zeroOneRule', false],
    ['7:1', 1, 'zeroOneRule', true],
    ['7:1', 0, 'zeroOneRule', false],
    ['14:2', 1, 'zeroOneRule', false],
    ['7:7', 0, 'zeroOneRule', true],
    ['7:7', 7, 'zeroOneRule', true],
    ['14:7', 0, 'zeroOneRule', false],
    ['8-3', -5, 'signOfAnswer', true],
    ['8-3', -4, 'signOfAnswer', false],
    ['8+3', 24, 'otherOperation', true],
    ['8+3', 5, 'otherOperation', true],
    ['3+8', 5, 'otherOperation', true],
    ['8+4', 2, 'otherOperation', true],
    ['8+3', 2, 'otherOperation', false],
    ['8-3', 24, 'otherOperation', true],
    ['0+5', 0, 'otherOperation', true],
    ['8x3', 11, 'otherOperation', true],
    ['24:8', 16, 'otherOperation', true],
    ['24:8', 32, 'otherOperation', true],
    ['24:8', 192, 'otherOperation', true],
    ['12-5', 13, 'smallerFromLarger', true],
    ['13-5', 12, 'smallerFromLarger', true],
    ['15-5', 0, 'smallerFromLarger', false],
    ['16-5', 19, 'smallerFromLarger', false],
    ['12+5', 13, 'smallerFromLarger', false],
    ['7x8', 65, 'digitsSwapped', true],
    ['7x6', 24, 'digitsSwapped', true],
    ['5x4', 2, 'digitsSwapped', false],
    ['3x3', 9, 'digitsSwapped', false],
    ['6+5', 11, 'digitsSwapped', false],
    ['6+7', 30, 'teenForTy', true],
    ['5x6', 13, 'teenForTy', true],
    ['6+6', 20, 'teenForTy', false],
    ['10x9', 19, 'teenForTy', true],
    ['9+9', 80, 'teenForTy', true],
    ['10x10', 20, 'teenForTy', false],
    ['8x9', 81, 'nextMultiple', true],
    ['8x9', 80, 'nextMultiple', true],
    ['8x9', 63, 'nextMultiple', true],
    ['8x9', 64, 'nextMultiple', true],
    ['8x9', 62, 'nextMultiple', false],
    ['1x9', 10, 'nextMultiple', false],
    ['9x1', 8, 'nextMultiple', false],
    ['8+9', 25, 'nextMultiple', false],
    ['42:6', 8, 'quotientOffByOne', true],
    ['42:6', 6, 'quotientOffByOne', true],
    ['42:6', 9, 'quotientOffByOne', false],
    ['7+6', 12, 'quotientOffByOne', false],
    ['7+6', 12, 'offByOne', true],
    ['7+6', 14, 'offByOne', true],
    ['7+6', 15, 'offByOne', false],
    ['7+8', 25, 'tenOff', true],
    ['7+8', 5, 'tenOff', true],
    ['7+8', 24, 'tenOff', false],
    ['10x12', 20, 'tenOrHundredLost', true],
    ['12x12', 44, 'tenOrHundredLost', true],
    ['7x8', 6, 'tenOrHundredLost', true],
    ['10x8', 8, 'tenOrHundredLost', true],
    ['10x8', 0, 'tenOrHundredLost', true],
    ['7x8', 5, 'tenOrHundredLost', false],
    ['4+5', 9, 'tenOrHundredLost', false],
    ['4+4', 0, 'tenOrHundredLost', false],
    ['7x8', 156, 'tenOrHundredLost', false],
    ['6+9', 6, 'operandRepeated', true],
    ['6+9', 9, 'operandRepeated', true],
    ['6+9', 12, 'operandRepeated', true],
    ['6+9', 18, 'operandRepeated', true],
    ['6+9', 36, 'operandRepeated', false],
    ['6x9', 36, 'operandRepeated', true],
    ['6x9', 81, 'operandRepeated', true],
    ['6x9', 12, 'operandRepeated', false],
    ['9-6', 12, 'operandRepeated', false],
    ['7x8', 58, 'offByTwo', true],
    ['7x8', 54, 'offByTwo', true],
    ['42:6', 9, 'offByTwo', true],
    ['7+8', 17, 'offByTwo', false],
    ['7x8', 57, 'offByTwo', false],
    ['7x8', 54, 'neighbourFact', true],
    ['7x8', 72, 'neighbourFact', true],
    ['7x8', 42, 'neighbourFact', true],
    ['7x8', 70, 'neighbourFact', false],
    ['7+8', 17, 'neighbourFact', true],
    ['7+8', 13, 'neighbourFact', true],
    ['7+8', 18, 'neighbourFact', false],
    ['0+0', 2, 'neighbourFact', true],
    ['5-5', 1, 'neighbourFact', true],
    ['5-5', 2, 'neighbourFact', true],
    ['56:7', 9, 'neighbourFact', false],
  ])('in %s of %i is %s: %s', (key, given, kind, fits) => {
    expect(slipsOf(parseFactKey(key), given).includes(kind)).toBe(fits);
  });
  it('is read from whole numbers alone', () => {
    for (const given of ['x12', '12x', '1.2', '--5', ' 12', '12 '])
      expect(slipOf('7+6', given)).toBeUndefined();
    expect(slipOf('8-3', '-5')).toBe('signOfAnswer');
  });
  it('may be what nothing explains, and that alone', () => {
    expect(slipsOf(parseFactKey('7x8'), 99)).toEqual(['unread']);
    expect(slipsOf(parseFactKey('7x8'), 56)).toEqual([]);
    expect(slipsOf(parseFactKey('7x8'), 57)).not.toContain('unread');
  });
});

describe('near misses', () => {
  it('are the numbers within twelve, and what the facts beside it come to', () => {
    for (const fact of all) {
      const answer = answerOf(fact);
      const beside = (given: number) =>
        [-1, 0, 1].some((a) =>
          [-1, 0, 1].some((b) => {
            const { operation, left, right } = { ...fact, left: fact.left + a, right: fact.right + b };
            if (left < 0 || right < 0) return false;
            if (operation === 'add') return left + right === given;
            if (operation === 'sub') return left - right === given;
            if (operation === 'mul') return left * right === given;
            return right > 0 && given * right === left;
          }),
        );
      const expected = Array.from({ length: 400 }, (_, given) => given).filter(
        (given) => given !== answer && (Math.abs(given - answer) <= 12 || beside(given)),
      );
      expect(nearMisses(fact)).toEqual(expected);
    }
  });
});

describe('patterns of slips', () => {
  const slip = (key: string, given: number, nth: number): ReadSlip => ({
    id: `${nth}`,
    fact: key,
    given: String(given),
    kind: slipOf(key, String(given)) ?? 'unread',
  });
  it('come the most frequent first', () => {
    const slips = Array.from({ length: 18 }, (_, nth) =>
      nth % 3 === 0 ? slip('12-5', 13, nth) : slip('7x8', 65, nth),
    );
    const found = slipPatterns(slips);
    expect(found.map((one) => [one.kind, one.slips.length, one.of])).toEqual([
      ['digitsSwapped', 12, 18],
      ['smallerFromLarger', 6, 18],
    ]);
  });
});

describe('what is measured', () => {
  const now = '2026-11-20T09:00:00.000Z';
  const daysAgo = (days: number) => new Date(Date.parse(now) - days * 86_400_000).toISOString();
  const copies = (promptToPromptMs: number, digits = 1) =>
    Array.from({ length: 8 }, () => ({ digits, firstKeyMs: 700, promptToPromptMs }));
  const bare: Measured = {
    capture: 'keypad',
    recallLimit: '2000',
    easyTimesMs: [],
    keypad: null,
    naming: null,
    judging: null,
  };
  it('is stale the day after it has lasted, by what the way of capture rests on', () => {
    const keypad = (days: number) =>
      measuringOf({ ...bare, keypad: { at: daysAgo(days), samples: copies(1500) } }, now);
    expect(keypad(calibrationLastsDays)).toMatchObject({ ageDays: calibrationLastsDays, stale: false });
    expect(keypad(calibrationLastsDays + 1)).toMatchObject({
      ageDays: calibrationLastsDays + 1,
      stale: true,
    });
    expect(measuringOf(bare, now)).toMatchObject({ ageDays: null, stale: false, ceiling: null });
    const times = Array.from({ length: 10 }, () => 500);
    const old = { at: daysAgo(40), timesMs: times };
    const fresh = { at: daysAgo(2), timesMs: times };
    const samples = { at: daysAgo(3), samples: copies(1500) };
    const three = { ...bare, keypad: samples, judging: old, voice: fresh };
    expect(measuringOf({ ...three, capture: 'tutor' }, now)).toMatchObject({ ageDays: 40, stale: true });
    expect(measuringOf({ ...three, capture: 'voice' }, now)).toMatchObject({ ageDays: 2, stale: false });
    expect(measuringOf({ ...three, capture: 'keypad' }, now)).toMatchObject({ ageDays: 3 });
    expect(measuringOf({ ...bare, capture: 'voice' }, now).ageDays).toBeNull();
  });
  it('has a ceiling of one’s own, else of naming in the same way of capture', () => {
    const naming = { at: now, promptToPromptMs: Array.from({ length: 8 }, () => 1000) };
    const own = { perMinute: 48, from: 'ownAnswers', answers: 20 } as const;
    const samples = { at: now, samples: [...copies(1500), ...copies(1500, 2), ...copies(6000, 3)] };
    const ceilingOf = (over: Partial<Measured>) => measuringOf({ ...bare, ...over }, now).ceiling;
    // Copies of three digits are like no answer.
    expect(ceilingOf({ keypad: samples, naming })).toMatchObject({
      perMinute: 40,
      from: 'naming',
      answers: 16,
    });
    expect(ceilingOf({ capture: 'tutor', keypad: samples, naming })).toMatchObject({
      perMinute: 60,
      answers: 8,
    });
    expect(ceilingOf({ capture: 'tutor', keypad: samples })).toBeNull();
    expect(ceilingOf({ naming })).toBeNull();
    expect(ceilingOf({ capture: 'tutor', naming, ownCeiling: own })).toEqual(own);
    expect(ceilingOf({ ownCeiling: own })).toEqual(own);
  });
  it('by voice has the overhead of the audio path, and none where that was not measured', () => {
    const voice = { at: now, timesMs: Array.from({ length: 10 }, () => 90) };
    expect(measuredOverheads({ ...bare, capture: 'voice', voice })(1)).toMatchObject({ calibrated: true });
    expect(measuredOverheads({ ...bare, capture: 'voice' })(1)).toMatchObject({ calibrated: false });
    const judging = { at: now, timesMs: Array.from({ length: 10 }, () => 400) };
    expect(measuredOverheads({ ...bare, capture: 'voice', judging })(1)).toMatchObject({ calibrated: false });
    expect(measuredOverheads({ ...bare, capture: 'tutor', judging })(1)).toMatchObject({ calibrated: true });
    expect(measuredOverheads({ ...bare, capture: 'tutor', voice })(1)).toMatchObject({ calibrated: false });
    // Nothing was measured, and no answer yet that needs no thought.
    expect(measuredOverheads(bare)(1)).toMatchObject({ calibrated: false });
  });
});

describe('answers in order', () => {
  const answer = (at: string, over: Partial<ClassedAnswer> = {}): ClassedAnswer => ({
    fact: '7x8',
    at,
    class: 'recalled',
    seen: [],
    ...over,
  });
  const day = (nth: number, ms = '000') => `2026-11-${String(nth).padStart(2, '0')}T09:00:00.${ms}Z`;
  it('stay as they were handed in where they are, and else go oldest first', () => {
    const ordered = [answer(day(1)), answer(day(2)), answer(day(3))];
    expect(inOrder(ordered)).toBe(ordered);
    expect(inOrder(ordered.toReversed())).toEqual(ordered);
    // Instants written otherwise do not compare as text.
    const offsets = [answer('2026-11-02T01:00:00.000+05:00'), answer('2026-11-01T23:00:00.000Z')];
    expect(inOrder(offsets).map((one) => one.at)).toEqual(offsets.map((one) => one.at));
    const mixed = [answer('2026-11-01T23:00:00.000Z'), answer('2026-11-02T01:00:00.000+05:00')];
    expect(inOrder(mixed).map((one) => one.at)).toEqual(offsets.map((one) => one.at));
    const short = [answer('2026-11-02T09:00:00Z'), answer(day(1))];
    expect(inOrder(short).map((one) => one.at)).toEqual([day(1), '2026-11-02T09:00:00Z']);
  });
  it('of one instant have an order of their own, whatever order they come in', () => {
    const kinds = [
      answer(day(1)),
      answer(day(1), { class: 'missed' }),
      answer(day(1), { aided: true }),
      answer(day(1), { seen: ['fingers'] }),
      answer(day(1), { class: 'workedOut' }),
    ];
    const expected = inOrder(kinds);
    fc.assert(
      fc.property(fc.shuffledSubarray(kinds, { minLength: 5, maxLength: 5 }), (shuffled) => {
        expect(inOrder(shuffled)).toEqual(expected);
      }),
    );
    expect(expected.map((one) => one.class)).toEqual([
      'missed',
      'recalled',
      'recalled',
      'recalled',
      'workedOut',
    ]);
    // Not aided before aided.
    const plain = expected.findIndex(
      (one) => one.class === 'recalled' && !one.aided && one.seen.length === 0,
    );
    const aided = expected.findIndex((one) => one.aided);
    expect(plain).toBeLessThan(aided);
  });
  it('are looked back over as far as was asked, of each fact, oldest first', () => {
    const answers = Array.from({ length: 12 }, (_, nth) =>
      answer(day(nth + 1), { fact: nth % 3 === 0 ? '7x8' : '6x9' }),
    );
    const found = latestOfEach(answers.toReversed(), 2);
    expect(found.map((one) => [one.fact, one.at])).toEqual([
      ['7x8', day(7)],
      ['7x8', day(10)],
      ['6x9', day(11)],
      ['6x9', day(12)],
    ]);
    expect(latestOfEach(answers, 0)).toEqual([]);
    expect(latestOfEach(answers, 20)).toEqual(answers);
  });
});

describe('the fold of a fact', () => {
  const given = (nth: number, playId?: string): FoldedAnswer => ({
    fact: '7x8',
    at: `2026-11-0${nth}T09:00:00.000Z`,
    class: 'recalled',
    seen: [],
    correctedMs: 900,
    right: true,
    ...(playId === undefined ? {} : { playId }),
  });
  it('keeps the latest play it was asked in, and what it was before that play', () => {
    const early = [given(1, 'a'), given(2, 'a'), given(3, 'a')];
    const before = statesIn(factFoldOf('7x8', early, 'UTC'));
    expect(before.timed).toBe('recalled');
    const fold = factFoldOf('7x8', [...early, given(4, 'b'), given(5, 'b')], 'UTC');
    expect(fold.latestPlay).toEqual({ id: 'b', before });
    expect(factFoldOf('7x8', early, 'UTC').latestPlay).toEqual({
      id: 'a',
      before: { timed: 'untried', untimed: 'untried' },
    });
    // An answer whose play is not known changes nothing of it.
    expect(factFoldOf('7x8', [...early, given(4)], 'UTC').latestPlay?.id).toBe('a');
    expect(factFoldOf('7x8', [given(1)], 'UTC').latestPlay).toBeNull();
  });
  it('of every fact begins alike', () => {
    for (const fact of all.slice(0, 40)) {
      const key = factKey(fact);
      expect(statesIn(factFoldOf(key, [], 'UTC'))).toEqual({ timed: 'untried', untimed: 'untried' });
    }
  });
});
