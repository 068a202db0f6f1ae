import fc from 'fast-check';
import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { answerOf, factKey, factText, type Fact } from '../facts/fact.ts';
import { operations } from '../facts/operation.ts';
import { factsInRange } from '../facts/range.ts';
import { sayNowLine, sayNowSteps } from './sayNow.ts';

const fact = (operation: Fact['operation'], left: number, right: number): Fact => ({
  operation,
  left,
  right,
});

describe.each(operations)('say-now lines, %s', (operation) => {
  // To 13, since tables and divisors may go that far.
  const facts = factsInRange(operation, 13);

  it('are true at every step and end at the answer', () => {
    // Source: mathjs evaluates what each step states.
    for (const one of facts) {
      const steps = sayNowSteps(one);
      for (const { expression, value } of steps) expect(Number(evaluate(expression)), expression).toBe(value);
      expect(steps.at(-1)?.value, factKey(one)).toBe(answerOf(one));
    }
  });

  it('say each step\u2019s number, and are short plain sentences', () => {
    for (const one of facts) {
      const line = sayNowLine(one);
      expect(line.startsWith(`${factText(one)}: `)).toBe(true);
      expect(line, line).toMatch(/^[^!?]{8,120}\.$/);
      for (const { says, value } of sayNowSteps(one))
        expect(
          /fill the ten|makes two|none are left|one group/.test(says) || says.includes(String(value)),
          says,
        ).toBe(true);
    }
  });

  it('build on what was said before, not on the fact itself', () => {
    // A way in several steps starts from another fact than the one that was missed.
    for (const one of facts) {
      const steps = sayNowSteps(one);
      if (steps.length > 1 && operation !== 'div') {
        const whole = factKey(one).replace('x', '*');
        expect(steps[0]?.expression).not.toBe(whole);
      }
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
    [fact('div', 42, 6), '42 \u00f7 6: three 7s are 21, double that is 42, so 7 groups of 6.'],
  ])('reads as a tutor would say it', (one, line) => {
    expect(sayNowLine(one)).toBe(line);
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
