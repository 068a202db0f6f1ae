import { describe, expect, it } from 'vitest';
import type { AnswerClass } from '../recall/answerClass.ts';
import type { Mark } from '../recall/mark.ts';
import { aimLineOf, lineAt, readAimLine } from './aimLine.ts';
import { chanceText, withChance } from './chance.ts';
import {
  isMinuteOffered,
  watchedFacts,
  type CheckResult,
  type Decision,
  type Evidence,
  type JudgedAnswer,
  type Verdict,
} from './decision.ts';
import { factsNeeded, judgeByEachFact } from './eachFactInstant.ts';
import { countingChecks, standing } from './minuteCheck.ts';
import { judgeByMinuteAim } from './minuteAim.ts';
import { placementDecision } from './placing.ts';
import { defaultPolicy, policyTroubles } from './policy.ts';
import { judgesBy, policyNumbers } from './policyWords.ts';
import { judgeByPublishedRate, rateBounds } from './publishedRate.ts';
import { judgeRetention, retentionDue } from './retention.ts';

// What a decision says, every sentence of it: a sentence too many or too few is as wrong as a wrong verdict.

const facts = ['6x7', '7x6', '6x8', '8x6', '6x9', '9x6', '7x8', '8x7', '7x9', '9x7', '8x9', '9x8'] as const;
const at = (day: number) => `2026-11-${String(day).padStart(2, '0')}T10:00:00Z`;
const answer = (
  fact: string,
  day: number,
  name: AnswerClass,
  correctedMs: number | null = 1000,
): JudgedAnswer => ({
  id: `${fact}@${day}`,
  fact,
  at: at(day),
  class: name,
  seen: name === 'recalled' ? (['noCounting'] satisfies Mark[]) : [],
  correctedMs,
  limitMs: 2000,
});
const recalled = (list: readonly string[], days = [10, 11, 12]) =>
  list.flatMap((fact) => days.map((day) => answer(fact, day, 'recalled')));
const check = (over: Partial<CheckResult> = {}): CheckResult => ({
  id: 'c1',
  at: at(13),
  right: 31,
  wrong: 1,
  usedMs: 60_000,
  ...over,
});
const naming = (perMinute: number) => ({ perMinute, from: 'naming', answers: 12 }) as const;
const evidence = (over: Partial<Evidence> = {}): Evidence => ({
  school: 'eachFactInstant',
  policy: defaultPolicy,
  set: { name: 'the hard ones', practises: facts },
  answers: [],
  checks: [check()],
  ceiling: naming(50),
  timeZone: 'UTC',
  ...over,
});
const said = ({ verdict, reasons, missing, wouldSettle, strays, offer, checkIds }: Decision) => ({
  verdict,
  reasons: reasons.map((one) => `${one.restsOn}: ${one.text}`),
  missing: missing.map((one) => `${one.restsOn}: ${one.text}`),
  wouldSettle,
  strays,
  offer: offer ?? null,
  checkIds,
});
const enough = [
  'checks: 31 right a minute in the latest check; the aim is 30.',
  'checks: 1 wrong answer; 2 or fewer are asked.',
];

