import type { Move } from './move.ts';
import { roles, rolesNow, roundsPlayed } from './roles.ts';
import { describe, expect, it } from 'vitest';

import fc from 'fast-check';

describe('roles', () => {
  it('lie on seats that play, on different ones as far as there are, and come to every seat in as many rounds', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.nat({ max: 3 }), { minLength: 1, maxLength: 4 }),
        fc.subarray([...roles], { minLength: 1 }),
        fc.nat({ max: 40 }),
        (seats, own, rounds) => {
          const now = rolesNow(own, seats, rounds);
          expect(now.map((one) => one.role)).toEqual(own);
          for (const { seat } of now) expect(seats).toContain(seat);
          expect(new Set(now.map((one) => one.seat)).size).toBe(Math.min(own.length, seats.length));
          for (const role of own) {
            const had = seats.map(
              (_, nth) => rolesNow(own, seats, rounds + nth).find((one) => one.role === role)?.seat,
            );
            expect(new Set(had).size).toBe(seats.length);
          }
        },
      ),
    );
    expect(rolesNow(roles, [], 3)).toEqual([]);
  });
  it('move on when each seat has begun a turn', () => {
    const go: Move = { kind: 'go' };
    const said: Move = { kind: 'said', seat: 0, right: true };
    expect(roundsPlayed([go, said, go, said], 2)).toBe(1);
    expect(roundsPlayed([go, said], 2)).toBe(0);
    expect(roundsPlayed([{ kind: 'line', seat: 0, text: '1 + 1' }], 1)).toBe(1);
    expect(roundsPlayed([], 4)).toBe(0);
  });
});
