import fc from 'fast-check';
import { median } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { findSet } from '../facts/pathway.ts';
import { isCountedAsQuickly, parseFactKey } from '../facts/fact.ts';
import { smallerNumber } from '../recall/countingSign.ts';
import type { Ceiling } from '../recall/ceiling.ts';
import { decide } from './decide.ts';
import {
  isMinuteOffered,
  type CheckResult,
  type Evidence,
  type JudgedAnswer,
  type Reason,
} from './decision.ts';
import { factsNeeded } from './eachFactInstant.ts';
import { defaultPolicy, isUntimed, policyInForce, schools } from './policy.ts';
import { theilSen } from './trend.ts';
import { countText, factListText, joinText } from './words.ts';

describe('Theil-Sen', () => {
  it('is the median of pairwise slopes', () => {
    // Source: Theil (1950), Sen (1968); medians by mathjs over all pairs, written apart from our code.
    const points = fc.array(
      fc.record({ day: fc.integer({ min: 0, max: 90 }), value: fc.integer({ min: 0, max: 60 }) }),
      { minLength: 2, maxLength: 25 },
    );
    fc.assert(
      fc.property(points, (list) => {
        const slopes: number[] = [];
        for (let i = 0; i < list.length; i += 1)
          for (let j = i + 1; j < list.length; j += 1) {
            const [a, b] = [list[i], list[j]] as [(typeof list)[0], (typeof list)[0]];
            if (a && b && a.day !== b.day) slopes.push((b.value - a.value) / (b.day - a.day));
          }
        const found = theilSen(list);
        if (slopes.length === 0) expect(found).toEqual({ perWeek: null, intercept: null });
        else {
          const perDay = Number(median(slopes));
          expect(found.perWeek).toBeCloseTo(perDay * 7, 8);
          expect(found.intercept).toBeCloseTo(
            Number(median(list.map((one) => one.value - perDay * one.day))),
            8,
          );
        }
      }),
    );
  });
  it('is not moved by one wild check', () => {
    const list = Array.from({ length: 9 }, (_, at) => ({ day: at * 7, value: 10 + at }));
    expect(theilSen(list)).toEqual({ perWeek: 1, intercept: 10 });
    expect(theilSen(list.map((one, at) => (at === 4 ? { ...one, value: 90 } : one))).perWeek).toBeCloseTo(
      1,
      1,
    );
  });
});

const set = findSet('strategy/add/bonds-to-ten');
if (!set) throw new Error('the set should be there');
const facts = set.practises;
const check = (over: Partial<CheckResult> = {}): CheckResult => ({
  id: 'c1',
  at: '2026-11-20T10:00:00Z',
  right: 31,
  wrong: 1,
  usedMs: 60_000,
  ...over,
});
const days = ['2026-11-17', '2026-11-18', '2026-11-19'];
const recalledAnswers = (keys: readonly string[], over: Partial<JudgedAnswer> = {}): JudgedAnswer[] =>
  keys.flatMap((fact) =>
    days.map((day, at) => ({
      id: `${fact}@${at}`,
      fact,
      at: `${day}T10:00:00Z`,
      class: 'recalled',
      seen: ['noCounting'],
      correctedMs: 1000,
      ...over,
    })),
  );
const naming = (perMinute: number): Ceiling => ({ perMinute, from: 'naming', answers: 12 });
/** The sentences alone. */
const texts = (reasons: readonly Reason[]) => reasons.map((one) => one.text);
const evidence = (over: Partial<Evidence> = {}): Evidence => ({
  school: 'eachFactInstant',
  policy: defaultPolicy,
  set,
  answers: recalledAnswers(facts),
  checks: [check()],
  ceiling: naming(50),
  timeZone: 'UTC',
  ...over,
});

