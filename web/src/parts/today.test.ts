import { describe, expect, it } from 'vitest';
import type { Pupil } from '@veldrift/wire';
import { checkDue, checkedToday, duesOf, minutesNow, visitsToday } from './today.ts';

const pupil = (over: Partial<Pupil>): Pupil =>
  ({
    id: 'p',
    name: 'Tove',
    visits: [],
    lastCheckAt: null,
    lastProbeAt: null,
    passed: [],
    tried: {},
    policy: {},
    roomPolicy: {},
    verdict: null,
    offer: null,
    ...over,
  }) as unknown as Pupil;
const tuesday = new Date('2026-11-24T22:30:00Z');

describe('the day', () => {
  it('is the day of the room, not of the machine', () => {
    const visits = [{ weekday: 3, startsAtMin: 540, minutes: 20 }];
    // Half past ten in the evening in London is Wednesday already in Oslo.
    expect(visitsToday([pupil({ visits })], tuesday, 'Europe/London')).toEqual([]);
    expect(visitsToday([pupil({ visits })], new Date('2026-11-24T23:30:00Z'), 'Europe/Oslo')).toHaveLength(1);
    expect(minutesNow(tuesday, 'Europe/Oslo')).toBe(23 * 60 + 30);
    expect(minutesNow(new Date('2026-11-24T23:10:00Z'), 'Europe/Oslo')).toBe(10);
  });
  it('lies in the order of the clock, then of the names', () => {
    const at = (name: string, startsAtMin: number) =>
      pupil({ id: name, name, visits: [{ weekday: 2, startsAtMin, minutes: 20 }] });
    const day = visitsToday(
      [at('Yusuf', 600), at('Bram', 900), at('Ilse', 600)],
      new Date('2026-11-24T09:00:00Z'),
      'UTC',
    );
    expect(day.map((one) => one.pupil.name)).toEqual(['Ilse', 'Yusuf', 'Bram']);
  });
  it('names what is due: a placement, the first check, the weekly minute, a decision', () => {
    const dues = (over: Partial<Pupil>) => duesOf(pupil(over), tuesday, 'UTC');
    // Of whom nothing is known is placed before anything is checked.
    expect(dues({})).toEqual(['to be placed']);
    expect(dues({ tried: { '7x8': { state: 'untried', evidence: 0, dueDay: null } } })).toEqual([
      'first check',
    ]);
    expect(dues({ lastCheckAt: '2026-11-17T10:00:00Z' })).toEqual(['minute due']);
    // A check moved by a day does not slip by a week; one of five days ago is not due yet.
    expect(dues({ lastCheckAt: '2026-11-18T10:00:00Z' })).toEqual(['minute due']);
    expect(dues({ lastCheckAt: '2026-11-19T10:00:00Z' })).toEqual([]);
    expect(dues({ lastCheckAt: '2026-11-24T10:00:00Z', verdict: 'advance' })).toEqual(['ready to move on']);
    const passed = (looksAt: string[]) => [{ setId: 's', at: '2026-11-16T10:00:00Z', looksAt }];
    const checked = { lastCheckAt: '2026-11-24T10:00:00Z' };
    expect(dues({ ...checked, passed: passed([]) })).toEqual(['look back due']);
    expect(dues({ ...checked, passed: passed(['2026-11-23T10:00:00Z']) })).toEqual([]);
    expect(dues({ ...checked, policy: { retentionFirstDays: 9 }, passed: passed([]) })).toEqual([]);
    expect(dues({ ...checked, lastProbeAt: '2026-11-10T10:00:00Z' })).toEqual(['same check due']);
    expect(dues({ ...checked, lastProbeAt: '2026-11-11T10:00:00Z' })).toEqual([]);
  });
  it('has a minute that confirms as soon as the facts hold, once a day', () => {
    const of = (afterDay: string | null) =>
      pupil({ lastCheckAt: '2026-11-23T10:00:00Z', offer: { kind: 'minute', afterDay } });
    expect(duesOf(of(null), tuesday, 'UTC')).toEqual(['minute to confirm']);
    expect(checkDue(of(null), tuesday, 'UTC')).toBe(true);
    expect(duesOf(of('2026-11-23'), tuesday, 'UTC')).toEqual(['minute to confirm']);
    expect(duesOf(of('2026-11-24'), tuesday, 'UTC')).toEqual([]);
    // In Oslo it is Wednesday already.
    expect(duesOf(of('2026-11-24'), new Date('2026-11-24T23:30:00Z'), 'Europe/Oslo')).toEqual([
      'minute to confirm',
    ]);
  });
  it('counts a check of today once it is there', () => {
    const done = pupil({ lastCheckAt: '2026-11-24T08:00:00Z' });
    expect(checkedToday(done, tuesday, 'UTC')).toBe(true);
    expect(checkDue(done, tuesday, 'UTC')).toBe(false);
    expect(checkedToday(pupil({}), tuesday, 'UTC')).toBe(false);
  });
});
