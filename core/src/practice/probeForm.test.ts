import { describe, expect, it } from 'vitest';
import { parseFactKey } from '../facts/fact.ts';
import { findSet } from '../facts/pathway.ts';
import { makeMixedForm, makeProbeForm, probeOperations } from './probeForm.ts';

describe('the constant mixed probe', () => {
  it('has one form a grade, always the same, operations turn about', () => {
    const form = makeProbeForm(4, 'mul', 80);
    expect(makeProbeForm(4, 'add', 80)).toEqual(form);
    expect(form.slice(0, 8).map((key) => parseFactKey(key).operation)).toEqual([
      'add',
      'sub',
      'mul',
      'div',
      'add',
      'sub',
      'mul',
      'div',
    ]);
    form.slice(1).forEach((key, at) => expect(key).not.toBe(form[at]));
    for (const [grade, operations] of [
      [0, ['add', 'sub']],
      [2, ['add', 'sub']],
      [3, ['add', 'sub', 'mul']],
      [4, ['add', 'sub', 'mul', 'div']],
      [7, ['add', 'sub', 'mul', 'div']],
      [null, ['mul']],
    ] as const)
      expect(probeOperations(grade, 'mul')).toEqual(operations);
  });
  it('reaches as far as the grade', () => {
    const largest = (grade: number | null) =>
      Math.max(
        ...makeProbeForm(grade, 'add', 400).flatMap((key) => {
          const fact = parseFactKey(key);
          return fact.operation === 'add' ? [fact.left, fact.right] : [];
        }),
      );
    expect([0, 1, 2, 4, 5, null].map(largest)).toEqual([5, 5, 10, 10, 12, 10]);
  });
  it('never changes: a line over years is of the same prompts', () => {
    // As it is given out: whoever changes this breaks every line drawn so far.
    expect(makeProbeForm(3, 'mul', 6)).toEqual(['4+1', '10-5', '9x8', '0+7', '19-10', '1x2']);
  });
  it('is of the pupil\u2019s own operation where no grade is known', () => {
    expect(new Set(makeProbeForm(null, 'sub', 40).map((key) => parseFactKey(key).operation))).toEqual(
      new Set(['sub']),
    );
  });
});

describe('a mixed minute', () => {
  it('has as many prompts as asked, odd numbers too, and needs two facts of the sets before', () => {
    const here = findSet('strategy/mul/squares')?.practises ?? [];
    for (const count of [1, 7, 8]) {
      const form = makeMixedForm(here, ['2x3', '3x2'], count, 5);
      expect(form).toHaveLength(count);
      for (const key of form) expect(parseFactKey(key).operation).toBe('mul');
      expect(form.filter((_, at) => at % 2 === 1).every((key) => ['2x3', '3x2'].includes(key))).toBe(true);
    }
    expect(makeMixedForm(here, ['2x3'], 8, 5).every((key) => here.includes(key))).toBe(true);
  });
  it('takes every second prompt from the sets before', () => {
    const here = findSet('strategy/mul/squares')?.practises ?? [];
    const there = findSet('strategy/mul/2')?.practises ?? [];
    const form = makeMixedForm(here, there, 20, 3);
    expect(form.filter((_, at) => at % 2 === 0).every((key) => here.includes(key))).toBe(true);
    expect(form.filter((_, at) => at % 2 === 1).every((key) => there.includes(key))).toBe(true);
    expect(makeMixedForm(here, [], 20, 3).every((key) => here.includes(key))).toBe(true);
  });
});
