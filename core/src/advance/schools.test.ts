import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findSet } from '../facts/pathway.ts';
import { aimLineOf, lineAt, readAimLine } from './aimLine.ts';
import { decide } from './decide.ts';
import type { CheckResult, Evidence, JudgedAnswer } from './decision.ts';
import { growthOf } from './growth.ts';
import { defaultPolicy, policyTroubles } from './policy.ts';
import { retentionAsks, retentionFacts } from '../practice/lookBack.ts';
import { judgeRetention, retentionDue } from './retention.ts';

const set = findSet('strategy/mul/squares') ?? { name: 'squares', practises: ['6x6', '7x7'] };
const check = (over: Partial<CheckResult> = {}): CheckResult => ({
  id: 'c1',
  at: '2026-11-20T10:00:00Z',
  right: 20,
  wrong: 1,
  usedMs: 60_000,
  digitsPerMinute: 34,
  mixed: true,
  ...over,
});
const evidence = (over: Partial<Evidence> = {}): Evidence => ({
  school: 'publishedRate',
  policy: defaultPolicy,
  set,
  answers: [],
  checks: [check()],
  ceiling: null,
  timeZone: 'UTC',
  grade: 3,
  ...over,
});

describe('published rate', () => {
  it('moves on at mastery of the grade, met in mixed checks by keypad on two days running', () => {
    const before = (over: Partial<CheckResult> = {}) =>
      check({ id: 'c0', at: '2026-11-17T10:00:00Z', ...over });
    const judge = (checks: CheckResult[], over: Partial<Evidence> = {}) =>
      decide(evidence({ checks, ...over }));
    expect(judge([before(), check()])).toMatchObject({
      verdict: 'advance',
      checkIds: ['c0', 'c1'],
      wouldSettle: '',
    });
    // Once is not twice, nor is twice on one day, nor with a check of the day before that missed it.
    const once = judge([check()]);
    expect(once).toMatchObject({ verdict: 'notEnough', checkIds: ['c1'] });
    expect(once.missing[0]?.text).toContain('twice, on different days');
    expect(judge([before({ at: '2026-11-20T09:00:00Z' }), check()]).verdict).toBe('notEnough');
    expect(judge([before({ digitsPerMinute: 12 }), check()]).verdict).toBe('notEnough');
    expect(judge([before({ wrong: 3 }), check()]).verdict).toBe('notEnough');
    expect(judge([before(), check({ digitsPerMinute: 12 })]).verdict).toBe('stay');
    // Half past eleven in the evening and half past midnight in London are one day in New York.
    const night = [before({ at: '2026-11-19T23:30:00Z' }), check({ at: '2026-11-20T00:30:00Z' })];
    expect(judge(night).verdict).toBe('advance');
    expect(judge(night, { timeZone: 'America/New_York' }).verdict).toBe('notEnough');
    expect(judge([before(), check()], { grade: 5 }).verdict).toBe('stay');
    const forty = { digitsPerMinute: 40 };
    expect(judge([before(forty), check(forty)], { grade: 5 }).verdict).toBe('advance');
  });
  it('steps back below the level of instruction', () => {
    const found = decide(evidence({ checks: [check({ digitsPerMinute: 9.9 })] }));
    expect(found.verdict).toBe('stepBack');
    expect(found.reasons.map((one) => one.text).join(' ')).toContain('step back a set, or add an aid');
  });
  it('counts neither plain minutes, nor minutes without digits, nor those with too many wrong', () => {
    expect(decide(evidence({ checks: [check({ mixed: false })] })).missing[0]?.text).toContain(
      'mixed with earlier sets',
    );
    expect(decide(evidence({ checks: [check({ digitsPerMinute: null })] })).missing[0]?.text).toContain(
      'keypad',
    );
    expect(decide(evidence({ checks: [check({ wrong: 3 })] })).verdict).toBe('stay');
  });
  it('asks for a grade, or takes the numbers of the policy', () => {
    expect(decide(evidence({ grade: null })).missing[0]?.text).toContain('give a grade');
    const policy = { ...defaultPolicy, masteryDigits: 50 };
    expect(decide(evidence({ grade: null, policy })).verdict).toBe('stay');
    expect(decide(evidence({ grade: null, policy, checks: [check({ digitsPerMinute: 24 })] })).verdict).toBe(
      'stepBack',
    );
  });
});

