import { expect, it } from 'vitest';
import { findGame, type AnyGame } from './catalogue.ts';
import { needOf } from './playGame.ts';

it('what is needed is worked out of the play at hand: the same state under other rules, and in another game, needs something else', () => {
  const game = findGame('add-then-times') as AnyGame;
  const [two, three] = [0, 1].map((step) => ({
    rules: game.steps[step]?.rules,
    seats: 2,
    against: true,
    seed: 1,
  }));
  if (!two || !three) throw new Error('There are not two steps.');
  const state = game.setUp(two);
  const needs = needOf(game, two, state);
  expect(needs).toMatchObject({ kind: 'roll', dice: [6, 6] });
  // The same again is the same that was worked out.
  expect(needOf(game, two, state)).toBe(needs);
  expect(needOf(game, three, state)).toMatchObject({ kind: 'roll', dice: [6, 6, 6] });
  expect(needOf(game, two, state)).toEqual(needs);
  const other = { ...game, need: () => ({ kind: 'go', says: [] }) } as unknown as AnyGame;
  expect(needOf(other, two, state)).toEqual({ kind: 'go', says: [] });
  // Over is over, whatever was worked out before.
  expect(needOf(game, two, { ...state, over: [] })).toEqual({ kind: 'over', says: [] });
});
