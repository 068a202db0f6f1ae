import type { FactKey } from '../facts/fact.ts';
import { createRandom } from '../random/random.ts';
import type { AnyGame } from './catalogue.ts';
import type { Play } from './game.ts';
import { modelMove, type ModelPlayer } from './modelPlayer.ts';
import { evidenceOf } from './evidence.ts';
import { playMove } from './playGame.ts';

/** How often a play of a game shows each fact, to all its seats together. */
export interface FactsShown {
  readonly plays: number;
  /** Mean times in one play, the most often first. */
  readonly facts: readonly { readonly fact: FactKey; readonly perPlay: number }[];
  /** Moves of a play, mean. */
  readonly moves: number;
}

const longest = 600;
const player: ModelPlayer = { right: () => 0.9, sees: 0.6, timeMs: 2000 };

/**
 * The facts a game shows, counted over some plays of model players who are right nine times in ten. One step for each play,
 * so that it can be shown and stopped. The same seed counts the same.
 */
export function* factsShownSteps(
  game: AnyGame,
  rules: unknown,
  { seats, plays, seed }: { readonly seats: number; readonly plays: number; readonly seed: number },
): Generator<FactsShown, FactsShown> {
  const counts = new Map<FactKey, number>();
  const random = createRandom(seed);
  let moves = 0;
  const found = (done: number): FactsShown => ({
    plays: done,
    moves: moves / done,
    facts: [...counts]
      .map(([fact, count]) => ({ fact, perPlay: count / done }))
      .sort((a, b) => b.perPlay - a.perPlay || (a.fact < b.fact ? -1 : 1)),
  });
  for (let nth = 0; nth < plays; nth += 1) {
    const play: Play<unknown> = { rules, seats, against: seats > 1, seed: random.int(0, 2 ** 31 - 1) };
    const players = Array<ModelPlayer>(seats).fill(player);
    let state = game.setUp(play);
    for (let at = 0; at < longest; at += 1) {
      const move = modelMove(game, play, state, players, random);
      if (!move) break;
      for (const { item } of evidenceOf(game, play, state, move))
        if (item.kind === 'fact') counts.set(item.key, (counts.get(item.key) ?? 0) + 1);
      state = playMove(game, play, state, move);
      moves += 1;
    }
    if (nth + 1 < plays) yield found(nth + 1);
  }
  return found(plays);
}