describe('each fact instant, word for word', () => {
  it('names what was worked out, missed and slipped, and what is lacking of the rest', () => {
    const found = judgeByEachFact(
      evidence({
        answers: [
          ...recalled(facts.slice(0, 3)),
          answer('8x6', 10, 'workedOut', 3210),
          answer('8x6', 11, 'workedOut', 2900),
          answer('6x9', 10, 'workedOut', null),
          answer('9x6', 10, 'missed', null),
          ...recalled(['7x8']),
          answer('7x8', 13, 'missed', null),
          answer('7x8', 14, 'missed', null),
          answer('8x7', 10, 'recalled'),
          answer('7x9', 10, 'recalled'),
          answer('7x9', 11, 'recalled'),
          // Of no fact of this set.
          ...recalled(['2x2']),
        ],
        checks: [],
        ceiling: null,
      }),
    );
    expect(said(found)).toEqual({
      verdict: 'stay',
      reasons: [
        'facts: 3 of 12 facts recalled; 11 are needed.',
        'facts: Worked out: 8 × 6 (2.9 s) and 6 × 9.',
        'facts: Missed: 9 × 6.',
        'facts: Slipped since they were recalled: 7 × 8.',
      ],
      missing: [
        'facts: 3 facts not asked yet, or only without evidence: 9 × 7, 8 × 9 and 9 × 8.',
        'facts: 1 fact recalled the last time only: 8 × 7.',
        'facts: 1 fact recalled twice running, short of three on two days (or of the mark "no counting seen" for +1, +2, −1, −2): 7 × 9.',
        'checks: No finished minute on this set yet.',
        'ceiling: The ceiling has not been measured for this way of capture, so the aim is taken as it stands.',
      ],
      wouldSettle: 'Practice on 8 × 6, 6 × 9, 9 × 6 and 7 × 8, then the weekly minute.',
      strays: [],
      offer: null,
      checkIds: [],
    });
    expect(found.answerIds).toHaveLength(9 + 2 + 1 + 1 + 4 + 1 + 2);
  });
  it('asks for more answers where nothing is proven short', () => {
    const found = judgeByEachFact(evidence({ answers: recalled(facts.slice(0, 10)) }));
    expect(said(found)).toEqual({
      verdict: 'notEnough',
      reasons: ['facts: 10 of 12 facts recalled; 11 are needed.', ...enough],
      missing: ['facts: 2 facts not asked yet, or only without evidence: 8 × 9 and 9 × 8.'],
      wouldSettle: 'More answers on 8 × 9 and 9 × 8, on two days; the weekly minute asks them.',
      strays: [],
      offer: null,
      checkIds: ['c1'],
    });
  });
  it('is proven short by the fact that leaves too few, not by the one before it', () => {
    const short = (count: number) =>
      judgeByEachFact(
        evidence({
          answers: [
            ...recalled(facts.slice(0, 10)),
            ...facts.slice(12 - count).map((fact) => answer(fact, 10, 'missed', null)),
          ],
        }),
      ).verdict;
    expect(short(1)).toBe('notEnough');
    expect(short(2)).toBe('stay');
  });
  it('moves on, with the facts short named as strays', () => {
    const found = judgeByEachFact(evidence({ answers: recalled(facts.slice(0, 11)) }));
    expect(said(found)).toEqual({
      verdict: 'advance',
      reasons: [
        'facts: 11 of 12 facts recalled; 11 are needed.',
        // Eleven of twelve parts of thirty: a fact that may be short takes its part of the minute.
        'checks: 31 right a minute in the latest check; the aim is 27.5.',
        ...enough.slice(1),
      ],
      missing: [],
      wouldSettle: '',
      strays: ['9x8'],
      offer: null,
      checkIds: ['c1'],
    });
  });
  it('counts a minute given the moment the facts held, and none before', () => {
    const judge = (when: string) =>
      judgeByEachFact(evidence({ answers: recalled(facts), checks: [check({ at: when })] }));
    expect(judge(at(12)).verdict).toBe('advance');
    expect(said(judge('2026-11-12T09:59:59Z'))).toMatchObject({
      verdict: 'notEnough',
      missing: ['checks: The latest check was given before the facts were recalled.'],
      wouldSettle: 'One minute on this set, to its end: it can be given now.',
      offer: { kind: 'minute', afterDay: null },
    });
  });
  it('holds from when enough were recalled without a break: a slip in between begins it anew', () => {
    const slipped = [
      ...recalled(facts.slice(0, 11), [1, 2, 3]),
      answer('6x7', 5, 'missed', null),
      answer('6x7', 6, 'missed', null),
      ...recalled(['6x7'], [8, 9, 10, 11]),
    ];
    const judge = (day: number) =>
      judgeByEachFact(evidence({ answers: slipped, checks: [check({ at: at(day) })] })).verdict;
    expect(judge(4)).toBe('notEnough');
    expect(judge(13)).toBe('advance');
  });
  it('after a minute that did not reach the aim asks for another on another day', () => {
    const found = judgeByEachFact(
      evidence({ answers: recalled(facts), checks: [check({ right: 20, wrong: 3 })] }),
    );
    expect(said(found)).toMatchObject({
      verdict: 'stay',
      reasons: [
        'facts: 12 of 12 facts recalled; 11 are needed.',
        'checks: 20 right a minute in the latest check; the aim is 30.',
        'checks: 3 wrong answers; 2 or fewer are asked.',
      ],
      missing: [],
      wouldSettle: 'Another minute on this set, on another day.',
      offer: { kind: 'minute', afterDay: '2026-11-13' },
    });
  });
  it('names six of many worked out, and how many more', () => {
    const of = (count: number) =>
      judgeByEachFact(
        evidence({ answers: facts.slice(0, count).map((fact) => answer(fact, 10, 'workedOut', null)) }),
      ).reasons[1]?.text;
    expect(of(6)).toBe('Worked out: 6 × 7, 7 × 6, 6 × 8, 8 × 6, 6 × 9 and 9 × 6.');
    expect(of(9)).toBe('Worked out: 6 × 7, 7 × 6, 6 × 8, 8 × 6, 6 × 9, 9 × 6 and 3 more.');
  });
  it('needs all of a small or counted set, else the share and few short', () => {
    const need = (size: number, over: Partial<Evidence['set']> = {}) =>
      factsNeeded({
        policy: { ...defaultPolicy, allUpTo: 6, shareRecalled: 0.9, shortAllowed: 2 },
        set: { name: 's', practises: Array.from({ length: size }, (_, nth) => `1x${nth}`), ...over },
      });
    expect([need(5), need(6), need(7), need(10), need(20), need(30)]).toEqual([5, 6, 7, 9, 18, 28]);
    expect(need(30, { everyFact: true })).toBe(30);
  });
});

