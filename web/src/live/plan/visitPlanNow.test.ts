import {
  planBook,
  type PlanChange,
  type PlanKind,
  type PlannedVisit,
  type PlanValues,
} from '@veldrift/core/planning';
import type { Pupil } from '@veldrift/wire';
import { describe, expect, it } from 'vitest';
import { visitOfDay, visitPlanNow, type VisitNow } from './visitPlanNow.ts';

const day = '2026-12-02';
const pupil = {
  id: 'p',
  setId: 'strategy/mul/squares',
  operation: 'mul',
  tried: { '2x2': { state: 'recalled', evidence: 4, dueDay: null } },
  lastCheckAt: null,
  lastProbeAt: null,
  passed: [],
  policy: {},
  roomPolicy: {},
  offer: null,
} as unknown as Pupil;
const visit: PlannedVisit = {
  pupilId: 'p',
  day,
  startsAtMin: 9 * 60,
  minutes: 20,
  tutorId: null,
  absent: false,
  of: { day, key: 'weekly 540' },
  moved: false,
  once: false,
};
const game = {
  id: 'lamps',
  name: 'Lamps',
  step: 1,
  pack: null,
  lay: [],
  minutes: 10,
  why: 'It shows 7 × 7.',
};
let nth = 0;
const set = <K extends PlanKind>(kind: K, key: string, value: PlanValues[K]): PlanChange => ({
  ...{ id: String((nth += 1)).padStart(6, '0'), kind, pupilId: 'p', day, key, value },
  ...{ at: '2026-12-02T08:00:00.000Z', by: 'mara', seen: null },
});
/** By the clock of the room, which is that of UTC. */
const at = (
  time: string,
  changes: readonly PlanChange[] = [],
  visits: readonly PlannedVisit[] = [visit],
): VisitNow =>
  visitPlanNow(pupil, {
    book: planBook(changes),
    visits,
    games: [game],
    now: new Date(`${day}T${time}:00Z`),
    timeZone: 'UTC',
  });
const told = ({ parts }: VisitNow) => parts.map((one) => `${one.kind} ${one.minutes}`);
const planned = ['warmUp 3', 'drill 4', 'game 9', 'check 2', 'close 2'];

describe('a visit of today', () => {
  it('is planned by rule until somebody keeps it, and then is as it was kept', () => {
    const before = at('07:00');
    expect(told(before)).toEqual(planned);
    expect(before).toMatchObject({ isKept: false, leftMinutes: null, isLate: false, minutes: 20 });
    expect(before.next?.kind).toBe('warmUp');
    const kept = before.parts.map(({ key, kind, order, minutes, why }) =>
      set('part', key, key === 'drill1' ? null : { kind, order, minutes, why }),
    );
    const after = at('07:00', kept);
    expect(after.isKept).toBe(true);
    expect(told(after)).toEqual(['warmUp 3', 'game 9', 'check 2', 'close 2']);
  });

  it('goes on with the first part that was not begun, whichever was', () => {
    const begun = set('begun', 'drill1', { playId: null, at: `${day}T09:00:00.000Z` });
    const now = at('09:01', [begun]);
    expect(now.next?.kind).toBe('warmUp');
    expect(now.parts.map((one) => one.begun !== null)).toEqual([false, true, false, false, false]);
    const all = planned.map((_, place) =>
      set('begun', at('07:00').parts[place]?.key ?? '', { playId: null, at: `${day}T09:00:00.000Z` }),
    );
    expect(at('09:05', all).next).toBeNull();
  });

  it('is shortened where the child comes late: the game first, the check and the talk never', () => {
    expect(at('09:00').isLate).toBe(false);
    const late = at('09:04');
    expect(late).toMatchObject({ isLate: true, leftMinutes: 16 });
    expect(told(late)).toEqual(['warmUp 3', 'drill 4', 'game 5', 'check 2', 'close 2']);
    expect(late.parts[2]?.plannedMinutes).toBe(9);
    expect(told(at('09:17'))).toEqual(['warmUp 0', 'drill 0', 'game 0', 'check 2', 'close 2']);
    // It is over: what is begun now has its own time.
    expect(told(at('11:00'))).toEqual(planned);
  });

  it('counts from its begin, but ends by the clock when the next child comes', () => {
    const begun = (time: string) => [set('begun', 'warmUp0', { playId: null, at: `${day}T${time}:00.000Z` })];
    expect(at('09:05', begun('09:00')).leftMinutes).toBe(15);
    // Begun five minutes late: five fewer are left.
    expect(at('09:10', begun('09:05')).leftMinutes).toBe(10);
    // Begun early, or at another time of the day: its own length.
    expect(at('08:50', begun('08:45')).leftMinutes).toBe(15);
    expect(at('13:05', begun('13:00')).leftMinutes).toBe(15);
    expect(at('18:00', begun('09:00')).leftMinutes).toBeNull();
  });

  it('is twenty minutes where no time is set, and as long as can be planned where it is set too long', () => {
    expect(at('09:00', [], [])).toMatchObject({ visit: null, minutes: 20 });
    expect(at('07:00', [], [{ ...visit, minutes: 180 }]).minutes).toBe(120);
  });

  it('is the one under way or next of several; missed ones are passed over', () => {
    const later = { ...visit, startsAtMin: 13 * 60, of: { day, key: 'weekly 780' } };
    expect(visitOfDay([visit, later], 9 * 60 + 10)).toBe(visit);
    expect(visitOfDay([visit, later], 9 * 60 + 20)).toBe(later);
    expect(visitOfDay([visit, later], 20 * 60)).toBe(later);
    expect(visitOfDay([{ ...visit, absent: true }, later], 9 * 60)).toBe(later);
    expect(visitOfDay([], 0)).toBeNull();
  });
});
