import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findSet } from '../facts/pathway.ts';
import { chanceText, doneShare, setChance } from './chance.ts';
import { decide } from './decide.ts';
import type { Evidence, JudgedAnswer } from './decision.ts';
import { defaultPolicy, schools } from './policy.ts';

const set = findSet('strategy/mul/squares') ?? { name: 'squares', practises: ['6x6', '7x7'] };
const facts = [...new Set(set.practises)];
const answered = (fact: string, nth: number, over: Partial<JudgedAnswer> = {}): JudgedAnswer => ({
  id: `${fact} ${nth}`,
  fact,
  at: new Date(Date.UTC(2026, 10, 1 + nth, 10, 0, nth)).toISOString(),
  class: 'recalled',
  seen: [],
  correctedMs: 900,
  limitMs: 2000,
  ...over,
});
const rounds = (of: readonly string[], over: Partial<JudgedAnswer> = {}) =>
  of.flatMap((fact) => [0, 1, 2, 3].map((nth) => answered(fact, nth, over)));
const slow: Partial<JudgedAnswer> = { class: 'workedOut', correctedMs: 4200 };
const evidence = (answers: readonly JudgedAnswer[], over: Partial<Evidence> = {}): Evidence => ({
  school: 'eachFactInstant',
  policy: defaultPolicy,
  set,
  answers,
  checks: [],
  ceiling: null,
  timeZone: 'UTC',
  ...over,
});

describe('the chance that a set is done', () => {
  it('is near certain where all are recalled, near none where all are worked out, and null where nothing tells', () => {
    expect(setChance(evidence(rounds(facts)))?.chance).toBeGreaterThan(0.95);
    expect(setChance(evidence(rounds(facts, slow)))?.chance).toBeLessThan(0.05);
    expect(setChance(evidence([]))).toBeNull();
    expect(setChance(evidence(rounds(['2x3'])))).toBeNull();
  });
  it('turns on the fifth of its facts that may be short', () => {
    const least = Math.ceil(doneShare * facts.length);
    const of = (known: number) =>
      setChance(evidence([...rounds(facts.slice(0, known)), ...rounds(facts.slice(known), slow)]))?.chance ??
      0;
    expect(of(least)).toBeGreaterThan(0.5);
    expect(of(least - 1)).toBeLessThan(0.5);
    for (let known = 1; known <= facts.length; known += 1)
      expect(of(known)).toBeGreaterThanOrEqual(of(known - 1) - 1e-9);
  });
  it('takes a fact nobody asked for what it is before any answer, and names those that would tell most', () => {
    const [first = '', second = ''] = facts;
    const found = setChance(evidence(rounds(facts.slice(2))));
    expect(found?.tell).toEqual(expect.arrayContaining([first, second]));
    expect(found?.tell.length).toBeLessThanOrEqual(3);
    expect(setChance(evidence(rounds(facts)))?.tell).toEqual([]);
  });
  it('goes by the child\u2019s own times: what is quick for one is worked out for another', () => {
    const unsure: Partial<JudgedAnswer> = { class: 'noEvidence', correctedMs: 1900 };
    const others = (quickMs: number, slowMs: number) =>
      Array.from({ length: 60 }, (_, nth) =>
        answered('2x3', nth % 20, {
          id: `o${nth}`,
          correctedMs: nth % 2 ? quickMs : slowMs,
          class: nth % 2 ? 'recalled' : 'workedOut',
        }),
      );
    const of = (list: readonly JudgedAnswer[]) =>
      setChance(evidence(rounds(facts, unsure), { others: list }))?.chance ?? NaN;
    expect(of(others(1800, 6000))).toBeGreaterThan(0.8);
    expect(of(others(600, 1900))).toBeLessThan(0.2);
  });
  it('hangs on no order in which answers are handed in', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(rounds(facts.slice(0, 4)), { minLength: 2 }), (list) => {
        const ordered = [...list].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
        const [one, other] = [setChance(evidence(list)), setChance(evidence(ordered))];
        expect(one?.chance).toBeCloseTo(other?.chance ?? NaN, 9);
      }),
    );
  });
});

describe('a decision', () => {
  it('tells the chance in words and a number wherever a clock is wanted, and never where none is', () => {
    for (const school of schools) {
      const decision = decide(evidence(rounds(facts), { school }));
      const said = decision.reasons.filter((one) => one.text.includes('four fifths or more'));
      if (school === 'accurateExplained') {
        expect(decision.chance).toBeUndefined();
        expect(said).toEqual([]);
      } else {
        expect(decision.chance?.chance).toBeGreaterThan(0.95);
        expect(said.map((one) => one.text)).toEqual([
          'That four fifths or more of the set are recalled is nearly certain, 99 in 100.',
        ]);
        expect(said[0]?.restsOn).toBe('facts');
      }
    }
    expect(decide(evidence([])).chance).toBeNull();
  });
  it('says what would raise a chance under 80 in 100, and leaves the verdict to the rule', () => {
    const half = Math.ceil(doneShare * facts.length) - 1;
    // Three that nobody asked may all be recalled, or none.
    const decision = decide(evidence(rounds(facts.slice(0, half))));
    const { chance = 0 } = decision.chance ?? {};
    expect(chance).toBeGreaterThan(0.2);
    expect(chance).toBeLessThan(0.8);
    expect(decision.reasons.at(-1)?.text).toMatch(/ Answers on .+ would tell more\.$/);
    expect(['stay', 'notEnough']).toContain(decision.verdict);
    expect(decide(evidence(rounds(facts))).reasons.at(-1)?.text).not.toContain('would tell more');
  });
  it('puts chances into words, never quite none or all', () => {
    expect([0, 0.1, 0.3, 0.5, 0.7, 0.86, 0.97, 1].map(chanceText)).toEqual([
      'very unlikely, 1 in 100',
      'unlikely, 10 in 100',
      'rather unlikely, 30 in 100',
      'open, 50 in 100',
      'rather likely, 70 in 100',
      'likely, 86 in 100',
      'nearly certain, 97 in 100',
      'nearly certain, 99 in 100',
    ]);
  });
});