describe('a minute, word for word', () => {
  it('tells the rate, the wrong, what is set aside and how the ceiling binds', () => {
    const of = (over: Partial<Evidence>) => {
      const { reasons, missing, ...rest } = standing(evidence(over));
      return {
        ...rest,
        reasons: reasons.map((one) => one.text),
        missing: missing.map((one) => one.text),
      };
    };
    expect(of({ checks: [] })).toEqual({
      latest: undefined,
      ratePerMinute: 0,
      aim: 30,
      atAim: false,
      fewWrong: false,
      reasons: [],
      missing: ['No finished minute on this set yet.'],
      checkIds: [],
    });
    const two = of({
      checks: [
        check({ id: 'later', at: at(15), right: 26, wrong: 2 }),
        check({ id: 'earlier', at: at(14), right: 40, wrong: 0 }),
        check({ id: 'closed', at: at(16), counts: false }),
        check({ id: 'mixed', at: at(17), mixed: true }),
      ],
      ceiling: naming(30),
    });
    expect(two).toMatchObject({
      ratePerMinute: 26,
      aim: 27,
      atAim: false,
      fewWrong: true,
      checkIds: ['later'],
    });
    expect(two.reasons).toEqual([
      '26 right a minute in the latest check; the aim is 27.',
      '2 wrong answers; 2 or fewer are asked.',
      "The child's own ceiling is 30 a minute when only reading numbers and giving them, so the aim is 0.9 of that until there are enough answers on recalled facts. Another way of capture may allow more.",
    ]);
    expect(two.missing).toEqual(['1 check was cut short, closed or turned calm, so nothing hangs on it.']);
    const closed = [check({ counts: false }), check({ id: 'c2', counts: false })];
    expect(of({ checks: closed }).missing).toEqual([
      'No finished minute on this set yet.',
      '2 checks were cut short, closed or turned calm, so nothing hangs on them.',
    ]);
    expect(of({ ceiling: { perMinute: 30, from: 'ownAnswers', answers: 20 } }).reasons.at(-1)).toBe(
      'On facts that are recalled the child gives 30 a minute (the middle of 20 answers), so the aim is 0.9 of that.',
    );
    expect(of({ ceiling: { ...naming(30), held: true } }).reasons.at(-1)).toContain(
      'the ceiling is held at 30',
    );
    // A ceiling that allows the aim says nothing.
    expect(of({ ceiling: naming(50) }).reasons).toHaveLength(2);
    expect(of({ checks: [check({ right: 30, wrong: 2 })] })).toMatchObject({ atAim: true, fewWrong: true });
    expect(of({ checks: [check({ right: 29, wrong: 3 })] })).toMatchObject({ atAim: false, fewWrong: false });
    const { id: _id, ...nameless } = check();
    expect(of({ checks: [nameless] }).checkIds).toEqual([]);
  });
  it('takes checks in the order of their days, however they are handed in', () => {
    const list = [
      check({ id: 'b', at: at(12) }),
      check({ id: 'a', at: at(3) }),
      check({ id: 'c', at: at(20) }),
    ];
    expect(countingChecks(list).map((one) => one.id)).toEqual(['a', 'b', 'c']);
  });
  it('says that nothing grows only where as many checks as asked lie there', () => {
    const flat = [26, 25, 26, 25].map((right, nth) => check({ id: `f${nth}`, at: at(nth + 1), right }));
    const judge = (checks: readonly CheckResult[]) =>
      judgeByMinuteAim(evidence({ school: 'minuteAim', checks }));
    expect(judge(flat).reasons.at(-1)?.text).toBe(
      '4 checks without growth: 26, 25, 26 and 25 right a minute. Change one thing: the step, an aid, or the time of day.',
    );
    expect(judge(flat).checkIds).toEqual(['f0', 'f1', 'f2', 'f3']);
    expect(judge(flat.slice(1)).reasons).toHaveLength(2);
    // The latest four: growth before them, and mixed checks among them, change nothing.
    const grown = [check({ at: at(1), right: 10 }), check({ at: at(2), right: 12 })];
    const later = flat.map((one, nth) => ({ ...one, at: at(10 + nth) }));
    expect(judge([...grown, ...later]).checkIds).toEqual(['f0', 'f1', 'f2', 'f3']);
    const mixed = check({ id: 'm', at: at(11), right: 99, mixed: true });
    expect(judge([...later, mixed]).checkIds).toEqual(['f0', 'f1', 'f2', 'f3']);
    const bare = flat.map(({ id: _id, ...one }) => one);
    expect(judge(bare).checkIds).toEqual([]);
    expect(said(judge([]))).toMatchObject({
      verdict: 'notEnough',
      wouldSettle: 'One weekly minute on this set, to its end.',
    });
  });
  it('that confirms is offered on any day but that of the last, and watching names its facts', () => {
    const offer = (afterDay: string | null) => ({ kind: 'minute', afterDay }) as const;
    expect(isMinuteOffered(offer(null), '2026-11-24')).toBe(true);
    expect(isMinuteOffered(offer('2026-11-23'), '2026-11-24')).toBe(true);
    expect(isMinuteOffered(offer('2026-11-24'), '2026-11-24')).toBe(false);
    expect(isMinuteOffered({ kind: 'watch', facts: ['6x7'] }, '2026-11-24')).toBe(false);
    expect(isMinuteOffered(undefined, '2026-11-24')).toBe(false);
    expect(isMinuteOffered(null, '2026-11-24')).toBe(false);
    expect(watchedFacts({ kind: 'watch', facts: ['6x7'] })).toEqual(['6x7']);
    expect(watchedFacts(offer(null))).toEqual([]);
    expect(watchedFacts(null)).toEqual([]);
    expect(watchedFacts(undefined)).toEqual([]);
  });
});

