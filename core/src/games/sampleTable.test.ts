import { describe, expect, it } from 'vitest';
import { games } from './catalogue.ts';
import { needOf } from './playGame.ts';
import { sampleTable } from './sampleTable.ts';

describe('a table to be looked at', () => {
  it.each(games.flatMap((game) => game.steps.map((step, nth) => [game.name, step.name, game, nth] as const)))(
    '%s, %s: something is asked, and something lies there',
    (_game, _step, game, nth) => {
      const { play, state } = sampleTable(game, nth);
      expect(['say', 'claim', 'choose', 'line']).toContain(needOf(game, play, state).kind);
      const { rows, board, dice, field } = game.scene(play, state);
      const lies =
        rows.some(({ cards }) => cards.length > 0) || dice.length > 0 || board !== null || field !== null;
      expect(lies).toBe(true);
      expect(sampleTable(game, nth)).toEqual({ play, state });
    },
  );
  it('is of a step there is', () => {
    expect(() => sampleTable(games[0] as (typeof games)[number], 99)).toThrow('has no step 100');
  });
});