describe('minute aim', () => {
  const judge = (over: Partial<Evidence>) => decide(evidence({ school: 'minuteAim', ...over }));
  it('moves on at the aim with few wrong', () => {
    const found = judge({});
    expect(found.verdict).toBe('advance');
    expect(found.reasons[0]?.text).toBe('31 right a minute in the latest check; the aim is 30.');
    expect(found.checkIds).toEqual(['c1']);
  });
  it('stays under the aim, or with too many wrong', () => {
    expect(judge({ checks: [check({ right: 29 })] }).verdict).toBe('stay');
    expect(judge({ checks: [check({ wrong: 3 })] }).verdict).toBe('stay');
    expect(judge({ checks: [check({ right: 15, usedMs: 30_000 })] }).verdict).toBe('advance');
  });
  it('asks nine tenths of a low ceiling, and says so', () => {
    const found = judge({ ceiling: naming(28), checks: [check({ right: 26 })] });
    expect(found.verdict).toBe('advance');
    expect(texts(found.reasons).join(' ')).toContain('ceiling is 28 a minute');
    expect(judge({ ceiling: naming(28), checks: [check({ right: 25 })] }).verdict).toBe('stay');
  });
  it('hangs nothing on a check that was cut short', () => {
    const found = judge({ checks: [check({ counts: false })] });
    expect(found.verdict).toBe('notEnough');
    expect(texts(found.missing).join(' ')).toContain('cut short');
    expect(found.wouldSettle).toContain('weekly minute');
  });
  it('names four checks without growth', () => {
    const flat = [22, 21, 22, 20].map((right, at) =>
      check({ id: `c${at}`, at: `2026-11-0${at + 1}T10:00:00Z`, right }),
    );
    expect(judge({ checks: flat }).checkIds).toEqual(['c0', 'c1', 'c2', 'c3']);
    expect(texts(judge({ checks: flat }).reasons).join(' ')).toContain(
      '4 checks without growth: 22, 21, 22 and 20',
    );
    // None at all is none.
    const level = [21, 21, 21, 21].map((right, at) =>
      check({ id: `c${at}`, at: `2026-11-0${at + 1}T10:00:00Z`, right }),
    );
    expect(texts(judge({ checks: level }).reasons).join(' ')).toContain('4 checks without growth');
    const growing = [18, 20, 21, 23].map((right, at) =>
      check({ id: `c${at}`, at: `2026-11-0${at + 1}T10:00:00Z`, right }),
    );
    expect(texts(judge({ checks: growing }).reasons).join(' ')).not.toContain('without growth');
  });
});

