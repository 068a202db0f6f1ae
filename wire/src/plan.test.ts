import { planKinds, type PlanKind } from '@veldrift/core/planning';
import { describe, expect, it } from 'vitest';
import { eventSchema, type TableEvent } from './event.ts';
import { read } from './problem.ts';

const id = '0199a000-0000-7000-8000-000000000001';
const good: Readonly<Record<PlanKind, unknown>> = {
  part: {
    kind: 'game',
    minutes: 10,
    order: 2,
    game: { id: 'lamps', name: 'Lamps', step: 1, pack: '6:2,7:4', lay: ['Two 6s.'] },
    why: 'It shows 7 + 8.',
  },
  begun: { playId: null, at: '2026-12-02T09:00:00.000Z' },
  visitAt: { day: '2026-12-03', startsAtMin: 600 },
  visitMinutes: 30,
  visitTutor: id,
  absent: true,
  holiday: 'Founders’ day',
  group: { name: 'The kites' },
  member: 'kites',
  handover: { text: 'Left early.', day: '2026-12-02' },
  read: true,
  like: true,
  material: false,
  habit: true,
};
const change = (what: PlanKind, over: object = {}) => ({
  ...{ id, v: 1, kind: 'planChanged', at: '2026-12-02T09:00:00.000Z', what },
  ...{ pupilId: planKinds[what].pupil ? id : null, day: planKinds[what].day ? '2026-12-02' : null },
  ...{ key: planKinds[what].key ? 'one' : '', value: good[what], seen: null, ...over },
});
const found = (sent: unknown) => read<TableEvent>(eventSchema as never, sent);
const trouble = (sent: unknown) => {
  const one = found(sent);
  return 'problem' in one ? `${one.problem.field}: ${one.problem.message}` : 'kept';
};
const kinds = Object.keys(planKinds) as PlanKind[];

describe('a change of what is planned', () => {
  it.each(kinds)('of %s is read as it was sent', (what) => {
    const sent = change(what);
    expect(found(sent)).toEqual({ value: sent });
  });
  it.each(kinds)('of %s goes by what it is of, and by nothing else', (what) => {
    const by = planKinds[what];
    expect(trouble(change(what, { pupilId: by.pupil ? null : id }))).toMatch(/^pupilId: A .* is of/);
    expect(trouble(change(what, { day: by.day ? null : '2026-12-02' }))).toMatch(/^day: /);
    expect(trouble(change(what, { key: by.key ? '' : 'one' }))).toMatch(/^key: /);
    expect(trouble(change(what, { value: { odd: 1 } }))).toMatch(/^value/);
  });
  it('says what is wrong with a value in a sentence', () => {
    expect(trouble(change('visitMinutes', { value: 240 }))).toBe(
      'value: The length of a visit in minutes should be 180 or less.',
    );
    expect(trouble(change('part', { value: { ...(good.part as object), minutes: 0 } }))).toContain(
      'The minutes of a part should be 1 or more.',
    );
    expect(trouble(change('visitAt', { value: { day: '2026-02-30', startsAtMin: 600 } }))).toContain(
      'should be a day such as 2026-12-02.',
    );
    expect(trouble(change('handover', { value: { text: 'x'.repeat(1001), day: '2026-12-02' } }))).toContain(
      'at most 1000',
    );
    expect(trouble(change('absent', { day: 'tomorrow' }))).toContain('should be a day');
    expect(trouble({ ...change('absent'), what: 'constructor' })).toContain('what should be one of');
  });
  it('may take back what can be taken back', () => {
    for (const what of ['part', 'visitAt', 'visitTutor', 'holiday', 'group', 'member', 'handover'] as const)
      expect(trouble(change(what, { value: null })), what).toBe('kept');
    for (const what of ['visitMinutes', 'absent', 'begun', 'like'] as const)
      expect(trouble(change(what, { value: null })), what).toMatch(/^value/);
  });
});
