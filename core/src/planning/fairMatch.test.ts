import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { evaluate } from 'mathjs';
import type { FactKey } from '../facts/fact.ts';
import { createRandom } from '../random/random.ts';
import { exposureOf } from './exposure.ts';
import { matchOf, winsOf, type MatchSeat } from './fairMatch.ts';

const deck = new Map([2, 3, 4, 5, 6, 7, 8, 9].map((number) => [number, 4] as const));
const sums = exposureOf({ kind: 'pairs', operation: 'add', deck });
const facts = [...sums.facts.keys()];
const seat = (ms: number, known: readonly FactKey[] = facts): MatchSeat => ({
  known: new Set(known),
  timesMs: {},
  usualMs: ms,
});

describe('who has the most rounds', () => {
  it('of two is the binomial of mathjs, where each round is taken by one of them', () => {
    const [a, rounds] = [0.6, 9];
    let first = 0;
    for (let won = 5; won <= rounds; won += 1)
      first += (evaluate(`combinations(${rounds}, ${won})`) as number) * a ** won * (1 - a) ** (rounds - won);
    const { wins, tie } = winsOf([a, 1 - a], rounds);
    expect(wins[0]).toBeCloseTo(first, 12);
    expect(tie).toBeCloseTo(0, 12);
  });
  it('adds up to one, whoever takes what, and is the same in any order of seats', () => {
    const shares = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 2, maxLength: 4 });
    fc.assert(
      fc.property(
        shares,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 1, max: 14 }),
        (own, of, rounds) => {
          const sum = own.reduce((all, one) => all + one, 0) || 1;
          const takes = own.map((one) => (of * one) / sum);
          const { wins, tie } = winsOf(takes, rounds);
          expect(wins.reduce((all, one) => all + one, tie)).toBeCloseTo(1, 9);
          const turned = winsOf([...takes].reverse(), rounds);
          [...turned.wins].reverse().forEach((one, at) => expect(one).toBeCloseTo(wins[at] as number, 9));
        },
      ),
    );
  });
  it('of three is what many games come to', () => {
    const takes = [0.3, 0.4, 0.2];
    const random = createRandom(8);
    const games = 40_000;
    const won = [0, 0, 0];
    for (let game = 0; game < games; game += 1) {
      const counts = [0, 0, 0];
      for (let round = 0; round < 7; round += 1) {
        const at = random.unit();
        const who = at < 0.3 ? 0 : at < 0.7 ? 1 : at < 0.9 ? 2 : -1;
        if (who >= 0) counts[who] = (counts[who] as number) + 1;
      }
      const most = Math.max(...counts);
      if (counts.filter((one) => one === most).length === 1)
        won[counts.indexOf(most)] = (won[counts.indexOf(most)] as number) + 1;
    }
    winsOf(takes, 7).wins.forEach((one, at) =>
      expect(Math.abs(one - (won[at] as number) / games)).toBeLessThan(0.01),
    );
  });
});

describe('a match', () => {
  it('of two alike is even; the quicker and the surer wins more', () => {
    const even = matchOf(sums, [seat(1800), seat(1800)], 16, false);
    expect(even.wins[0]).toBeCloseTo(even.wins[1] as number, 9);
    expect(matchOf(sums, [seat(1200), seat(2400)], 16, false).wins[0]).toBeGreaterThan(0.9);
    const surer = matchOf(sums, [seat(1800), seat(1800, [])], 16, false);
    expect(surer.wins[0]).toBeGreaterThan((surer.wins[1] as number) + 0.1);
  });
  it('levelled is within 40 to 60 in 100 for two of unlike times that know the same', () => {
    fc.assert(
      fc.property(fc.integer({ min: 700, max: 2500 }), fc.integer({ min: 0, max: 3000 }), (ms, slower) => {
        const seats = [seat(ms), seat(ms + slower)];
        const after = matchOf(sums, seats, 16, true);
        // Shares of games that somebody wins: a tie is nobody's.
        const [a, b] = after.wins as [number, number];
        expect(b / (a + b)).toBeGreaterThan(0.4);
        expect(b / (a + b)).toBeLessThan(0.6);
      }),
      { numRuns: 25 },
    );
  });
  it('goes by the times on each fact, and takes the others’ mean of whom nothing is known', () => {
    const own = { ...seat(3000), timesMs: Object.fromEntries(facts.map((fact) => [fact, 1000])) };
    expect(matchOf(sums, [own, seat(2000)], 10, false).wins[0]).toBeGreaterThan(0.9);
    const nobody: MatchSeat = { known: new Set(facts), timesMs: {}, usualMs: null };
    const unknown = matchOf(sums, [seat(2000), nobody], 10, false);
    expect(unknown.wins[0]).toBeCloseTo(unknown.wins[1] as number, 9);
  });
  it('is of 2 to 4, and of 60 rounds at most', () => {
    expect(() => matchOf(sums, [seat(1)], 3, false)).toThrow('2 to 4');
    expect(() => matchOf(sums, [seat(1), seat(1)], 61, false)).toThrow('1 to 60');
  });
});