describe('published bands, word for word', () => {
  const bounds = (grade: number | null, masteryDigits = 0, instructionDigits = 0) =>
    rateBounds({ grade, policy: { ...defaultPolicy, masteryDigits, instructionDigits } });
  it('come from the grade, or from the policy where it has numbers', () => {
    expect(bounds(null)).toBeUndefined();
    expect(bounds(null, 0, 12)).toBeUndefined();
    expect(bounds(null, 50)).toEqual({ instructionFrom: 25, masteryFrom: 50, source: 'set in the policy' });
    expect(bounds(null, 50, 12)).toMatchObject({ instructionFrom: 12, masteryFrom: 50 });
    const three = bounds(3);
    expect(three?.source).toMatch(/^grades /);
    expect(bounds(3, 0, 12)).toEqual({ ...three, instructionFrom: 12 });
    expect(bounds(3, 50)).toEqual({ ...three, masteryFrom: 50, source: 'set in the policy' });
    expect(bounds(4)).not.toEqual(three);
  });
  it('are met at mastery with as many wrong as are allowed, and left below instruction only', () => {
    const judge = (digitsPerMinute: number, wrong = 0) =>
      judgeByPublishedRate(
        evidence({
          school: 'publishedRate',
          policy: { ...defaultPolicy, masteryDigits: 40, instructionDigits: 20, wrongAllowed: 2 },
          checks: [11, 12].map((day) =>
            check({ id: `d${day}`, at: at(day), mixed: true, digitsPerMinute, wrong }),
          ),
        }),
      ).verdict;
    expect([judge(40, 2), judge(40, 3), judge(39.9), judge(20), judge(19.9)]).toEqual([
      'advance',
      'stay',
      'stay',
      'stay',
      'stepBack',
    ]);
  });
});

