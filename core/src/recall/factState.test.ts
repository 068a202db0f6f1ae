import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerClasses } from './answerClass.ts';
import type { ClassedAnswer } from './factState.ts';
import { factStateOf, factStateSteps, timedFoldsOf } from './timedState.ts';
import { untimedFoldsOf, untimedStateOf } from './untimedState.ts';

/** `'RR.W'` on days: R recalled, W worked out, M missed, r right without time, ? no evidence; a space is a new day, `+n` skips n days. */
function history(text: string, fact = '7x8', over: Partial<ClassedAnswer> = {}): ClassedAnswer[] {
  const names = { R: 'recalled', W: 'workedOut', M: 'missed', r: 'right', '?': 'noEvidence' } as const;
  const out: ClassedAnswer[] = [];
  let minutes = 600;
  for (const part of text.match(/\+\d+|./g) ?? []) {
    if (part.startsWith('+')) minutes += Number(part.slice(1)) * 1440;
    else if (part === ' ') minutes += 1440;
    else {
      minutes += 1;
      out.push({
        fact,
        at: new Date(Date.UTC(2026, 0, 1) + minutes * 60_000).toISOString(),
        class: names[part as keyof typeof names],
        seen: [],
        ...over,
      });
    }
  }
  return out;
}

const stateOf = (text: string, fact?: string, over?: Partial<ClassedAnswer>) =>
  factStateOf(history(text, fact, over), 'UTC');

