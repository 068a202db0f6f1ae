import { describe, expect, it } from 'vitest';
import { needOf, playMove } from '../../playGame.ts';
import { tell, written } from '../../tell/sentence.ts';
import { twoHeads } from './twoHeads.ts';

const game = twoHeads;
type State = ReturnType<typeof game.setUp>;
const playOf = (step: number, seats = 2) => {
  const rules = game.steps[step]?.rules;
  if (!rules) throw new Error(`There is no step ${step}.`);
  return { rules, seats, against: true, seed: 9 };
};
type Play = ReturnType<typeof playOf>;

/** Deals a round and lays the first number offered each time. */
function laidDown(play: Play, from: State): State {
  let state = playMove(game, play, from, { kind: 'go' });
  for (let need = needOf(game, play, state); need.kind === 'choose'; need = needOf(game, play, state))
    state = playMove(game, play, state, {
      ...{ kind: 'choose', seat: need.seat, key: need.choices[0]?.key ?? '' },
    });
  return state;
}
function saying(play: Play, from: State, ...said: readonly boolean[]): State {
  return said.reduce((state, right) => {
    const need = needOf(game, play, state);
    if (need.kind !== 'say') throw new Error(`It waits for ${need.kind}.`);
    return playMove(game, play, state, { kind: 'said', seat: need.asked.seat, right });
  }, from);
}

describe('two heads', () => {
  it('have a point each when both say it, and both are asked', () => {
    const play = playOf(1);
    const both = saying(play, laidDown(play, game.setUp(play)), true, true);
    expect(game.scores(play, both)).toEqual([1, 1]);
    expect(tell(both.says)).toContain('a point each');
  });

  it('have none when one slips, whoever puts it right, and look for the slip together', () => {
    const play = playOf(1);
    const second = saying(play, laidDown(play, game.setUp(play)), true, false, true);
    expect(game.scores(play, second)).toEqual([0, 0]);
    expect(tell(second.says)).toContain('Find together where it slipped');
    expect(needOf(game, play, second).kind).toBe('go');
    // Who has put it right need not say it once more.
    const first = saying(play, laidDown(play, game.setUp(play)), false, true);
    expect(game.scores(play, first)).toEqual([0, 0]);
    expect(needOf(game, play, first).kind).toBe('go');
  });

  it('pass no ten at the first step, and take the smaller from the larger', () => {
    for (let seed = 0; seed < 40; seed += 1) {
      const add = { ...playOf(0), seed };
      const need = needOf(game, add, laidDown(add, game.setUp(add)));
      const shown = need.kind === 'say' ? written(need.asked.shown) : '';
      const [one = '', two = ''] = shown.split(' + ');
      expect([...one].every((digit, at) => Number(digit) + Number(two[at]) < 10)).toBe(true);
      const sub = { ...playOf(2), seed };
      const less = needOf(game, sub, laidDown(sub, game.setUp(sub)));
      expect(less.kind === 'say' && Number(less.asked.answer)).toBeGreaterThanOrEqual(0);
    }
  });
});