describe('a placement, word for word', () => {
  const plan = {
    sets: ['a', 'b', 'c'].map((id) => ({ id, name: `the ${id}s`, introduces: ['1+1'] })),
    startAt: 0,
    seed: 1,
    timed: true,
  };
  const result = {
    begin: 1,
    band: [1],
    chance: 0.876,
    reasons: ['the as: 4 of 4 recalled.'],
    patchy: null,
    wouldNarrow: '',
  };
  it('names the set to begin with and its chance', () => {
    const { toSetId, decision } = placementDecision(plan, result, ['x']);
    expect(toSetId).toBe('b');
    expect(decision.about).toBe('set');
    expect(decision.answerIds).toEqual(['x']);
    expect(said(decision)).toEqual({
      verdict: 'place',
      reasons: [
        'facts: The first set that is not instant is the bs, with a chance of 88 in 100.',
        'facts: the as: 4 of 4 recalled.',
      ],
      missing: [],
      wouldSettle: '',
      strays: [],
      offer: null,
      checkIds: [],
    });
  });
  it('names what it may be instead, holes, and what would narrow it', () => {
    const { decision } = placementDecision(
      plan,
      { ...result, band: [0, 1, 2, 3], patchy: { short: 3, of: 10 }, wouldNarrow: 'Four more.' },
      [],
    );
    expect(said(decision)).toMatchObject({
      reasons: [
        'facts: The first set that is not instant is the bs, with a chance of 88 in 100.',
        'facts: It may also be the as, the cs and beyond the last set.',
        'facts: Patchy: 3 of 10 asked of the sets before it were not recalled. Drills look for the holes first.',
        'facts: the as: 4 of 4 recalled.',
      ],
      wouldSettle: 'Four more.',
    });
  });
  it('where all was recalled stays with the last set, and does not call it doubtful for that', () => {
    const { toSetId, decision } = placementDecision(plan, { ...result, begin: null, band: [2, 3] }, []);
    expect(toSetId).toBe('c');
    expect(decision.reasons.map((one) => one.text)).toEqual([
      'Every set was recalled; the last on this pathway is the cs.',
      'It may also be the cs.',
      'the as: 4 of 4 recalled.',
    ]);
  });
});

