import { describe, expect, it } from 'vitest';
import { createRandom } from '../random/random.ts';
import { findGame, games, type AnyGame } from './catalogue.ts';
import { flightsOf, type Flight } from './flights.ts';
import type { Play } from './game.ts';
import type { Scene } from './scene.ts';
import { modelMove } from './modelPlayer.ts';
import { playMove } from './playGame.ts';

/** The scenes of a game played to its end by two. */
function scenesOf(game: AnyGame, seed: number, most = 300): Scene[] {
  const play: Play<unknown> = {
    ...{ rules: game.steps[0]?.rules, seats: Math.max(2, game.seats.least), against: true, seed },
  };
  const random = createRandom(seed);
  const player = { right: () => 0.9, sees: 0.5, timeMs: 1500 };
  const players = Array.from({ length: play.seats }, () => player);
  let state = game.setUp(play);
  const scenes = [game.scene(play, state)];
  for (let moves = 0; moves < most && state.over === null; moves += 1) {
    const move = modelMove(game, play, state, players, random);
    if (!move) break;
    state = playMove(game, play, state, move);
    scenes.push(game.scene(play, state));
  }
  return scenes;
}
const named = (id: string) => findGame(id) as AnyGame;
const each = (
  scenes: readonly Scene[],
  look: (flights: readonly Flight[], before: Scene, after: Scene) => void,
) =>
  scenes.slice(1).forEach((after, at) => {
    const before = scenes[at] as Scene;
    look(flightsOf(before, after), before, after);
  });

describe('what is seen going', () => {
  it('is nothing where nothing changed', () => {
    for (const game of games.filter(({ seats }) => seats.most > 1))
      for (const scene of scenesOf(game, 3, 12)) expect(flightsOf(scene, scene)).toEqual([]);
  });
  it('is cards to the pile of who won them, and to no other', () => {
    let seen = 0;
    for (const seed of [1, 2, 3])
      each(scenesOf(named('outweigh'), seed), (flights, before, after) => {
        const more = after.totals.flatMap(({ value }, at) =>
          value > (before.totals[at]?.value ?? 0) ? [at] : [],
        );
        expect(flights).toEqual(more.map((total) => ({ kind: 'won', total })));
        seen += flights.length;
      });
    expect(seen).toBeGreaterThan(20);
  });
  it('is a lone counter home to its owner, who has one more to place then; never one that holds its square', () => {
    let seen = 0;
    for (const seed of [1, 2, 3, 4])
      each(scenesOf(named('two-to-hold'), seed), (flights, before, after) => {
        for (const flight of flights) {
          if (flight.kind !== 'home') throw new Error('No cards are won here.');
          seen += 1;
          const { square, seat } = flight;
          expect(before.board?.squares[square]?.mark).toEqual({ seat, held: false });
          expect(after.board?.squares[square]?.mark?.seat).not.toBe(seat);
          expect(after.totals[seat]?.value).toBe((before.totals[seat]?.value ?? 0) + 1);
        }
      });
    expect(seen).toBeGreaterThan(3);
  });
});
