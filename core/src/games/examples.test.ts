import type { Operation } from '../facts/operation.ts';
import { games } from './catalogue.ts';
import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';

/** What shows that an example is of an operation: its sign, or how it is said. */
const marks: Readonly<Record<Operation, RegExp>> = {
  add: /\d \+ \d|[a-z] and [a-z-]+( and [a-z]+)? (is|are) [a-z-]+\u201d|by adding/,
  sub: /\d\)? − \(?\d|take away|by taking away/,
  mul: /\d\)? × \(?\d|[a-z] times [a-z]|by multiplying|[a-z]s are [a-z-]+\u201d/,
  div: /\d\)? ÷ \(?\d|divided by/,
};

const steps = games.flatMap((game) =>
  game.steps.map((step) => ({
    game,
    step,
    example: step.example ?? game.told.example,
    operations: game.operations(step.rules),
  })),
);

describe('the example of a step', () => {
  it.each(steps.map((one) => [`${one.game.name}, ${one.step.name}`, one] as const))(
    '%s: is of an operation of that step, and of no other',
    (_, { game, example, operations }) => {
      expect(example).toMatch(/\.$/);
      const shown = (Object.keys(marks) as Operation[]).filter((one) => marks[one].test(example));
      // Lamps and halving are told without signs; what slipped may be mended into another operation.
      if (game.id === 'what-slipped') return;
      for (const one of shown) expect(operations, example).toContain(one);
    },
  );

  it.each(steps.map((one) => [`${one.game.name}, ${one.step.name}`, one] as const))(
    '%s: its lines are true, and its numbers can come up',
    (_, { game, step, example }) => {
      // Reference: mathjs works out both sides.
      const lines = [...example.matchAll(/([\d(][\d ()+−×÷]*) = (\d+)/g)];
      for (const [, left = '', right = ''] of game.id === 'what-slipped' ? [] : lines)
        expect(evaluate(left.replaceAll('−', '-').replaceAll('×', '*').replaceAll('÷', '/')), example).toBe(
          Number(right),
        );
      const { dice } = game.materials(step.rules);
      const rolled = [...example.matchAll(/\b[Aa]n? (\d+)\b/g)].map(([, n]) => Number(n));
      if (dice.length > 0 && game.family !== 'talk')
        for (const n of rolled) expect(n, example).toBeLessThanOrEqual(Math.max(...dice.map(Number)));
    },
  );

  it('is another where the step changes the operation', () => {
    for (const { game, step, example, operations } of steps) {
      const first = game.steps.find((one) => (one.example ?? game.told.example) === example);
      if (!first || first === step || game.family === 'talk' || game.id === 'into-the-middle') continue;
      const before = game.operations(first.rules);
      expect(
        before.every((one) => operations.includes(one)),
        `${game.name}, ${step.name}`,
      ).toBe(true);
    }
  });
});
