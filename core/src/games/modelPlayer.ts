import type { FactKey } from '../facts/fact.ts';
import { factOfItem } from '../facts/item.ts';
import type { RandomSource } from '../random/random.ts';
import type { Game, GameState, Play } from './game.ts';
import type { Move } from './move.ts';
import type { Choice } from './need.ts';
import { legalMoves, needOf } from './playGame.ts';

/** How a seat plays in simulation. */
export interface ModelPlayer {
  /** Chance that it says a fact rightly, from 0 to 1; null: what is asked is a skill. */
  readonly right: (fact: FactKey | null) => number;
  /** Chance that it finds the best move there is, from 0 to 1; otherwise it takes any. */
  readonly sees: number;
  /** Mean time to an answer, ms: the quicker is first more often. */
  readonly timeMs: number;
}

/**
 * The move that model players would make now, one for each seat; undefined when the game is over. A line that is not seen is
 * passed. Throws RangeError when a seat has no player.
 */
export function modelMove<R, S extends GameState>(
  game: Game<R, S>,
  play: Play<R>,
  state: S,
  players: readonly ModelPlayer[],
  random: RandomSource,
): Move | undefined {
  const playerOf = (seat: number): ModelPlayer => {
    const player = players[seat];
    if (!player) throw new RangeError(`There is no player for seat ${seat + 1}.`);
    return player;
  };
  const need = needOf(game, play, state);
  switch (need.kind) {
    case 'over':
      return undefined;
    case 'go':
      return { kind: 'go' };
    case 'roll':
      return { kind: 'roll' };
    case 'say':
      return {
        kind: 'said',
        seat: need.asked.seat,
        right: random.unit() < playerOf(need.asked.seat).right(factOfItem(need.asked.item)),
      };
    case 'claim': {
      // Times are taken as exponential about their means: the least of them is first.
      const times = need.seats.map((seat) => ({
        seat,
        ms: -Math.log(1 - random.unit()) * playerOf(seat).timeMs,
      }));
      const first = times.reduce((a, b) => (b.ms < a.ms ? b : a));
      return { kind: 'claim', seat: first.seat };
    }
    case 'choose':
    case 'line': {
      const best = random.unit() < playerOf(need.seat).sees ? game.best(play, state)?.move : null;
      if (best) return best;
      // Now and then somebody claims what does not hold.
      if (need.kind === 'line') {
        const moves = legalMoves(game, play, state);
        return moves[random.int(0, moves.length - 1)];
      }
      const some = need.choices.some((one) => one.claim)
        ? claiming(need.choices, random.unit() >= 0.9)
        : need.choices;
      const one = some[random.int(0, some.length - 1)];
      return one && { kind: 'choose', seat: need.seat, key: one.key };
    }
  }
}

/** The choices that claim what does not hold, or those that do hold. */
const claiming = (choices: readonly Choice[], claims: boolean) =>
  choices.filter(({ claim }) => (claim !== undefined) === claims);
