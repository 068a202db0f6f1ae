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
    expect(probeOperations(1, 'add')).toEqual(['add', 'sub']);
  });
  it('is of the pupil\u2019s own operation where no grade is known', () => {
    expect(new Set(makeProbeForm(null, 'sub', 40).map((key) => parseFactKey(key).operation))).toEqual(
      new Set(['sub']),
    );
  });
});

describe('a mixed minute', () => {
  it('takes every second prompt from the sets before', () => {
    const here = findSet('strategy/mul/squares')?.practises ?? [];
    const there = findSet('strategy/mul/2')?.practises ?? [];
    const form = makeMixedForm(here, there, 20, 3);
    expect(form.filter((_, at) => at % 2 === 0).every((key) => here.includes(key))).toBe(true);
    expect(form.filter((_, at) => at % 2 === 1).every((key) => there.includes(key))).toBe(true);
    expect(makeMixedForm(here, [], 20, 3).every((key) => here.includes(key))).toBe(true);
  });
});
