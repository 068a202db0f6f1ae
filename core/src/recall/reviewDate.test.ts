import fc from 'fast-check';
import { createEmptyCard, fsrs, Rating } from 'ts-fsrs';
import { describe, expect, it } from 'vitest';
import { dayNumber } from './day.ts';
import { longestReviewDays, reviewDateOf } from './reviewDate.ts';
import type { ClassedAnswer } from './factState.ts';

const answers = (days: readonly string[], cls: ClassedAnswer['class'] = 'recalled'): ClassedAnswer[] =>
  days.map((day) => ({ fact: '7x8', at: `${day}T10:00:00Z`, class: cls, seen: [] }));
const today = dayNumber('2026-02-01');

describe('review date', () => {
  it('is only of recalled facts', () => {
    expect(reviewDateOf([], 'UTC', today)).toBeUndefined();
    expect(reviewDateOf(answers(['2026-01-01', '2026-01-02']), 'UTC', today)).toBeUndefined();
  });
  it('moves away with each recall on a later day, and the chance falls with time', () => {
    const three = reviewDateOf(answers(['2026-01-01', '2026-01-04', '2026-01-10']), 'UTC', today);
    const four = reviewDateOf(
      answers(['2026-01-01', '2026-01-04', '2026-01-10', '2026-01-31']),
      'UTC',
      today,
    );
    expect(three && four && four.dueDay - today > three.dueDay - dayNumber('2026-01-10')).toBe(true);
    const later = reviewDateOf(answers(['2026-01-01', '2026-01-04', '2026-01-10']), 'UTC', today + 60);
    expect(later && three && later.chance < three.chance).toBe(true);
    // When it is due, nine in ten are expected to recall it: what the scheduler was asked for.
    const due =
      three && reviewDateOf(answers(['2026-01-01', '2026-01-04', '2026-01-10']), 'UTC', three.dueDay);
    expect(due?.chance).toBeCloseTo(0.9, 1);
  });
  it('is that of the scheduler itself, up to ninety days after the last review', () => {
    // Source: the package ts-fsrs, asked without anything of ours between.
    const own = fsrs({ enable_fuzz: false, enable_short_term: false, request_retention: 0.9 });
    let reached = 0;
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 3, maxLength: 9 }),
        fc.array(fc.boolean(), { minLength: 9, maxLength: 9 }),
        (gaps, good) => {
          const first = dayNumber('2026-01-01');
          const days = gaps.reduce<number[]>((all, gap) => [...all, (all.at(-1) as number) + gap], [first]);
          // The last three recalled, so that the fact is.
          const classes = days.map((_, at) =>
            at >= days.length - 3 || good[at] ? ('recalled' as const) : ('workedOut' as const),
          );
          const list = days.map((day, at): ClassedAnswer => ({
            fact: '7x8',
            at: new Date(day * 86_400_000 + 36_000_000).toISOString(),
            class: classes[at] as ClassedAnswer['class'],
            seen: [],
          }));
          let card = createEmptyCard(new Date(first * 86_400_000));
          days.forEach((day, at) => {
            const rating = classes[at] === 'recalled' ? Rating.Good : Rating.Again;
            card = own.next(card, new Date(day * 86_400_000), rating).card;
          });
          const last = days.at(-1) as number;
          const due = Math.floor(card.due.getTime() / 86_400_000);
          if (due > last + longestReviewDays) reached += 1;
          expect(reviewDateOf(list, 'UTC', last)?.dueDay).toBe(Math.min(due, last + longestReviewDays));
        },
      ),
    );
    expect(reached).toBeGreaterThan(0);
  });
  it('takes what was worked out for a retrieval that failed, and passes over what was aided', () => {
    const clean = answers(['2026-01-01', '2026-01-04', '2026-01-10', '2026-01-12', '2026-01-20']);
    const with_ = (over: Partial<ClassedAnswer>) =>
      reviewDateOf(
        clean.map((one, at) => (at === 3 ? { ...one, ...over } : one)),
        'UTC',
        today,
      )?.dueDay;
    expect(with_({ class: 'workedOut' })).toBe(with_({ class: 'missed' }));
    expect(with_({ class: 'workedOut' })).toBeLessThan(with_({}) as number);
    expect(with_({ class: 'workedOut', aided: true })).toBe(
      reviewDateOf(
        clean.filter((_, at) => at !== 3),
        'UTC',
        today,
      )?.dueDay,
    );
  });
  it('comes sooner after a lapse, and takes one review a day', () => {
    const clean = reviewDateOf(
      answers(['2026-01-01', '2026-01-04', '2026-01-10', '2026-01-20']),
      'UTC',
      today,
    );
    const lapsed = reviewDateOf(
      [
        ...answers(['2026-01-01', '2026-01-04', '2026-01-10']),
        ...answers(['2026-01-15'], 'missed'),
        ...answers(['2026-01-20']),
      ],
      'UTC',
      today,
    );
    expect(lapsed && clean && lapsed.dueDay < clean.dueDay).toBe(true);
    const twice = reviewDateOf(
      answers(['2026-01-01', '2026-01-04', '2026-01-04', '2026-01-10', '2026-01-20']),
      'UTC',
      today,
    );
    expect(twice?.dueDay).toBe(clean?.dueDay);
  });
});