describe('each fact instant', () => {
  it('moves on when the facts are recalled and a minute confirms it', () => {
    const found = decide(evidence());
    expect(found).toMatchObject({
      about: 'set',
      verdict: 'advance',
      missing: [],
      wouldSettle: '',
      strays: [],
    });
    expect(found.reasons[0]?.text).toBe(`11 of 11 facts recalled; 10 are needed.`);
    expect(found.answerIds).toHaveLength(33);
    expect(found.checkIds).toEqual(['c1']);
  });
  it('carries up to two short along', () => {
    const short = facts[3] as string;
    const found = decide(evidence({ answers: recalledAnswers(facts.filter((one) => one !== short)) }));
    expect(found).toMatchObject({ verdict: 'advance', strays: [short] });
  });
  it('names the facts left with their times', () => {
    const slow = facts.slice(0, 3);
    const found = decide(
      evidence({
        answers: [
          ...recalledAnswers(facts.slice(3)),
          ...recalledAnswers(slow, { class: 'workedOut', correctedMs: 3400 }),
        ],
      }),
    );
    expect(found.verdict).toBe('stay');
    expect(texts(found.reasons).join(' ')).toContain('Worked out: 0 + 10 (3.4 s)');
    expect(found.wouldSettle).toContain('Practice on');
  });
  it('says when evidence lacks', () => {
    const found = decide(evidence({ answers: recalledAnswers(facts.slice(4)) }));
    expect(found.verdict).toBe('notEnough');
    expect(texts(found.missing).join(' ')).toContain('4 facts not asked yet');
    expect(decide(evidence({ answers: [], checks: [] })).verdict).toBe('notEnough');
  });
  it('needs a minute given since the facts were recalled', () => {
    const early = decide(evidence({ checks: [check({ at: '2026-11-10T10:00:00Z' })] }));
    expect(early.verdict).toBe('notEnough');
    expect(texts(early.missing).join(' ')).toContain('before the facts were recalled');
    expect(texts(decide(evidence({ checks: [] })).missing)).toContain('No finished minute on this set yet.');
    expect(decide(evidence({ checks: [check({ right: 20 })] })).verdict).toBe('stay');
  });
  it('offers the minute that confirms at once, and after one that did not on another day', () => {
    const now = decide(evidence({ checks: [] }));
    expect(now.offer).toEqual({ kind: 'minute', afterDay: null });
    expect(isMinuteOffered(now.offer, '2026-11-24')).toBe(true);
    const failed = decide(evidence({ checks: [check({ right: 20, at: '2026-11-24T10:00:00Z' })] }));
    expect(failed).toMatchObject({ verdict: 'stay', offer: { kind: 'minute', afterDay: '2026-11-24' } });
    expect(isMinuteOffered(failed.offer, '2026-11-24')).toBe(false);
    expect(isMinuteOffered(failed.offer, '2026-11-25')).toBe(true);
    // Nothing is offered while facts are short, nor when all is settled.
    expect(decide(evidence({ answers: recalledAnswers(facts.slice(4)) })).offer ?? null).toBeNull();
    expect(decide(evidence()).offer ?? null).toBeNull();
  });
  it('asks of the minute that confirms what the facts recalled can give', () => {
    const one = recalledAnswers(facts.filter((fact) => fact !== facts[3]));
    // 10 of 11 facts: 30 x 10 / 11 = 27.3.
    expect(decide(evidence({ answers: one, checks: [check({ right: 28 })] })).verdict).toBe('advance');
    expect(decide(evidence({ answers: one, checks: [check({ right: 27 })] })).verdict).toBe('stay');
    expect(decide(evidence({ checks: [check({ right: 28 })] })).verdict).toBe('stay');
  });
  it('goes by the ceiling of the child\u2019s own answers, and says so', () => {
    const found = decide(
      evidence({
        ceiling: { perMinute: 20, from: 'ownAnswers', answers: 31 },
        checks: [check({ right: 18 })],
      }),
    );
    expect(found.verdict).toBe('advance');
    expect(texts(found.reasons).join(' ')).toContain(
      'On facts that are recalled the child gives 20 a minute (the middle of 31 answers), so the aim is 0.9 of that.',
    );
  });
  it('asks to watch where times rise with the smaller number, says by how much, and holds until somebody has looked', () => {
    const counted = recalledAnswers(facts).map((one, at) => ({
      ...one,
      // Without the mark, which the set needs on its +1 and +2 alone.
      seen: isCountedAsQuickly(parseFactKey(one.fact)) ? one.seen : [],
      limitMs: 2000,
      correctedMs: 400 + 150 * smallerNumber(parseFactKey(one.fact)) + (at % 3) * 20,
    }));
    const found = decide(evidence({ answers: counted }));
    expect(found).toMatchObject({
      verdict: 'notEnough',
      offer: { kind: 'watch', facts: ['5+5', '4+6', '6+4'] },
    });
    expect(texts(found.reasons).join(' ')).toMatch(
      /Times rise by 0\.1[45] s with each unit of the smaller number/,
    );
    expect(found.wouldSettle).toContain('Watch the fingers on 5 + 5, 4 + 6 and 6 + 4');
    const looked = ['5+5', '4+6', '6+4'].map((fact, at) => ({
      id: `look${at}`,
      fact,
      at: `2026-11-19T10:0${at}:00Z`,
      class: 'recalled' as const,
      seen: ['noCounting' as const],
      limitMs: 2000,
      correctedMs: 1000,
    }));
    expect(decide(evidence({ answers: [...counted, ...looked] })).verdict).toBe('advance');
    // Seen to be counted, they are worked out, and it is not ready.
    const fingers = looked.map((one) => ({
      ...one,
      class: 'workedOut' as const,
      seen: ['fingers' as const],
    }));
    expect(decide(evidence({ answers: [...counted, ...fingers] })).verdict).not.toBe('advance');
  });
  it('needs all facts of a small or counted set', () => {
    const policy = defaultPolicy;
    expect(factsNeeded({ policy, set: { name: 's', practises: facts.slice(0, 6) } })).toBe(6);
    expect(factsNeeded({ policy, set: { name: 's', practises: facts, everyFact: true } })).toBe(11);
    expect(
      factsNeeded({ policy, set: { name: 's', practises: findSet('fixed/mul/times-8')?.practises ?? [] } }),
    ).toBe(23);
    expect(
      factsNeeded({ policy, set: { name: 's', practises: findSet('fixed/sub/minus-8')?.practises ?? [] } }),
    ).toBe(12);
  });
});