describe('accurate and explained', () => {
  const days = ['2026-11-16', '2026-11-18'];
  const right = (fact: string, seen: JudgedAnswer['seen'] = []): JudgedAnswer[] =>
    [0, 1, 2, 3].map((n) => ({
      id: `${fact}${n}`,
      fact,
      at: `${days[n % 2]}T10:0${n}:00Z`,
      class: 'right',
      seen: n === 3 ? seen : [],
    }));
  const facts = [...new Set(set.practises)];
  const judge = (answers: JudgedAnswer[]) =>
    decide(evidence({ school: 'accurateExplained', answers, checks: [] }));
  it('moves on when all are secure and two ways are explained; no minute is asked', () => {
    const one = facts.flatMap((fact) => right(fact, ['explained']));
    expect(judge(one).verdict).toBe('stay');
    expect(judge(one).wouldSettle).toContain('Is there another way?');
    const two = facts.flatMap((fact, at) =>
      right(fact, at === 0 ? ['explained', 'fromDouble'] : ['explained']),
    );
    expect(judge(two)).toMatchObject({ verdict: 'advance', missing: [] });
  });
  it('names what was missed, not asked and not explained', () => {
    expect(judge([]).verdict).toBe('notEnough');
    expect(judge([]).missing[0]?.text).toContain('not asked yet');
    const missed = judge([
      ...facts.slice(1).flatMap((fact) => right(fact)),
      { fact: facts[0] as string, at: '2026-11-18T11:00:00Z', class: 'missed', seen: [] },
    ]);
    expect(missed.verdict).toBe('stay');
    expect(missed.reasons.at(-1)?.text).toContain('Missed when last asked');
    expect(missed.missing[0]?.text).toContain('Not explained yet');
  });
});

describe('retention', () => {
  const answer = (cls: JudgedAnswer['class'], at: number) => ({
    id: `a${at}`,
    fact: `${at + 1}x2`,
    class: cls,
  });
  it('is due after 7 and 28 days, once each', () => {
    const passed = (lookDays: number[]) => ({ setId: 's', passedDay: 100, lookDays });
    expect(retentionDue(passed([]), 106, defaultPolicy)).toBeNull();
    expect(retentionDue(passed([]), 107, defaultPolicy)).toBe('first');
    expect(retentionDue(passed([108]), 109, defaultPolicy)).toBeNull();
    expect(retentionDue(passed([108]), 128, defaultPolicy)).toBe('second');
    expect(retentionDue(passed([108, 130]), 131, defaultPolicy)).toBeNull();
    expect(retentionDue(passed([]), 400, defaultPolicy)).toBe('second');
  });
  it('asks six more when three were not recalled, and reviews at half or more', () => {
    const list = (short: number, of: number) =>
      Array.from({ length: of }, (_, at) => answer(at < short ? 'workedOut' : 'recalled', at));
    expect(retentionAsks(list(2, 6), defaultPolicy)).toBe(6);
    expect(retentionAsks(list(3, 6), defaultPolicy)).toBe(12);
    expect(judgeRetention(list(2, 6), defaultPolicy).verdict).toBe('stay');
    expect(judgeRetention(list(3, 6), defaultPolicy)).toMatchObject({
      verdict: 'notEnough',
      wouldSettle: '6 more facts of the set.',
    });
    expect(judgeRetention(list(5, 12), defaultPolicy).verdict).toBe('stay');
    expect(judgeRetention(list(6, 12), defaultPolicy).verdict).toBe('review');
  });
  it('asks a small set whole, and says review of it when half slipped', () => {
    const list = (short: number, of: number) =>
      Array.from({ length: of }, (_, at) => answer(at < short ? 'missed' : 'recalled', at));
    expect(judgeRetention(list(3, 6), defaultPolicy, 6).verdict).toBe('review');
    expect(judgeRetention(list(3, 9), defaultPolicy, 9).verdict).toBe('stay');
    expect(judgeRetention(list(5, 9), defaultPolicy, 9).verdict).toBe('review');
    expect(judgeRetention(list(3, 8), defaultPolicy, 9)).toMatchObject({
      verdict: 'notEnough',
      wouldSettle: '1 more fact of the set.',
    });
    // Where the policy lets five of six slip without asking more, four are no reason for a review.
    expect(judgeRetention(list(4, 6), { ...defaultPolicy, retentionShort: 5 }).verdict).toBe('stay');
  });
  it('draws different facts, the same for the same seed', () => {
    const drawn = retentionFacts(set.practises, 5, 6);
    expect(new Set(drawn).size).toBe(6);
    expect(retentionFacts(set.practises, 5, 6)).toEqual(drawn);
  });
});