describe('a look back, word for word', () => {
  const policy = {
    ...defaultPolicy,
    retentionFirstDays: 7,
    retentionSecondDays: 28,
    retentionFacts: 6,
    retentionShort: 3,
  };
  const look = (text: string, available?: number) =>
    judgeRetention(
      [...text].map((one, nth) => ({
        id: `a${nth}`,
        fact: facts[nth] as string,
        class: one === 'r' ? ('recalled' as const) : ('missed' as const),
      })),
      policy,
      available,
    );
  it('is due from its very day on, and a look on that day is it', () => {
    const due = (today: number, lookDays: readonly number[] = []) =>
      retentionDue({ setId: 's', passedDay: 100, lookDays }, today, policy);
    expect([due(106), due(107), due(127), due(128), due(200)]).toEqual([
      null,
      'first',
      'first',
      'second',
      'second',
    ]);
    expect(due(110, [107])).toBeNull();
    expect(due(110, [106])).toBe('first');
    expect(due(130, [107])).toBe('second');
    expect(due(130, [128])).toBeNull();
  });
  it('says how many held, and names those that did not', () => {
    expect(said(look('rrrrrr'))).toEqual({
      verdict: 'stay',
      reasons: ['facts: 6 facts of 6 held since the set was passed.'],
      missing: [],
      wouldSettle: '',
      strays: [],
      offer: null,
      checkIds: [],
    });
    expect(said(look('mmmmrrrrrrrr')).reasons).toEqual([
      'facts: 8 facts of 12 held since the set was passed; not recalled: 6 × 7, 7 × 6, 6 × 8 and 8 × 6.',
    ]);
    expect(look('mmmmmmrrrrrr')).toMatchObject({
      verdict: 'review',
      missing: [],
      wouldSettle: 'A drill on the facts that slipped.',
    });
  });
  it('says how many are not asked yet', () => {
    expect(said(look('rrrrr'))).toMatchObject({
      verdict: 'notEnough',
      missing: ['facts: 1 fact of this look is not asked yet.'],
      wouldSettle: '1 more fact of the set.',
    });
    expect(said(look('rrr'))).toMatchObject({
      missing: ['facts: 3 facts of this look are not asked yet.'],
      wouldSettle: '3 more facts of the set.',
    });
  });
});

describe('an aim line', () => {
  const days = (...values: readonly (readonly [number, number])[]) =>
    values.map(([day, value]) => ({ day, value }));
  it('begins at the first three in time, whatever came after and in whatever order', () => {
    const list = days([40, 90], [14, 12], [0, 10], [7, 14]);
    expect(aimLineOf(list, 30, 100)).toEqual({ from: { day: 7, value: 12 }, to: { day: 100, value: 30 } });
    expect(aimLineOf(list.slice(1), 30, 100)?.from).toEqual({ day: 7, value: 12 });
    expect(aimLineOf(list.slice(2), 30, 100)).toBeUndefined();
    expect(aimLineOf(list, 30, 7)).toBeUndefined();
    expect(aimLineOf(list, 30, 8)).toBeDefined();
  });
  it('stays at the aim from its day on', () => {
    const line = { from: { day: 0, value: 10 }, to: { day: 10, value: 30 } };
    expect([lineAt(line, 0), lineAt(line, 5), lineAt(line, 10), lineAt(line, 50)]).toEqual([10, 20, 30, 30]);
  });
  it('is read by the latest after its first three, in time; on the line is neither above nor below', () => {
    const line = { from: { day: 1, value: 10 }, to: { day: 101, value: 110 } };
    const first = days([0, 10], [1, 10], [2, 10]);
    const off = (by: number, count = 4) =>
      days(...[3, 4, 5, 6].slice(0, count).map((day) => [day, 9 + day + by] as const));
    expect(readAimLine(line, [...first, ...off(-1)].reverse(), 4)).toBe('below');
    expect(readAimLine(line, [...first, ...off(1)].reverse(), 4)).toBe('above');
    expect(readAimLine(line, [...first, ...off(0)], 4)).toBe('on');
    expect(readAimLine(line, [...first, ...off(-1, 3)], 4)).toBe('on');
    // One above among the earlier does not save the latest four.
    expect(readAimLine(line, [...first, ...days([2.5, 99]), ...off(-1)], 4)).toBe('below');
  });
});

