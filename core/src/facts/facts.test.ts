import fc from 'fast-check';
import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';
import {
  answerOf,
  factKey,
  factText,
  isCountedAsQuickly,
  parseFactKey,
  tryParseFactKey,
  turnaroundOf,
  unorderedKey,
} from './fact.ts';
import { familyOf } from './family.ts';
import { operations } from './operation.ts';
import { cellOf, factAt, factsInRange } from './range.ts';

const everyFact = operations.flatMap((operation) => factsInRange(operation));

describe('facts in range', () => {
  it('has the counts anyone can count', () => {
    // Source: arithmetic. 13 x 13 ordered sums, 91 unordered, 13 doubles; 12 divisors x 13 quotients; products take 60 values.
    expect(factsInRange('add')).toHaveLength(169);
    expect(factsInRange('sub')).toHaveLength(169);
    expect(factsInRange('mul')).toHaveLength(169);
    expect(factsInRange('div')).toHaveLength(156);
    expect(new Set(factsInRange('add').map(unorderedKey)).size).toBe(91);
    expect(factsInRange('add').filter((one) => one.left === one.right)).toHaveLength(13);
    expect(new Set(factsInRange('mul').map(answerOf)).size).toBe(60);
  });

  it('agrees with mathjs on every answer', () => {
    // Source: mathjs evaluates the written expression.
    for (const fact of everyFact) {
      const written = factKey(fact).replace('x', '*').replace(':', '/');
      expect(answerOf(fact)).toBe(evaluate(written));
    }
  });

  it('never divides by zero, and has whole answers from 0', () => {
    expect(everyFact.every((one) => one.operation !== 'div' || one.right > 0)).toBe(true);
    expect(everyFact.every((one) => Number.isInteger(answerOf(one)) && answerOf(one) >= 0)).toBe(true);
  });

  it('has a cell on the map for each fact', () => {
    for (const fact of everyFact)
      expect(factAt(fact.operation, cellOf(fact).row, cellOf(fact).column)).toEqual(fact);
  });
});

describe('keys', () => {
  it('are read back as they were written', () => {
    for (const fact of everyFact) expect(parseFactKey(factKey(fact))).toEqual(fact);
    expect(new Set(everyFact.map(factKey)).size).toBe(everyFact.length);
  });

  it('refuse what is no fact', () => {
    for (const key of ['', '7', '7 + 6', '7*6', '07+6', '5:0', '7:2', '3-4', '7+6+1', '1234+1', '7\u00d76']) {
      expect(tryParseFactKey(key)).toBeUndefined();
      expect(() => parseFactKey(key)).toThrow(RangeError);
    }
    fc.assert(
      fc.property(fc.string(), (text) => {
        const fact = tryParseFactKey(text);
        expect(fact === undefined || factKey(fact) === text).toBe(true);
      }),
    );
  });

  it('show proper signs', () => {
    expect(factText(parseFactKey('13-6'))).toBe('13 \u2212 6');
    expect(factText(parseFactKey('42:6'))).toBe('42 \u00f7 6');
  });
});

describe('families', () => {
  /** Every fact that shares the three numbers, found by mathjs over the whole range and not by our rule. */
  function enumerated(key: string): Set<string> {
    const fact = parseFactKey(key);
    const numbers = (left: number, right: number, answer: number) =>
      [left, right, answer].sort((a, b) => a - b).join();
    const wanted = numbers(fact.left, fact.right, answerOf(fact));
    const signs = fact.operation === 'add' || fact.operation === 'sub' ? ['+', '-'] : ['*', '/'];
    const found = new Set<string>();
    const values = [fact.left, fact.right, answerOf(fact)];
    for (const left of values)
      for (const right of values)
        for (const sign of signs) {
          const answer = Number(evaluate(`${left} ${sign} ${right}`));
          if (Number.isFinite(answer) && numbers(left, right, answer) === wanted) {
            found.add(`${left}${sign.replace('*', 'x').replace('/', ':')}${right}`);
          }
        }
    return found;
  }

  it('hold exactly the facts an enumeration with mathjs finds', () => {
    // Source: enumeration over the three numbers of each fact, evaluated by mathjs.
    for (const fact of everyFact) {
      expect(new Set(familyOf(fact).map(factKey)), factKey(fact)).toEqual(enumerated(factKey(fact)));
    }
  });

  it('are four, or two where the operands are equal', () => {
    expect(familyOf(parseFactKey('7+6')).map(factKey)).toEqual(['7+6', '6+7', '13-7', '13-6']);
    expect(familyOf(parseFactKey('6x6')).map(factKey)).toEqual(['6x6', '36:6']);
    expect(familyOf(parseFactKey('0x5')).map(factKey).sort()).toEqual(['0:5', '0x5', '5x0']);
    expect(familyOf(parseFactKey('0x0')).map(factKey)).toEqual(['0x0']);
  });

  it('are the same family from each of their members', () => {
    fc.assert(
      fc.property(fc.constantFrom(...everyFact), (fact) => {
        const family = new Set(familyOf(fact).map(factKey));
        for (const one of familyOf(fact)) expect(new Set(familyOf(one).map(factKey))).toEqual(family);
      }),
    );
  });
});

describe('turnarounds and counted facts', () => {
  it('turn sums and products only, and turn back', () => {
    for (const fact of everyFact) {
      const turned = turnaroundOf(fact);
      expect(turned === undefined).toBe(fact.operation === 'sub' || fact.operation === 'div');
      if (turned) expect(turnaroundOf(turned)).toEqual(fact);
    }
  });

  it('knows where counting is as quick as knowing', () => {
    const counted = everyFact.filter(isCountedAsQuickly).map(factKey);
    expect(counted).toContain('9+1');
    expect(counted).toContain('2+9');
    expect(counted).toContain('9-2');
    expect(counted).not.toContain('9-7');
    expect(counted).not.toContain('9+0');
    expect(counted).not.toContain('2x1');
  });
});
