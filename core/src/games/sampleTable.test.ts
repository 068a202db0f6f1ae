import { describe, expect, it } from 'vitest';
import { games } from './catalogue.ts';
import { needOf } from './playGame.ts';
import { sampleTable, sampleTurn } from './sampleTable.ts';
import { tell } from './tell/sentence.ts';

describe('a table to be looked at', () => {
  it.each(games.flatMap((game) => game.steps.map((step, nth) => [game.name, step.name, game, nth] as const)))(
    '%s, %s: something is asked, and something lies there',
    (_game, _step, game, nth) => {
      const { play, state } = sampleTable(game, nth);
      expect(['say', 'claim', 'choose', 'line']).toContain(needOf(game, play, state).kind);
      const { rows, board, dice, field } = game.scene(play, state);
      const need = needOf(game, play, state);
      // Pips that are shown for a moment lie where they are asked for.
      const lies =
        (need.kind === 'say' && need.asked.glance !== undefined) ||
        rows.some(({ cards }) => cards.length > 0) ||
        dice.length > 0 ||
        board !== null ||
        field !== null;
      expect(lies).toBe(true);
      expect(sampleTable(game, nth)).toEqual({ play, state });
    },
  );
  it.each(games.flatMap((game) => game.steps.map((step, nth) => [game.name, step.name, game, nth] as const)))(
    '%s, %s: a turn begins where something is asked, and something comes of it',
    (_game, _step, game, nth) => {
      const { play, states } = sampleTurn(game, nth);
      expect(states.length).toBeGreaterThanOrEqual(2);
      expect(states.length).toBeLessThanOrEqual(3);
      expect(states[0]).toEqual(sampleTable(game, nth).state);
      const told = states.map(({ says }) => tell(says));
      expect(told.at(-1)).not.toBe(told[0]);
      // Played rightly: nobody is told that it was not.
      for (const one of told.slice(1)) expect(one).not.toMatch(/not right|not yet/i);
      expect(sampleTurn(game, nth)).toEqual({ play, states });
    },
  );
  it('is of a step there is', () => {
    for (const sample of [sampleTable, sampleTurn])
      expect(() => sample(games[0] as (typeof games)[number], 99)).toThrow('has no step 100');
  });
});
