import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerOf, parseFactKey, unorderedKey } from '../facts/fact.ts';
import { operations } from '../facts/operation.ts';
import { pathways } from '../facts/pathway.ts';
import { createRandom, shuffled } from '../random/random.ts';
import type { Answer } from '../recall/answer.ts';
import { makeCheckForm } from './checkForm.ts';
import { makeCopyForm, makeJudgingForm, makeNamingForm } from './copyForm.ts';
import {
  advanceMinute,
  decides,
  mayResume,
  newMinute,
  promptOf,
  timeLeftMs,
  type MinuteEvent,
  type MinuteState,
} from './minute.ts';

const allSets = pathways.flatMap((one) => operations.flatMap((operation) => one.sets[operation]));

describe('check form', () => {
  it('is balanced, with no fact twice running, for every set and any seed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...allSets),
        fc.integer(),
        fc.integer({ min: 1, max: 150 }),
        (set, seed, count) => {
          const form = makeCheckForm(set.practises, count, createRandom(seed));
          expect(form).toHaveLength(count);
          const counts = new Map(set.practises.map((key) => [key, 0]));
          form.forEach((key, at) => {
            counts.set(key, (counts.get(key) ?? 0) + 1);
            expect(key).not.toBe(form[at - 1]);
            const shown = [...counts.values()];
            expect(Math.max(...shown) - Math.min(...shown)).toBeLessThanOrEqual(1);
          });
          expect([...counts.keys()].every((key) => set.practises.includes(key))).toBe(true);
          expect(makeCheckForm(set.practises, count, createRandom(seed))).toEqual(form);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('keeps turnarounds apart where it can', () => {
    const set = allSets.find((one) => one.id === 'fixed/mul/times-8');
    const form = makeCheckForm(set?.practises ?? [], 100, createRandom(5));
    const touching = form.filter(
      (key, at) =>
        at > 0 && unorderedKey(parseFactKey(key)) === unorderedKey(parseFactKey(form[at - 1] as string)),
    );
    expect(touching.length).toBeLessThanOrEqual(3);
    // Three turnarounds and their partners: after any fact but the last of a round another pair is there to be asked.
    for (let seed = 0; seed < 50; seed += 1) {
      const few = makeCheckForm(['2x3', '3x2', '4x5', '5x4', '6x7', '7x6'], 60, createRandom(seed));
      const pairs = few.map((key) => unorderedKey(parseFactKey(key)));
      expect(pairs.filter((one, at) => one === pairs[at - 1] && at % 6 < 4)).toEqual([]);
      expect(few.filter((one, at) => one === few[at - 1])).toEqual([]);
    }
    // Where a fact has its turnaround alone, the two go turn about.
    expect(
      new Set(makeCheckForm(['2x3', '3x2'], 9, createRandom(4)).filter((_, at) => at % 2 === 0)).size,
    ).toBe(1);
  });

  it('says what it needs', () => {
    expect(() => makeCheckForm(['7x8'], 5, createRandom(1))).toThrow('at least two');
    expect(() => makeCheckForm(['7x8', '8x7'], 0, createRandom(1))).toThrow('whole number');
  });

  it('differs by seed', () => {
    const keys = allSets[3]?.practises ?? [];
    expect(makeCheckForm(keys, 20, createRandom(1))).not.toEqual(makeCheckForm(keys, 20, createRandom(2)));
  });
});

describe('shuffled', () => {
  it('keeps every item, and every place is equally likely', () => {
    const random = createRandom(11);
    const firsts = [0, 0, 0, 0];
    for (let at = 0; at < 8000; at += 1) firsts[shuffled([0, 1, 2, 3], random)[0] as number]! += 1;
    expect(firsts.reduce((a, b) => a + b)).toBe(8000);
    // 4.9 standard deviations of a binomial around 2,000.
    for (const count of firsts) expect(Math.abs(count - 2000)).toBeLessThan(190);
  });
});

describe('calibration forms', () => {
  it('ask 6, 6 and 4 numbers, none twice', () => {
    fc.assert(
      fc.property(fc.integer(), (seed) => {
        const form = makeCopyForm(createRandom(seed));
        expect([1, 2, 3].map((digits) => form.filter((one) => String(one).length === digits).length)).toEqual(
          [6, 6, 4],
        );
        expect(new Set(form).size).toBe(16);
        const naming = makeNamingForm(createRandom(seed));
        expect(new Set(naming).size).toBe(12);
        expect(Math.min(...naming)).toBeGreaterThanOrEqual(2);
        expect(Math.max(...naming)).toBeLessThanOrEqual(99);
        const judging = makeJudgingForm(createRandom(seed));
        expect(judging.filter((one) => one.right)).toHaveLength(6);
        for (const one of judging) {
          expect(one.right).toBe(one.shown === answerOf(parseFactKey(one.fact)));
          expect(one.shown).toBeGreaterThanOrEqual(0);
          if (!one.right) expect([1, 2]).toContain(Math.abs(one.shown - answerOf(parseFactKey(one.fact))));
        }
      }),
    );
  });
  it('draw from all there is to draw: each number, each way of being wrong', () => {
    const forms = Array.from({ length: 400 }, (_, seed) => createRandom(seed));
    const copied = new Set(forms.flatMap(makeCopyForm));
    for (const edge of [1, 9, 10, 99]) expect(copied).toContain(edge);
    expect(Math.min(...copied)).toBe(1);
    expect(Math.max(...copied)).toBeLessThanOrEqual(999);
    const named = new Set(forms.flatMap(makeNamingForm));
    expect([Math.min(...named), Math.max(...named), named.size]).toEqual([2, 99, 98]);
    const off = forms.flatMap(makeJudgingForm).map(({ fact, shown }) => shown - answerOf(parseFactKey(fact)));
    expect([...new Set(off)].toSorted((a, b) => a - b)).toEqual([-2, -1, 0, 1, 2]);
    expect(new Set(forms.map((random) => makeJudgingForm(random)[0]?.right)).size).toBe(2);
  });
});

const answer = (id: string): Answer => ({
  id,
  fact: '7x8',
  at: '2026-11-24T09:00:00Z',
  judgement: 'right',
  given: '56',
  latencyMs: 1500,
  voided: false,
  overheadMs: 600,
  spreadMs: 100,
  calibrated: true,
  limitMs: 2000,
  seen: [],
  aided: false,
  way: 'keypad',
});

const run = (events: MinuteEvent[], from: MinuteState = newMinute(['7x8', '8x7', '9x7'], 60_000, ['2x2'])) =>
  events.reduce(advanceMinute, from);

describe('minute', () => {
  it('counts answers to its time', () => {
    const state = run([
      { kind: 'started' },
      { kind: 'answered', answer: answer('a'), usedMs: 2000 },
      { kind: 'answered', answer: answer('b'), usedMs: 4000 },
      { kind: 'ended', usedMs: 60_100, reason: 'time' },
    ]);
    expect(state).toMatchObject({ status: 'over', usedMs: 60_000, endReason: 'time', interrupted: false });
    expect(state.answers).toHaveLength(2);
    expect(decides(state)).toBe(true);
  });

  it('undoes the last answer and asks it again without its time', () => {
    const state = run([
      { kind: 'started' },
      { kind: 'answered', answer: answer('a'), usedMs: 2000 },
      { kind: 'undone' },
    ]);
    expect(state).toMatchObject({ position: 0, seenBefore: true, answers: [] });
    expect(run([{ kind: 'undone' }], state)).toBe(state);
  });

  it('stands still while paused and goes on with the time left', () => {
    const paused = run([
      { kind: 'started' },
      { kind: 'paused', usedMs: 20_000, at: '2026-11-24T09:00:00Z', reason: 'interrupted' },
      { kind: 'ticked', usedMs: 30_000 },
    ]);
    expect(timeLeftMs(paused)).toBe(40_000);
    expect(mayResume(paused, '2026-11-24T09:10:00Z')).toBe(true);
    expect(mayResume(paused, '2026-11-24T09:10:01Z')).toBe(false);
    const resumed = run([{ kind: 'resumed' }], paused);
    expect(resumed).toMatchObject({ status: 'running', interrupted: true, seenBefore: true });
  });

  it('turns calm: no more count, known facts, nothing decided', () => {
    const calm = run([
      { kind: 'started' },
      { kind: 'answered', answer: answer('a'), usedMs: 2000 },
      { kind: 'calmed', usedMs: 3000 },
      { kind: 'answered', answer: answer('b'), usedMs: 50_000 },
    ]);
    expect(calm).toMatchObject({ calm: true, usedMs: 3000 });
    expect(promptOf(calm)).toBe('2x2');
    expect(decides(run([{ kind: 'ended', usedMs: 3000, reason: 'tutor' }], calm))).toBe(false);
  });

  it('takes marks and what was said after the end, and nothing else', () => {
    const over = run([
      { kind: 'started' },
      { kind: 'answered', answer: answer('a'), usedMs: 2000 },
      { kind: 'ended', usedMs: 5000, reason: 'tutor' },
    ]);
    expect(run([{ kind: 'answered', answer: answer('b'), usedMs: 1 }, { kind: 'undone' }], over)).toBe(over);
    const marked = run(
      [
        { kind: 'marked', answerId: 'a', seen: ['fingers'] },
        { kind: 'said', answerId: 'a', given: '54' },
      ],
      over,
    );
    expect(marked.answers[0]).toMatchObject({ seen: ['fingers'], given: '54' });
    expect(decides(over)).toBe(false);
  });

  const event: fc.Arbitrary<MinuteEvent> = fc.oneof(
    fc.constant({ kind: 'started' } as const),
    fc.constant({ kind: 'undone' } as const),
    fc.constant({ kind: 'resumed' } as const),
    fc.record({ kind: fc.constant('ticked' as const), usedMs: fc.integer({ min: 0, max: 90_000 }) }),
    fc.record({
      kind: fc.constant('answered' as const),
      answer: fc.string({ minLength: 1, maxLength: 2 }).map(answer),
      usedMs: fc.integer({ min: 0, max: 90_000 }),
    }),
    fc.record({
      kind: fc.constant('paused' as const),
      usedMs: fc.integer({ min: 0, max: 90_000 }),
      at: fc.constant('2026-11-24T09:00:00Z'),
      reason: fc.constantFrom('pause' as const, 'hidden' as const),
    }),
    fc.record({ kind: fc.constant('calmed' as const), usedMs: fc.integer({ min: 0, max: 90_000 }) }),
    fc.record({
      kind: fc.constant('ended' as const),
      usedMs: fc.integer({ min: 0, max: 90_000 }),
      reason: fc.constantFrom('time' as const, 'tutor' as const),
    }),
  );

  it('never loses or doubles an answer, never turns its clock back, survives being stored at any point', () => {
    fc.assert(
      fc.property(fc.array(event, { maxLength: 40 }), (events) => {
        let state = newMinute(['7x8', '8x7', '9x7'], 60_000, ['2x2']);
        for (const one of events) {
          const next = advanceMinute(state, one);
          expect(next.usedMs).toBeGreaterThanOrEqual(state.usedMs);
          expect(next.usedMs).toBeLessThanOrEqual(next.lengthMs);
          expect(new Set(next.answers.map((a) => a.id)).size).toBe(next.answers.length);
          expect(Math.abs(next.answers.length - state.answers.length)).toBeLessThanOrEqual(1);
          if (state.status === 'over') expect(next.status).toBe('over');
          expect(promptOf(next)).toBeDefined();
          expect(advanceMinute(JSON.parse(JSON.stringify(state)) as MinuteState, one)).toEqual(next);
          state = next;
        }
      }),
    );
  });

  it('says what it needs', () => {
    expect(() => newMinute([], 60_000)).toThrow('prompts');
    expect(() => newMinute(['7x8'], 0)).toThrow('length');
  });
});
