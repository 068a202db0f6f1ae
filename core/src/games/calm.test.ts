import { answerOf, parseFactKey, type FactKey } from '../facts/fact.ts';
import { factOfItem } from '../facts/item.ts';
import { createRandom } from '../random/random.ts';
import { findGame, games, type AnyGame } from './catalogue.ts';
import type { Play } from './game.ts';
import type { Move } from './move.ts';
import { modelMove, type ModelPlayer } from './modelPlayer.ts';
import { needOf, playMove, replay } from './playGame.ts';
import { describe, expect, it } from 'vitest';

import fc from 'fast-check';

const player: ModelPlayer = { right: () => 0.9, sees: 0.3, timeMs: 2000 };

/** Plays a game out, calm from the beginning or never; gives what was asked of each seat, and how it ended. */
function playedOut(game: AnyGame, play: Play<unknown>, known: readonly (readonly FactKey[] | null)[] | null) {
  const random = createRandom(play.seed);
  const players = Array<ModelPlayer>(play.seats).fill(player);
  const moves: Move[] = known ? [{ kind: 'calm', known }] : [];
  let state = replay(game, play, moves);
  const asked: { readonly seat: number; readonly fact: FactKey }[] = [];
  while (state.over === null && moves.length < 3000) {
    const move = modelMove(game, play, state, players, random) as Move;
    const need = needOf(game, play, state);
    const fact = need.kind === 'say' ? factOfItem(need.asked.item) : null;
    if (need.kind === 'say' && fact !== null && !state.asking?.missed.length)
      asked.push({ seat: need.asked.seat, fact });
    state = playMove(game, play, state, move);
    moves.push(move);
  }
  return { state, asked, moves };
}

const playOf = (id: string, step: string, seats: number, seed: number): [AnyGame, Play<unknown>] => {
  const game = findGame(id) as AnyGame;
  const rules = game.steps.find((one) => one.name === step)?.rules;
  if (!rules) throw new Error(`${game.name} has no step ${step}.`);
  return [game, { rules, seats, against: seats > 1, seed }];
};

/** Every fact of an operation with an answer up to so much. */
const factsTo = (sign: '+' | 'x', most: number): FactKey[] =>
  Array.from({ length: 14 }, (_, left) => Array.from({ length: 14 }, (_, right) => `${left}${sign}${right}`))
    .flat()
    .filter((fact) => answerOf(parseFactKey(fact)) <= most);

const shareKnown = (
  asked: readonly { readonly seat: number; readonly fact: FactKey }[],
  known: readonly (readonly FactKey[])[],
) => asked.filter(({ seat, fact }) => known[seat]?.includes(fact)).length / asked.length;

describe('a table turned calm', () => {
  it.each([
    ['outweigh', 'Sums to 10 and 10', '+', 9],
    ['outweigh', 'Products', 'x', 20],
    ['first-voice', 'Cards to 10, sums', '+', 9],
    ['first-voice', 'Dice, sums', '+', 6],
    ['fill-the-field', 'Both are rolled', 'x', 10],
    ['add-then-times', 'Two dice, times', 'x', 12],
  ] as const)('%s (%s) asks first for facts the child knows', (id, step, sign, most) => {
    const known = [factsTo(sign, most)];
    const [game] = playOf(id, step, 1, 1);
    const seats = Math.max(1, game.seats.least);
    const each = Array.from({ length: seats }, () => known[0] as FactKey[]);
    let calm = 0;
    let plain = 0;
    for (let seed = 1; seed <= 6; seed += 1) {
      const [, play] = playOf(id, step, seats, seed);
      // A pack keeps its cards: what is not known comes last, but it comes.
      const first = (calmed: boolean) =>
        shareKnown(playedOut(game, play, calmed ? each : null).asked.slice(0, 8), each) / 6;
      calm += first(true);
      plain += first(false);
    }
    expect(plain).toBeLessThan(0.75);
    expect(calm).toBeGreaterThan(plain + (1 - plain) / 2);
  });
  it('asks each seat for what that seat knows', () => {
    const known = [factsTo('+', 11), factsTo('+', 20)];
    const shares = [1, 2, 3, 4, 5, 6].map((seed) => {
      const [game, play] = playOf('outweigh', 'Sums to 10 and 10', 2, seed);
      const { asked } = playedOut(game, play, known);
      return shareKnown(asked.slice(0, 6), known);
    });
    expect(Math.min(...shares)).toBe(1);
  });
  it('leaves a game as it is where all is known, or a grown-up plays', () => {
    fc.assert(
      fc.property(fc.integer(), (seed) => {
        const [game, play] = playOf('outweigh', 'Sums to 10 and 10', 2, seed);
        const asked = (known: readonly (readonly FactKey[] | null)[]) => playedOut(game, play, known).asked;
        expect(asked([null, null])).toEqual(playedOut(game, play, null).asked);
        expect(asked([factsTo('+', 26), null])).toEqual(playedOut(game, play, null).asked);
      }),
      { numRuns: 5 },
    );
  });
  it.each(games.map((game) => [game.name, game] as const))(
    '%s ends, and replays, on every step',
    (_name, game) => {
      const known = (seed: number) => factsTo(seed % 2 === 0 ? '+' : 'x', 12);
      game.steps.forEach(({ rules }, nth) => {
        const seats = game.seats.most;
        const play: Play<unknown> = { rules, seats, against: seats > 1, seed: 11 + nth };
        const { state, moves } = playedOut(game, play, Array<FactKey[]>(seats).fill(known(nth)));
        expect(state.over).not.toBeNull();
        expect(replay(game, play, JSON.parse(JSON.stringify(moves)) as Move[])).toEqual(state);
      });
    },
  );
});
