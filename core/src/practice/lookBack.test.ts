import { describe, expect, it } from 'vitest';
import { findSet } from '../facts/pathway.ts';
import type { AnswerClass } from '../recall/answerClass.ts';
import { nextOfLook, notRecalled, retentionAsks, retentionFacts } from './lookBack.ts';

const facts = findSet('strategy/mul/squares')?.practises ?? [];
const rules = { retentionFacts: 6, retentionShort: 2 };
const classes = (...all: readonly AnswerClass[]) => all.map((one) => ({ class: one }));
const six = classes('recalled', 'recalled', 'recalled', 'recalled', 'recalled', 'recalled');

describe('the facts of a look back', () => {
  it('are drawn from the set, none twice, the same by the same seed', () => {
    const drawn = retentionFacts([...facts, ...facts], 7, 6);
    expect(drawn).toHaveLength(6);
    expect(new Set(drawn).size).toBe(6);
    expect(facts).toEqual(expect.arrayContaining(drawn));
    expect(retentionFacts(facts, 7, 6)).toEqual(drawn);
    expect(
      new Set(Array.from({ length: 200 }, (_, seed) => retentionFacts(facts, seed, 6)).flat()).size,
    ).toBe(new Set(facts).size);
    expect(retentionFacts(facts, 1, 99)).toHaveLength(new Set(facts).size);
  });
});

describe('how long a look back is', () => {
  it('as many again where two of the first were not recalled; later ones change nothing', () => {
    expect(retentionAsks(classes('missed', 'recalled'), rules)).toBe(6);
    expect(retentionAsks(classes('missed', 'workedOut'), rules)).toBe(12);
    expect(retentionAsks([...six, ...classes('missed', 'missed')], rules)).toBe(6);
    expect(retentionAsks([...six.slice(1), ...classes('missed', 'missed')], rules)).toBe(6);
  });
  it('counts what was worked out or missed, and nothing that is in doubt', () => {
    expect(notRecalled(classes('recalled', 'workedOut', 'missed', 'right', 'noEvidence'))).toEqual(
      classes('workedOut', 'missed'),
    );
  });
});

describe('what a look back asks next', () => {
  const plan = { ...rules, facts: retentionFacts(facts, 3, 12), timed: true };
  it('its facts in order, with the reason, until it has asked enough', () => {
    expect(nextOfLook(plan, [])).toEqual({ fact: plan.facts[0], why: 'One of a few facts of a set passed.' });
    expect(nextOfLook(plan, six.slice(1))?.fact).toBe(plan.facts[5]);
    expect(nextOfLook(plan, six)).toBeUndefined();
    const short = [...classes('missed', 'missed'), ...six.slice(2)];
    expect(nextOfLook(plan, short)).toEqual({
      fact: plan.facts[6],
      why: 'Too many of the first were not recalled: as many again.',
    });
    expect(nextOfLook(plan, short.slice(1))?.why).toBe('One of a few facts of a set passed.');
    expect(nextOfLook(plan, [...short, ...six])).toBeUndefined();
  });
  it('ends where a small set has no more', () => {
    expect(nextOfLook({ ...plan, facts: plan.facts.slice(0, 3) }, six.slice(0, 3))).toBeUndefined();
  });
});
