import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findSet, operations, pathways } from '@veldrift/core';
import { read } from './problem.ts';
import { newPupilInput, pupilInputOf, pupilSchema, type Pupil, type PupilInput } from './pupil.ts';

const good: PupilInput = {
  ...newPupilInput('01900000-0000-7000-8000-000000000000'),
  name: 'Odalys B.',
  operation: 'mul',
  setId: 'strategy/mul/squares',
};
const problem = (over: Record<string, unknown>) => {
  const found = read(pupilSchema, { ...good, ...over });
  return 'problem' in found ? found.problem : undefined;
};

describe('a pupil', () => {
  it('may stand on every set of every pathway that ships, and on no other', () => {
    for (const { id, sets } of pathways)
      for (const operation of operations)
        for (const set of sets[operation])
          expect(problem({ pathwayId: id, operation, setId: set.id }), set.id).toBeUndefined();
    expect(problem({ setId: 'strategy/mul/nothing' })).toEqual({
      field: 'setId',
      message: 'There is no such set.',
    });
    expect(problem({ operation: 'add' })).toMatchObject({ field: 'setId' });
    expect(findSet('strategy/mul/nothing')).toBeUndefined();
  });
  it('begins with presets that lack only a name, and keeps what was said of it through the form', () => {
    const { name: _left, ...rest } = newPupilInput(good.id);
    expect(problem({ ...rest, name: 'A.' })).toBeUndefined();
    const shown = { ...good, createdAt: 'then', setStates: {}, verdict: null } as unknown as Pupil;
    expect(pupilInputOf(shown)).toEqual(good);
  });
  it.each([
    ['', 'Give a shown name'],
    ['   ', 'Give a shown name'],
    [null, 'name is missing'],
    [undefined, 'name is missing'],
    ['x'.repeat(61), '1 to 60 characters'],
    ['a\nb', 'control characters'],
    [7, 'not of the right kind'],
  ])('is not called %j', (name, says) => {
    const found = problem({ name });
    expect(found?.field).toBe('name');
    expect(found?.message).toContain(says);
  });
  it('may have a name in any script, counted as people count', () => {
    for (const name of ['\u{1F98A}'.repeat(60), '\u0646\u0648\u0631', 'O\u2019Shea', '\u{20BB7}\u91CE'])
      expect(problem({ name })).toBeUndefined();
  });
  it.each([
    [{ grade: -1 }, 'grade'],
    [{ grade: 2.5 }, 'grade'],
    [{ grade: '4' }, 'grade'],
    [{ recallLimit: '1' }, 'recallLimit'],
    [{ policy: { aimPerMinute: 0 } }, 'policy.aimPerMinute'],
    [{ policy: [] }, 'policy'],
    [{ visits: [{ weekday: 7, startsAtMin: 0, minutes: 20 }] }, 'visits[0].weekday'],
    [{ notes: 'x\u0000' }, 'notes'],
  ])('is refused with the field that is wrong: %j', (over, field) => {
    const found = problem(over);
    expect(found?.field).toBe(field);
    expect(found?.message).toMatch(/\.$/);
  });
  it('never has what was sent repeated in the refusal', () => {
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(good)), fc.string({ minLength: 12 }), (field, secret) => {
        const found = problem({ [field]: { secret } });
        if (found) expect(found.message).not.toContain(secret);
      }),
    );
  });
});