describe('a chance, word for word', () => {
  it.each([
    [0, 'very unlikely, 1 in 100'],
    [0.05, 'very unlikely, 5 in 100'],
    [0.06, 'unlikely, 6 in 100'],
    [0.2, 'unlikely, 20 in 100'],
    [0.21, 'rather unlikely, 21 in 100'],
    [0.4, 'rather unlikely, 40 in 100'],
    [0.41, 'open, 41 in 100'],
    [0.59, 'open, 59 in 100'],
    [0.6, 'rather likely, 60 in 100'],
    [0.79, 'rather likely, 79 in 100'],
    [0.8, 'likely, 80 in 100'],
    [0.94, 'likely, 94 in 100'],
    [0.95, 'nearly certain, 95 in 100'],
    [1, 'nearly certain, 99 in 100'],
  ])('%d is %s', (chance, text) => {
    expect(chanceText(chance)).toBe(text);
  });
  it('names what would tell more where it is open, or where the school says to go on all the same', () => {
    const plain = (verdict: Verdict): Decision => ({
      about: 'set',
      verdict,
      reasons: [],
      missing: [],
      wouldSettle: '',
      strays: [],
      answerIds: [],
      checkIds: [],
    });
    const said = (answers: readonly JudgedAnswer[], verdict: Verdict) =>
      withChance(evidence({ answers }), plain(verdict))
        .reasons.map((one) => one.text)
        .join(' ');
    const nobody: readonly JudgedAnswer[] = [answer('6x7', 10, 'missed', null)];
    const half = [...recalled(facts.slice(0, 9)), answer('9x8', 10, 'missed', null)];
    const most = recalled(facts);
    expect(said(half, 'stay')).toMatch(/ Answers on .* would tell more\.$/);
    expect(said(most, 'stay')).not.toContain('would tell more');
    expect(said(most, 'advance')).not.toContain('would tell more');
    // As good as certain that it is not done: nothing would change that.
    const slow = facts.flatMap((fact) => [10, 11, 12, 13].map((day) => answer(fact, day, 'missed', null)));
    expect(said(slow, 'stay')).not.toContain('would tell more');
    expect(said([...slow.slice(8), ...nobody], 'advance')).toMatch(/would tell more/);
  });
});

describe('a policy, word for word', () => {
  const says = (name: keyof typeof policyNumbers, value: number) =>
    policyNumbers[name].says({ ...defaultPolicy, [name]: value });
  it('tells its numbers in the units people use', () => {
    expect(says('minuteMs', 60_000)).toBe('A check runs for 60 s; its count is scaled to a minute.');
    expect(says('shareRecalled', 0.9)).toBe(
      '90 in 100 of the facts of a set must be recalled before moving on.',
    );
    expect(says('masteryDigits', 0)).toContain('published band');
    expect(says('masteryDigits', 40)).toBe(
      'Mastery begins at 40 digits correct a minute, whatever the grade.',
    );
    expect(says('instructionDigits', 0)).toContain('published band');
    expect(says('instructionDigits', 20)).toBe('Below 20 digits correct a minute a pupil steps back.');
    expect(judgesBy('minuteAim', 'flatChecks')).toBe(true);
    expect(judgesBy('accurateExplained', 'flatChecks')).toBe(false);
    expect(judgesBy('accurateExplained', 'retentionFirstDays')).toBe(true);
  });
  it('is troubled at its bounds, and not before them', () => {
    const troubles = (over: object, school: Parameters<typeof policyTroubles>[1] = 'eachFactInstant') =>
      policyTroubles({ ...defaultPolicy, ...over }, school).length;
    expect(troubles({ retentionFacts: 6, retentionShort: 6 })).toBe(0);
    expect(troubles({ retentionFacts: 6, retentionShort: 7 })).toBe(1);
    expect(troubles({ minuteMs: 15_000 })).toBe(0);
    expect(troubles({ minuteMs: 14_999 })).toBe(1);
    expect(troubles({ minuteMs: 14_999 }, 'minuteAim')).toBe(1);
    expect(troubles({ minuteMs: 14_999 }, 'publishedRate')).toBe(0);
    expect(troubles({ masteryDigits: 20, instructionDigits: 20 }, 'publishedRate')).toBe(1);
    expect(troubles({ masteryDigits: 20, instructionDigits: 19 }, 'publishedRate')).toBe(0);
    expect(troubles({ masteryDigits: 0, instructionDigits: 20 }, 'publishedRate')).toBe(0);
    expect(troubles({ masteryDigits: 20, instructionDigits: 20 })).toBe(0);
  });
});
