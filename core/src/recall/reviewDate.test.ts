import { describe, expect, it } from 'vitest';
import { dayNumber } from './day.ts';
import { reviewDateOf } from './reviewDate.ts';
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
