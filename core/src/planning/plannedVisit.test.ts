import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planBook, type PlanChange, type PlanKind, type PlanValues } from './planChange.ts';
import {
  clashesIn,
  dayAfter,
  mondayOf,
  visitsOn,
  weekdayOf,
  weeklyKey,
  type PlannedVisit,
} from './plannedVisit.ts';

let nth = 0;
const set = <K extends PlanKind>(
  kind: K,
  day: string | null,
  key: string,
  value: PlanValues[K],
  pupilId: string | null = 'p',
): PlanChange => ({
  id: String((nth += 1)).padStart(6, '0'),
  kind,
  pupilId,
  day,
  key,
  value,
  at: '2026-12-01T08:00:00.000Z',
  by: 'mara',
  seen: null,
});
const slot = { pupilId: 'p', weekday: 3, startsAtMin: 540, minutes: 20 };
const wednesday = '2026-12-02';
const week = Array.from({ length: 7 }, (_, at) => dayAfter(mondayOf(wednesday), at));
const key = weeklyKey(slot);
const told = (changes: readonly PlanChange[], slots = [slot]) =>
  visitsOn(week, slots, planBook(changes)).map(
    (one) =>
      `${one.pupilId} ${one.day.slice(8)} ${one.startsAtMin}+${one.minutes}${one.absent ? ' absent' : ''}`,
  );

describe('days', () => {
  it('have the weekday the platform gives them, and weeks begin on Monday', () => {
    fc.assert(
      fc.property(fc.integer({ min: -3000, max: 60_000 }), (number) => {
        const day = new Date(number * 86_400_000).toISOString().slice(0, 10);
        expect(weekdayOf(day)).toBe(new Date(`${day}T12:00:00Z`).getUTCDay());
        expect(weekdayOf(mondayOf(day))).toBe(1);
        expect(mondayOf(day) <= day && day < dayAfter(mondayOf(day), 7)).toBe(true);
      }),
    );
  });
});

describe('visits of a week', () => {
  it('come every week, but not on a holiday', () => {
    expect(told([])).toEqual(['p 02 540+20']);
    expect(told([set('holiday', wednesday, '', 'Founders', null)])).toEqual([]);
    expect(told([set('holiday', wednesday, '', null, null)])).toEqual(['p 02 540+20']);
  });

  it('stand where they were moved to, once and only there', () => {
    expect(told([set('visitAt', wednesday, key, { day: '2026-12-04', startsAtMin: 600 })])).toEqual([
      'p 04 600+20',
    ]);
    // Moved out of the week, and into it from another.
    expect(told([set('visitAt', wednesday, key, { day: '2026-12-09', startsAtMin: 600 })])).toEqual([]);
    expect(told([set('visitAt', '2026-12-09', key, { day: '2026-12-01', startsAtMin: 480 })])).toEqual([
      'p 01 480+20',
      'p 02 540+20',
    ]);
    expect(told([set('visitAt', wednesday, key, null)])).toEqual([]);
    // Put on a holiday by somebody, it stands.
    expect(
      told([
        set('holiday', '2026-12-04', '', 'Founders', null),
        set('visitAt', wednesday, key, { day: '2026-12-04', startsAtMin: 600 }),
      ]),
    ).toEqual(['p 04 600+20']);
  });

  it('may come once, be longer, or be missed', () => {
    expect(
      told([
        set('visitAt', '2026-12-03', 'once 1', { day: '2026-12-03', startsAtMin: 700 }),
        set('visitMinutes', '2026-12-03', 'once 1', 35),
        set('absent', wednesday, key, true),
        set('visitMinutes', wednesday, key, 40),
      ]),
    ).toEqual(['p 02 540+40 absent', 'p 03 700+35']);
  });

  it('are no more where the weekly visit they were moved from is no more', () => {
    const moved = set('visitAt', wednesday, key, { day: '2026-12-04', startsAtMin: 600 });
    expect(told([moved], [{ ...slot, startsAtMin: 480 }])).toEqual(['p 02 480+20']);
  });

  it('give each visit once, in order, whatever is moved where', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            weekday: fc.integer({ min: 0, max: 6 }),
            startsAtMin: fc.integer({ min: 0, max: 1439 }),
          }),
          { maxLength: 6 },
        ),
        fc.array(
          fc.record({
            from: fc.integer({ min: 0, max: 6 }),
            to: fc.integer({ min: 0, max: 6 }),
            startsAtMin: fc.integer({ min: 0, max: 1439 }),
          }),
          { maxLength: 6 },
        ),
        (given, moves) => {
          const slots = given.map((one) => ({ ...one, pupilId: 'p', minutes: 20 }));
          const changes = moves.map((one, at) =>
            set('visitAt', week[one.from] as string, weeklyKey(slots[at] ?? { startsAtMin: 0 }), {
              day: week[one.to] as string,
              startsAtMin: one.startsAtMin,
            }),
          );
          const found = visitsOn(week, slots, planBook(changes));
          const different = new Set(slots.map((one) => `${one.weekday} ${one.startsAtMin}`));
          // Moved within the week: as many as there are.
          expect(found).toHaveLength(different.size);
          expect(new Set(found.map((one) => `${one.of.day} ${one.of.key}`)).size).toBe(found.length);
          const order = found.map((one) => `${one.day} ${String(one.startsAtMin).padStart(4, '0')}`);
          expect([...order].sort()).toEqual(order);
        },
      ),
    );
  });
});

describe('clashes', () => {
  const visit = (over: Partial<PlannedVisit>): PlannedVisit => ({
    pupilId: 'p',
    day: wednesday,
    startsAtMin: 540,
    minutes: 20,
    tutorId: null,
    absent: false,
    of: { day: wednesday, key: 'k' },
    moved: false,
    once: false,
    ...over,
  });
  const nobody = () => null;
  it('are two visits of one tutor at once; one after the other is none', () => {
    const other = visit({ pupilId: 'q', startsAtMin: 559 });
    expect(clashesIn([visit({}), other], nobody)).toHaveLength(1);
    expect(clashesIn([visit({}), { ...other, startsAtMin: 560 }], nobody)).toEqual([]);
    expect(clashesIn([visit({}), { ...other, tutorId: 'ines' }], nobody)).toEqual([]);
    expect(clashesIn([visit({}), { ...other, absent: true }], nobody)).toEqual([]);
    expect(clashesIn([visit({}), { ...other, day: '2026-12-03' }], nobody)).toEqual([]);
  });
  it('are none where a group comes together, but one pupil is never in two places', () => {
    const together = [visit({}), visit({ pupilId: 'q' })];
    expect(clashesIn(together, () => 'g')).toEqual([]);
    expect(clashesIn(together, (id) => (id === 'p' ? 'g' : 'h'))).toHaveLength(1);
    expect(clashesIn([visit({}), visit({ startsAtMin: 550, tutorId: 'ines' })], () => 'g')).toHaveLength(1);
  });
});