describe('state of a fact', () => {
  it.each([
    ['', 'untried'],
    ['r', 'untried'],
    ['?', 'untried'],
    ['M', 'missed'],
    ['RM', 'missed'],
    ['W', 'workingOut'],
    ['R', 'workingOut'],
    ['WR', 'workingOut'],
    ['RR', 'nearly'],
    ['RRR', 'nearly'],
    ['RR R', 'recalled'],
    ['R RWR', 'recalled'],
    ['R R W', 'workingOut'],
    ['RR?R R', 'recalled'],
    ['RR R+6R', 'recalled'],
    ['RR R+7R', 'kept'],
    ['RR+7R', 'recalled'],
    // Kept is recalled again after a week, not worked out; three recalled on one day are no two days.
    ['RR R+8W', 'recalled'],
    ['W RRR', 'nearly'],
    ['RR R+6?+1R', 'recalled'],
    ['RR RW', 'recalled'],
    // One slow day is not forgetting; two are, and two misses are at once.
    ['RR RWW', 'recalled'],
    ['RR R W W', 'slipped'],
    ['RR R WWWW', 'recalled'],
    ['RR R WRW', 'recalled'],
    ['RR R WR W', 'slipped'],
    ['RR R WRR W', 'recalled'],
    ['RR RWM', 'recalled'],
    ['RR R W M', 'slipped'],
    ['RR RMM', 'slipped'],
    ['RR RMRM', 'slipped'],
    ['RR R+7RMM', 'slipped'],
    ['RR RMMRR', 'slipped'],
    ['RR RMMRRR', 'recalled'],
    ['RR RMMRWRR', 'recalled'],
  ])('%s is %s', (text, state) => {
    expect(stateOf(text)).toBe(state);
  });

  it('takes a mark from an answer that is no evidence itself, and is recalled by one that is recalled', () => {
    const marked = (text: string) => [
      ...history('RR R', '7+1'),
      ...history(`+9${text}`, '7+1', { seen: ['noCounting'] }),
    ];
    expect(factStateOf(marked('?'), 'UTC')).toBe('recalled');
    expect(factStateOf(marked('r'), 'UTC')).toBe('recalled');
    expect(factStateOf(marked('W'), 'UTC')).toBe('workingOut');
    expect(factStateOf(history('?', '7+1', { seen: ['noCounting'] }), 'UTC')).toBe('untried');
  });

  it('is not changed by an answer with an aid once there is one without', () => {
    for (const text of ['M', 'W', 'R'])
      expect(factStateOf([...history(text), ...history('+1M', '7x8', { aided: true })], 'UTC')).toBe(
        stateOf(text),
      );
  });

  it('remembers when it turned, and when somebody last looked for counting, of answers without an aid', () => {
    const fold = (list: readonly ClassedAnswer[]) => timedFoldsOf(list, 'UTC').get('7x8');
    const turning = history('RR RMM+1RRR');
    const at = (nth: number) => Date.parse((turning[nth] as ClassedAnswer).at);
    expect(fold(turning)?.turns).toEqual([at(2), at(4), at(7)]);
    const looked = [
      ...history('R', '7x8', { seen: ['noCounting'] }),
      ...history('+1R'),
      ...history('+2W', '7x8', { seen: ['fingers'] }),
      ...history('+3R', '7x8', { seen: ['noCounting', 'fingers'], aided: true }),
    ];
    expect(fold(looked)).toMatchObject({
      noCountingAt: Date.parse((looked[0] as ClassedAnswer).at),
      workedAt: Date.parse((looked[2] as ClassedAnswer).at),
    });
    expect(fold(history('R'))).toMatchObject({ noCountingAt: null, workedAt: null, turns: [] });
  });

  it('needs "no counting seen" once for +1, +2, −1, −2', () => {
    expect(stateOf('RR R', '7+1')).toBe('nearly');
    expect(stateOf('RR R', '9-2')).toBe('nearly');
    const marked = history('RR R', '7+1');
    expect(
      factStateOf([{ ...(marked[0] as ClassedAnswer), seen: ['noCounting'] }, ...marked.slice(1)], 'UTC'),
    ).toBe('recalled');
    expect(stateOf('RR R', '7+3')).toBe('recalled');
  });

  it('lets aided answers cause no slip, and stand in no window', () => {
    const known = history('RR');
    const aided = history('+9WWM', '7x8', { aided: true });
    // Three recalled on two days, whatever was done with an aid between them.
    expect(factStateOf([...known, ...aided, ...history('+10R')], 'UTC')).toBe('recalled');
    expect(factStateOf([...known, ...aided], 'UTC')).toBe('nearly');
    expect(factStateOf(aided, 'UTC')).toBe('missed');
    expect(factStateOf([...aided, ...history('+10R')], 'UTC')).toBe('workingOut');
    const secure = history('rrr r', '7x8', { seen: ['explained'] });
    expect(untimedStateOf([...secure, ...history('+9MM', '7x8', { aided: true })], 'UTC')).toBe('secure');
    const helped = history('rrr r', '7x8', { seen: ['explained', 'helped'] });
    expect(untimedStateOf(helped, 'UTC')).toBe('workingOut');
  });

  it('of a recalled fact is not slipped by answers with an aid', () => {
    const known = history('RR R');
    const aided = history('+9WWWMM', '7x8', { aided: true });
    expect(factStateOf([...known, ...aided], 'UTC')).toBe('recalled');
    expect(factStateOf([...known, ...history('+9WW', '7x8', { seen: ['helped'] })], 'UTC')).toBe('recalled');
    expect(factStateOf([...known, ...history('+9W W')], 'UTC')).toBe('slipped');
  });

  it('counts days in the time zone of the room', () => {
    const at = (time: string): ClassedAnswer => ({ fact: '7x8', at: time, class: 'recalled', seen: [] });
    const list = [at('2026-01-01T14:00:00Z'), at('2026-01-01T14:30:00Z'), at('2026-01-01T15:30:00Z')];
    expect(factStateOf(list, 'UTC')).toBe('nearly');
    expect(factStateOf(list, 'Asia/Tokyo')).toBe('recalled');
  });

  const answers = fc
    .array(
      fc.record({
        class: fc.constantFrom(...answerClasses),
        minute: fc.integer({ min: 0, max: 40_000 }),
        seen: fc.subarray(['noCounting', 'fingers', 'helped'] as const),
        aided: fc.boolean(),
        fact: fc.constantFrom('7x8', '7+1'),
      }),
      { maxLength: 30 },
    )
    .map((list) =>
      list.map(({ minute, ...one }): ClassedAnswer => ({
        ...one,
        at: new Date(Date.UTC(2026, 0, 1) + minute * 60_000).toISOString(),
      })),
    );

  it('is the same however often and in whatever order it is rebuilt', () => {
    fc.assert(
      fc.property(answers, fc.infiniteStream(fc.nat()), (list, chance) => {
        const mixed = list
          .map((one) => ({ one, key: chance.next().value as number }))
          .sort((a, b) => a.key - b.key)
          .map(({ one }) => one);
        expect(timedFoldsOf(mixed, 'UTC')).toEqual(timedFoldsOf(list, 'UTC'));
        expect(untimedFoldsOf(mixed, 'UTC')).toEqual(untimedFoldsOf(list, 'UTC'));
      }),
    );
  });

  it('is never lowered by one more answer that is right, unaided and not slow', () => {
    const rank = ['untried', 'missed', 'slipped', 'workingOut', 'nearly', 'recalled', 'kept', 'secure'];
    const later = fc.integer({ min: 1, max: 30 });
    fc.assert(
      fc.property(
        answers,
        fc.constantFrom('recalled' as const, 'right' as const),
        later,
        (list, name, days) => {
          const last = Math.max(Date.UTC(2026, 0, 1), ...list.map((one) => Date.parse(one.at)));
          for (const fact of ['7x8', '7+1'])
            for (const [stateOf, name_] of [
              [factStateOf, name],
              [untimedStateOf, name],
              // Slow tells a school without a clock nothing.
              [untimedStateOf, 'workedOut'],
            ] as const) {
              const own = list.filter((one) => one.fact === fact);
              const more: ClassedAnswer = {
                fact,
                at: new Date(last + days * 40_000_000).toISOString(),
                class: name_,
                seen: [],
              };
              const before = stateOf(own, 'UTC');
              const after = stateOf([...own, more], 'UTC');
              expect(rank.indexOf(after), `${before} to ${after}`).toBeGreaterThanOrEqual(
                rank.indexOf(before),
              );
            }
        },
      ),
      { numRuns: 500 },
    );
  });

  it('stays recalled until it slips, and is recalled only after three recalled answers', () => {
    fc.assert(
      fc.property(answers, (list) => {
        const steps = factStateSteps(
          list.filter((one) => one.fact === '7x8'),
          'UTC',
        );
        steps.forEach((step, at) => {
          const before = steps[at - 1]?.state ?? 'untried';
          if (before === 'recalled' || before === 'kept')
            expect(['recalled', 'kept', 'slipped']).toContain(step.state);
          if (step.state === 'kept' && before !== 'kept') expect(before).toBe('recalled');
          if (step.state === 'recalled')
            expect(
              steps.slice(0, at + 1).filter((one) => one.answer.class === 'recalled').length,
            ).toBeGreaterThanOrEqual(3);
        });
      }),
    );
  });
});

describe('untimed state', () => {
  it('is secure when right on two days and explained once', () => {
    const plain = history('rrr r');
    expect(untimedStateOf(plain, 'UTC')).toBe('workingOut');
    const explained = [{ ...(plain[0] as ClassedAnswer), seen: ['explained'] as const }, ...plain.slice(1)];
    expect(untimedStateOf(explained, 'UTC')).toBe('secure');
    expect(untimedStateOf(history('rrrr', '7x8', { seen: ['explained'] }), 'UTC')).toBe('workingOut');
    // Days count since the last wrong one: right again on one day alone is not secure yet.
    expect(untimedStateOf(history('r rrrM', '7x8', { seen: ['explained'] }), 'UTC')).toBe('missed');
    expect(untimedStateOf(history('rrrM r', '7x8', { seen: ['explained'] }), 'UTC')).toBe('workingOut');
    expect(untimedStateOf(history('rMrrr r', '7x8', { seen: ['explained'] }), 'UTC')).toBe('secure');
    expect(untimedStateOf(history('r rrMM', '7x8', { seen: ['explained'] }), 'UTC')).toBe('missed');
    expect(untimedStateOf([], 'UTC')).toBe('untried');
  });
});
