import { describe, expect, it } from 'vitest';
import { exposureOf } from './exposure.ts';
import { games } from '../games/catalogue.ts';
import { factsShownSteps } from '../games/factsShown.ts';

const plays = 150;

describe('how facts come up, told exactly', () => {
  const told = games.flatMap((game) =>
    game.steps.flatMap((step, at) => {
      const draw = game.draw?.(step.rules) ?? null;
      return draw ? [{ name: `${game.name}, ${step.name}`, game, at, draw }] : [];
    }),
  );
  it('is told of games in which two cards or dice are turned', () => {
    expect(new Set(told.map(({ game }) => game.id))).toEqual(
      new Set(['first-voice', 'down-the-pack', 'outweigh']),
    );
  });
  it.each(told)('$name: is what playing it comes to', ({ game, at, draw }) => {
    let counted;
    const steps = factsShownSteps(game, game.steps[at]?.rules, { seats: 2, plays, seed: 3 });
    for (let next = steps.next(); ; next = steps.next()) {
      counted = next.value;
      if (next.done) break;
    }
    const all = counted.facts.reduce((sum, one) => sum + one.perPlay, 0) * plays;
    const { facts, others } = exposureOf(draw);
    const onMap = 1 - others.top / others.bottom;
    for (const { fact } of counted.facts) expect(facts.has(fact)).toBe(true);
    for (const [fact, { top, bottom }] of facts) {
      const share = top / bottom / onMap;
      const found = ((counted.facts.find((one) => one.fact === fact)?.perPlay ?? 0) * plays) / all;
      // Five standard deviations of as many answers, taken as independent: a fact missed is asked of the next as well.
      expect(Math.abs(found - share)).toBeLessThan(5 * Math.sqrt((1.3 * share * (1 - share)) / all));
    }
  });
});
