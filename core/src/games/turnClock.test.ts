import { describe, expect, it } from 'vitest';
import { findGame, type AnyGame } from './catalogue.ts';
import type { Play } from './game.ts';
import type { Move } from './move.ts';
import { playMove } from './playGame.ts';
import { tell } from './tell/sentence.ts';
import { clockAt } from './turnClock.ts';

const begun = (id: string) => {
  const game = findGame(id) as AnyGame;
  const play: Play<unknown> = { rules: game.steps[0]?.rules, seats: 2, against: true, seed: 3 };
  let state = game.setUp(play);
  return {
    clock: () => game.clock?.(play, state) ?? null,
    go: (...moves: readonly Move[]) => {
      for (const move of moves) state = playMove(game, play, state, move);
    },
  };
};

describe('a clock for a turn', () => {
  it('of Hundred sweep is a look of ten seconds and a minute, anew with each roll', () => {
    const table = begun('hundred-sweep');
    const waiting = table.clock()?.turn;
    table.go({ kind: 'roll', shown: [1, 2, 3] });
    const clock = table.clock();
    if (!clock) throw new Error('There is no clock.');
    expect(clock.turn).not.toBe(waiting);
    const at = (ms: number) => {
      const { says, leftMs } = clockAt(clock, ms);
      return [tell(says), leftMs];
    };
    expect(at(0)).toEqual(['Looking', 10_000]);
    expect(at(9_999)).toEqual(['Looking', 1]);
    expect(at(10_000)).toEqual(['Sweeping', 60_000]);
    expect(at(69_999)).toEqual(['Sweeping', 1]);
    expect(at(70_000)).toEqual(['The minute is over', 0]);
    // Marking goes on under the same clock; another roll has its own.
    table.go({ kind: 'choose', seat: 0, key: '6' }, { kind: 'said', seat: 0, right: true });
    expect(table.clock()?.turn).toBe(clock.turn);
    table.go({ kind: 'choose', seat: 0, key: 'again' });
    expect(table.clock()?.turn).not.toBe(clock.turn);
  });

  it('of Long road is less in each round, for each road anew, and none before there is a target', () => {
    const table = begun('long-road');
    expect(table.clock()).toBeNull();
    const seconds: number[] = [];
    const turns = new Set<string>();
    for (let round = 0; round < 3; round += 1) {
      table.go({ kind: 'go' });
      for (let road = 0; road < 2; road += 1) {
        const clock = table.clock();
        seconds.push((clock?.parts[0]?.ms ?? 0) / 1000);
        turns.add(clock?.turn ?? '');
        table.go({ kind: 'pass', seat: (round + road) % 2 });
      }
    }
    expect(seconds).toEqual([120, 120, 90, 90, 60, 60]);
    expect(turns.size).toBe(6);
  });
});
