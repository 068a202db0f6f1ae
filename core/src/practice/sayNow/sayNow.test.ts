import fc from 'fast-check';
import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { answerOf, factKey, factText, type Fact } from '../../facts/fact.ts';
import { operations } from '../../facts/operation.ts';
import { factsInRange } from '../../facts/range.ts';
import { sayNowLine, sayNowSteps, sayNowWays } from './sayNow.ts';

const fact = (operation: Fact['operation'], left: number, right: number): Fact => ({
  operation,
  left,
  right,
});

describe.each(operations)('say-now lines, %s', (operation) => {
  // To 13, since tables and divisors may go that far.
  const facts = factsInRange(operation, 13);

  it('are true at every step and end at the answer, by every way', () => {
    // Source: mathjs evaluates what each step states.
    for (const one of facts)
      for (const { steps } of sayNowWays(one)) {
        for (const { expression, value } of steps)
          expect(Number(evaluate(expression)), expression).toBe(value);
        expect(steps.at(-1)?.value, factKey(one)).toBe(answerOf(one));
      }
  });

  it('say each step\u2019s number, and are short plain sentences', () => {
    for (const one of facts)
      for (const { id, steps } of sayNowWays(one)) {
        const line = sayNowLine(one, id);
        expect(line.startsWith(`${factText(one)}: `)).toBe(true);
        expect(line, line).toMatch(operation === 'div' ? /^[^!]{8,120}\.$/ : /^[^!?]{8,120}\.$/);
        for (const { says, value } of steps)
          expect(
            /fill the ten|makes two|none are left|one group/.test(says) || says.includes(String(value)),
            says,
          ).toBe(true);
      }
  });

  it('have one to three ways, each another, known by an id and a name', () => {
    for (const one of facts) {
      const ways = sayNowWays(one);
      expect(ways.length).toBeGreaterThanOrEqual(1);
      expect(ways.length).toBeLessThanOrEqual(3);
      expect(new Set(ways.map((way) => way.id)).size, factKey(one)).toBe(ways.length);
      expect(new Set(ways.map((way) => sayNowLine(one, way.id))).size, factKey(one)).toBe(ways.length);
      for (const way of ways) expect(way.name).toMatch(/^[a-z][a-z, ]+$/);
      // A way of another fact, or of a later version, is passed over.
      expect(sayNowLine(one, 'somethingElse')).toBe(sayNowLine(one));
    }
  });

  it('build on what was said before, not on the fact itself', () => {
    for (const one of facts)
      for (const { steps } of sayNowWays(one)) {
        const whole = factKey(one).replace('x', '*').replace(':', '/');
        // A way in several steps starts from another fact than the one that was missed.
        if (steps.length > 1) expect(steps[0]?.expression).not.toBe(whole);
        // A difference is found, not told by the sum it undoes; a quotient not by the multiplication it is asked for.
        if (operation === 'sub')
          for (const { expression } of steps) expect(expression).not.toBe(`${one.right}+${answerOf(one)}`);
        if (operation === 'div' && ![2, 10].includes(answerOf(one)))
          for (const { expression } of steps) expect(expression).not.toBe(`${answerOf(one)}*${one.right}`);
      }
  });
});

describe('a say-now line', () => {
  it.each([
    [fact('mul', 8, 7), '8 \u00d7 7: double 7 is 14, double again 28, double again 56.'],
    [fact('mul', 7, 9), '7 \u00d7 9: ten 7s are 70, less one 7 is 63.'],
    [fact('mul', 7, 7), '7 \u00d7 7: five 7s are 35, 2 more 7s are 14, together 49.'],
    [fact('add', 9, 6), '9 + 6: 9 and 1 fill the ten, and 5 more is 15.'],
    [fact('add', 7, 8), '7 + 8: double 7 is 14, and one more is 15.'],
    [fact('sub', 13, 6), '13 \u2212 6: back to ten, 13 less 3 is 10, less 3 more is 7.'],
    [fact('sub', 9, 5), '9 \u2212 5: 10 less 5 is 5, one less is 4.'],
    [fact('sub', 17, 5), '17 \u2212 5: 7 less 5 is 2, with the ten it is 12.'],
    [fact('div', 48, 8), '48 \u00f7 8: how many 8s in 48? five 8s are 40, one more is 48, so 6.'],
    [fact('div', 42, 6), '42 \u00f7 6: how many 6s in 42? five 6s are 30, two more are 42, so 7.'],
    [fact('div', 8, 8), '8 \u00f7 8: one group of 8, so 1.'],
  ])('reads as a tutor would say it', (one, line) => {
    expect(sayNowLine(one)).toBe(line);
  });

  it('has the ways that good teachers differ by', () => {
    const ways = (one: Fact) => sayNowWays(one).map((way) => way.id);
    expect(ways(fact('add', 9, 7))).toEqual(['overTen', 'tenLess', 'level']);
    expect(ways(fact('add', 8, 7))).toEqual(['double', 'overTen']);
    expect(ways(fact('sub', 13, 8))).toEqual(['overTen', 'up', 'tenBack']);
    expect(ways(fact('mul', 7, 9))).toEqual(['by9', 'by7']);
    expect(ways(fact('div', 48, 8))).toEqual(['buildUp', 'halve']);
    expect(sayNowLine(fact('sub', 13, 8), 'up')).toBe('13 \u2212 8: from 8 up to ten is 2, and 3 more is 5.');
    expect(sayNowLine(fact('sub', 13, 8), 'tenBack')).toBe(
      '13 \u2212 8: 13 less ten is 3, give back 2, that is 5.',
    );
  });

  it('is the same for a fact and its turnaround but for the fact named', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('add' as const, 'mul' as const),
        fc.integer({ min: 0, max: 12 }),
        fc.integer({ min: 0, max: 12 }),
        (operation, a, b) => {
          expect(sayNowSteps(fact(operation, a, b))).toEqual(sayNowSteps(fact(operation, b, a)));
        },
      ),
    );
  });
});