describe('aim line', () => {
  const points = [10, 12, 11, 13, 14].map((value, at) => ({ day: at * 7, value }));
  it('goes from the median of the first three to the aim', () => {
    const line = aimLineOf(points, 30, 107);
    expect(line).toEqual({ from: { day: 7, value: 11 }, to: { day: 107, value: 30 } });
    expect(line && lineAt(line, 57)).toBeCloseTo(20.5, 9);
    expect(line && lineAt(line, 500)).toBe(30);
    expect(aimLineOf(points.slice(0, 2), 30, 100)).toBeUndefined();
    expect(aimLineOf(points, 30, 5)).toBeUndefined();
  });
  it('speaks after four running on one side, and only then', () => {
    const line = aimLineOf(points, 30, 107);
    if (!line) throw new Error('there should be a line');
    const later = (values: number[]) => [
      ...points.slice(0, 3),
      ...values.map((value, at) => ({ day: 21 + at * 7, value })),
    ];
    expect(readAimLine(line, later([11, 11, 11, 11]), 4)).toBe('below');
    expect(readAimLine(line, later([25, 25, 25, 25]), 4)).toBe('above');
    expect(readAimLine(line, later([11, 11, 25, 11]), 4)).toBe('on');
    expect(readAimLine(line, later([11, 11, 11]), 4)).toBe('on');
  });
});

describe('growth', () => {
  it('is a factor a week, and its interval holds a steady one', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.8, max: 1.3, noNaN: true }),
        fc.integer({ min: 8, max: 30 }),
        (factor, n) => {
          const growth = growthOf(
            Array.from({ length: n }, (_, at) => ({ day: at * 7, value: 10 * factor ** at })),
          );
          expect(growth?.perWeek).toBeCloseTo(factor, 6);
          expect(growth?.low).toBeCloseTo(factor, 6);
          expect(growth?.high).toBeCloseTo(factor, 6);
        },
      ),
    );
  });
  it('is wide when checks scatter, and needs eight above 0', () => {
    const values = [10, 14, 9, 13, 11, 15, 10, 14];
    const growth = growthOf(values.map((value, at) => ({ day: at * 7, value })));
    expect(growth && growth.low < 1 && growth.high > 1).toBe(true);
    expect(growthOf(values.slice(1).map((value, at) => ({ day: at, value })))).toBeUndefined();
    expect(growthOf(values.map((value, at) => ({ day: at, value: at === 3 ? 0 : value })))).toBeUndefined();
  });
});

describe('a policy that can never be met', () => {
  it('is told in a sentence', () => {
    expect(policyTroubles(defaultPolicy, 'eachFactInstant')).toEqual([]);
    expect(policyTroubles({ ...defaultPolicy, retentionSecondDays: 7 }, 'minuteAim')[0]).toContain(
      'make it later',
    );
    expect(policyTroubles({ ...defaultPolicy, retentionShort: 7 }, 'minuteAim')[0]).toContain(
      'never be short',
    );
    expect(
      policyTroubles({ ...defaultPolicy, masteryDigits: 20, instructionDigits: 20 }, 'publishedRate'),
    ).toHaveLength(1);
    expect(policyTroubles({ ...defaultPolicy, minuteMs: 5000 }, 'minuteAim')[0]).toContain('15 s');
  });
});
