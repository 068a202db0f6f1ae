import { describe, expect, it } from 'vitest';
import { findGame, type AnyGame } from './catalogue.ts';
import type { Need } from './need.ts';
import { looseGame, tookBy } from './looseGame.ts';

function needOfLoose(id: string, seats: number, out: readonly number[] = []): Need {
  const loose = looseGame(findGame(id) as AnyGame);
  const play = { rules: {}, seats, against: seats > 1, seed: 1 };
  return loose.need(play, { ...loose.setUp(play), out });
}

describe('a key at a table with real cards shuffled by hand', () => {
  it('names who took the turn, or nobody; a seat that has left takes nothing', () => {
    const need = needOfLoose('first-voice', 3, [1]);
    expect([0, 1, 2, 3, 4].map((digit) => tookBy(need, { digit }))).toEqual([
      'nobody',
      's0',
      undefined,
      's2',
      undefined,
    ]);
    expect(tookBy(need, { right: true })).toBeUndefined();
    expect(tookBy(need, { right: false })).toBe('nobody');
  });
  it('says right and not right where one alone is judged', () => {
    const need = needOfLoose('bond-hunt', 2);
    expect(tookBy(need, { right: true })).toBe('s0');
    expect(tookBy(need, { right: false })).toBe('nobody');
    expect(tookBy(needOfLoose('first-voice', 1), { right: true })).toBe('s0');
    expect(tookBy({ kind: 'go', says: [] }, { digit: 1 })).toBeUndefined();
  });
});
