import { factKey, type Fact } from './fact.ts';

/**
 * The facts that share a fact's three numbers, itself first: four, or two where the operands are equal;
 * with zero under × and ÷ as many as exist (never division by zero).
 */
export function familyOf(fact: Fact): Fact[] {
  const { operation, left, right } = fact;
  const additive = operation === 'add' || operation === 'sub';
  // The two parts and the whole: a + b = c, or a × b = c.
  const [a, b] =
    operation === 'add' || operation === 'mul'
      ? [left, right]
      : operation === 'sub'
        ? [right, left - right]
        : [right, left / right];
  const whole = additive ? a + b : a * b;
  const candidates: Fact[] = additive
    ? [
        fact,
        { operation: 'add', left: a, right: b },
        { operation: 'add', left: b, right: a },
        { operation: 'sub', left: whole, right: a },
        { operation: 'sub', left: whole, right: b },
      ]
    : [
        fact,
        { operation: 'mul', left: a, right: b },
        { operation: 'mul', left: b, right: a },
        ...(a === 0 ? [] : [{ operation: 'div', left: whole, right: a } as const]),
        ...(b === 0 ? [] : [{ operation: 'div', left: whole, right: b } as const]),
      ];
  return [...new Map(candidates.map((one) => [factKey(one), one])).values()];
}
