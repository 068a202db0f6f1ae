import { describe, expect, it } from 'vitest';
import { findSet } from '../facts/pathway.ts';
import type { Answer } from '../recall/answer.ts';
import { classifyAnswer } from '../recall/answerClass.ts';
import { overheadShortByMs, quickestTenth } from '../recall/overheadWatch.ts';
import { decide } from './decide.ts';
import type { CheckResult, Decision, JudgedAnswer } from './decision.ts';
import { defaultPolicy, policyInForce, schools, type School } from './policy.ts';

const set = findSet('strategy/mul/squares') ?? { name: 'squares', practises: ['6x6', '7x7'] };
const facts = [...new Set(set.practises)];
const dayMs = 86_400_000;
const firstDay = Date.UTC(2026, 9, 1, 9);

/** A kept answer: right, 2 s raw, 0.65 s of it the keypad's, unless said otherwise. */
const given = (fact: string, day: number, over: Partial<Answer> = {}): Answer => ({
  id: `${fact} ${day}`,
  fact,
  at: new Date(firstDay + day * dayMs + facts.indexOf(fact) * 3000).toISOString(),
  judgement: 'right',
  given: '49',
  latencyMs: 1500,
  voided: false,
  overheadMs: 650,
  spreadMs: 100,
  calibrated: true,
  limitMs: 2000,
  seen: [],
  aided: false,
  way: 'keypad',
  ...over,
});
const judged = (answers: readonly Answer[]): JudgedAnswer[] =>
  answers.map((one) => {
    const { class: name, correctedMs } = classifyAnswer(one);
    return { ...one, class: name, correctedMs };
  });
/** Every fact on so many days. */
const visits = (days: number, over: Partial<Answer> = {}) =>
  Array.from({ length: days }, (_, day) => facts.map((fact) => given(fact, day, over))).flat();
const check = (over: Partial<CheckResult> = {}): CheckResult => ({
  id: 'c',
  at: new Date(firstDay + 20 * dayMs).toISOString(),
  right: 30,
  wrong: 0,
  digitsPerMinute: 60,
  ...over,
});
const ask = (school: School, answers: readonly Answer[], checks: readonly CheckResult[] = []): Decision =>
  decide({
    school,
    policy: defaultPolicy,
    set,
    answers: judged(answers),
    checks,
    ceiling: { perMinute: 36, from: 'ownAnswers', answers: 20 },
    timeZone: 'UTC',
    grade: 3,
  });
const lacks = ({ missing, wouldSettle }: Decision) => missing.length > 0 && wouldSettle !== '';

describe('what a school says of children and records it was not made for', () => {
  it('of a child with no known fact: stay, with what is missing and what would settle it', () => {
    const none = visits(4, { judgement: 'wrong', given: '1' });
    for (const school of schools) {
      const decision = ask(school, none, [check({ right: 0, wrong: 12, digitsPerMinute: 2 })]);
      expect(['stay', 'notEnough', 'stepBack', 'recalibrate']).toContain(decision.verdict);
      expect(decision.wouldSettle).not.toBe('');
      expect(decision.reasons.length).toBeGreaterThan(0);
    }
    const { chance, reasons } = ask('eachFactInstant', none);
    expect(chance?.chance).toBeLessThan(0.01);
    expect(reasons[0]?.text).toMatch(/^0 of \d+ facts recalled/);
  });
  it('of nobody\u2019s answers: not enough, and why, in every school', () => {
    for (const school of schools) {
      const decision = ask(school, []);
      expect(decision.verdict).toBe('notEnough');
      expect(lacks(decision)).toBe(true);
    }
  });
  it('of a calibration by the wrong hand, too long by a second: no fact is recalled by it, and no child moved on', () => {
    const wrongHand = visits(6, { latencyMs: 1500, overheadMs: 1450 });
    const decision = ask('eachFactInstant', wrongHand, [check()]);
    expect(decision.verdict).toBe('notEnough');
    expect(decision.missing[0]?.text).toMatch(/not asked yet, or only without evidence/);
    // And the watch finds it: by how much, from the same answers.
    const beyond = wrongHand.map((one) => (one.latencyMs as number) - 2000);
    expect(overheadShortByMs(quickestTenth(beyond), [], 100)).toBe(650);
    expect(ask('eachFactInstant', visits(6), [check()]).verdict).toBe('advance');
  });
  it('of a calibration by the wrong hand, too short by a second: what is known looks worked out, so it holds, never moves', () => {
    const decision = ask('eachFactInstant', visits(6, { latencyMs: 2300, overheadMs: 100 }), [check()]);
    expect(decision.verdict).toBe('stay');
    expect(decision.reasons.some((one) => one.text.startsWith('Worked out: '))).toBe(true);
  });
  it('of a keyboard changed in mid-visit for a quicker one: what comes sooner than can be is no evidence, and lowers nothing', () => {
    const before = visits(4);
    const after = facts.map((fact) => given(fact, 4, { latencyMs: 500 }));
    const state = (list: readonly Answer[]) => ask('eachFactInstant', list).reasons[0]?.text;
    expect(state([...before, ...after])).toBe(state(before));
    expect(ask('eachFactInstant', [...before, ...after], [check()]).verdict).toBe('advance');
  });
  it('of a tutor who marks everything right at once: times that cannot be are no evidence, and the minute is not enough alone', () => {
    const clicked = visits(8, { way: 'tutor', latencyMs: 320, overheadMs: 500 });
    const decision = ask('eachFactInstant', clicked, [check({ right: 90 })]);
    expect(decision.verdict).toBe('notEnough');
    expect(decision.strays).toEqual([]);
    expect(lacks(decision)).toBe(true);
  });
  it('of a policy that no child can meet: it never moves on, and says which number is not met', () => {
    const answers = visits(6);
    const policy = policyInForce({ ...defaultPolicy, aimPerMinute: 100 });
    const decision = decide({
      school: 'minuteAim',
      policy,
      set,
      answers: judged(answers),
      checks: [check(), check({ id: 'd', at: new Date(firstDay + 27 * dayMs).toISOString() })],
      ceiling: null,
      timeZone: 'UTC',
    });
    expect(decision.verdict).not.toBe('advance');
    expect(
      [...decision.reasons, ...decision.missing].some((one) => one.text.includes('the aim is 100')),
    ).toBe(true);
    // Where the child's own ceiling is known the aim falls to what can be met.
    const held = ask('minuteAim', answers, [check({ right: 33 }), check({ id: 'd', right: 33 })]);
    expect(held.reasons.some((one) => one.text.includes('the aim is 100'))).toBe(false);
  });
  it('of a clock set back a day: days are counted as they are told, and never fewer than one', () => {
    // The third visit says it was a day before the second: two days in all, whatever the order.
    const back = [
      ...facts.map((fact) => given(fact, 5)),
      ...visits(2).map((one) => ({ ...one, id: `${one.id}b` })),
    ];
    const forth = [...back].reverse();
    expect(ask('eachFactInstant', back)).toEqual(ask('eachFactInstant', forth));
  });
});