describe('any decision', () => {
  const answers = fc.array(
    fc.record({
      fact: fc.constantFrom(...facts),
      at: fc
        .integer({ min: 0, max: 400 })
        .map((hours) => new Date(Date.UTC(2026, 10, 1) + hours * 3_600_000).toISOString()),
      class: fc.constantFrom('recalled', 'workedOut', 'missed', 'right', 'noEvidence'),
      seen: fc.constant([]),
      correctedMs: fc.option(fc.integer({ min: 0, max: 9000 })),
    }),
    { maxLength: 80 },
  ) as fc.Arbitrary<JudgedAnswer[]>;
  const checks = fc.array(
    fc.record({
      at: fc
        .integer({ min: 0, max: 400 })
        .map((hours) => new Date(Date.UTC(2026, 10, 1) + hours * 3_600_000).toISOString()),
      right: fc.nat(50),
      wrong: fc.nat(9),
      usedMs: fc.integer({ min: 0, max: 60_000 }),
      counts: fc.boolean(),
    }),
    { maxLength: 9 },
  );

  it('has reasons or says what is missing, and what would settle it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...schools),
        answers,
        checks,
        fc.option(fc.integer({ min: 5, max: 90 }).map(naming)),
        (school, list, given, ceiling) => {
          const found = decide(evidence({ school, answers: list, checks: given, ceiling }));
          expect(found.reasons.length + found.missing.length).toBeGreaterThan(0);
          expect(found.wouldSettle === '').toBe(found.verdict === 'advance');
          expect(texts([...found.reasons, ...found.missing]).every((one) => /^[^!]+\.$/.test(one))).toBe(
            true,
          );
          if (found.verdict === 'advance' && !isUntimed(school))
            expect(given.some((one) => one.counts && one.wrong <= 2)).toBe(true);
        },
      ),
    );
  });
});

describe('policy and words', () => {
  it('keeps numbers within bounds', () => {
    expect(policyInForce({ aimPerMinute: 25 }).aimPerMinute).toBe(25);
    expect(() => policyInForce({ shareRecalled: 2 })).toThrow(
      'policy.shareRecalled should be a number from 0.5 to 1',
    );
    expect(() => policyInForce({ wrongAllowed: 1.5 })).toThrow('whole number');
  });
  it('writes lists as people do', () => {
    expect(joinText(['a', 'b', 'c'])).toBe('a, b and c');
    expect(factListText(['7+8', '8+6'])).toBe('7 + 8 and 8 + 6');
    expect(factListText(facts, 2)).toContain('and 9 more');
    expect(countText(1, 'fact')).toBe('1 fact');
  });
});
