import type { FactKey } from '../facts/fact.ts';
import { factOfItem } from '../facts/item.ts';
import { createRandom, mixSeed } from '../random/random.ts';
import type { Game, GameState, Play } from './game.ts';
import type { Move } from './move.ts';
import type { Need } from './need.ts';

/** How often chance is asked anew before the best so far is taken. */
const tries = 120;
/** Choices looked into, where what they ask is told only after choosing. */
const looked = 6;

/**
 * Plays a move on a table turned calm: hidden cards are shuffled and dice rolled anew until what is asked next is known to
 * the seat that is to say it, or as much of it as can be. What lies open stays, and no card comes or goes. The same state
 * calms the same. Known facts are those of the state's `calm`.
 */
export function actCalmly<R, S extends GameState>(game: Game<R, S>, play: Play<R>, state: S, move: Move): S {
  const chance = move.kind === 'go' || (move.kind === 'roll' && !move.shown);
  if (!game.shake || !chance) return game.act(play, state, move);
  let best: S | undefined;
  let most = -1;
  for (let nth = 0; nth < tries; nth += 1) {
    const draws = state.draws + nth;
    const drawn: S = { ...state, draws };
    const from = nth === 0 ? drawn : game.shake(play, drawn, createRandom(mixSeed(play.seed, draws, 3)));
    const next = game.act(play, from, move);
    const share = knownShare(game, play, next);
    // Nothing is asked, or all of it is known.
    if (share === null || share === 1) return next;
    if (share > most) [best, most] = [next, share];
  }
  return best as S;
}

/** How much of what is asked next is known, from 0 to 1; null: nothing is asked. */
function knownShare<R, S extends GameState>(game: Game<R, S>, play: Play<R>, state: S): number | null {
  const asked = factsAhead(game, play, state, 1);
  if (asked.length === 0) return null;
  return asked.filter(([seat, fact]) => isKnown(state, seat, fact)).length / asked.length;
}

const isKnown = ({ calm }: GameState, seat: number, fact: FactKey): boolean =>
  calm?.[seat]?.includes(fact) ?? true;

/** The facts to be said before anything else happens, each with its seat: one after another, or first come. */
function factsAhead<R, S extends GameState>(
  game: Game<R, S>,
  play: Play<R>,
  from: S,
  depth: number,
): (readonly [seat: number, fact: FactKey])[] {
  const found: (readonly [number, FactKey])[] = [];
  let state = from;
  for (let seats = 0; seats <= play.seats; seats += 1) {
    const need: Need | null = state.over === null ? game.need(play, state) : null;
    if (need?.kind === 'claim') {
      const fact = factOfItem(need.asked.item);
      return fact === null ? found : [...found, ...need.seats.map((seat) => [seat, fact] as const)];
    }
    if (need?.kind === 'choose' && depth > 0) {
      const step = Math.max(1, Math.floor(need.choices.length / looked));
      return need.choices
        .filter((_, at) => at % step === 0)
        .flatMap(({ key }) => {
          const chosen = game.act(play, state, { kind: 'choose', seat: need.seat, key });
          return factsAhead(game, play, chosen, depth - 1);
        });
    }
    if (need?.kind !== 'say') return found;
    const { seat } = need.asked;
    const fact = factOfItem(need.asked.item);
    if (fact !== null) found.push([seat, fact]);
    state = game.act(play, state, { kind: 'said', seat, right: true });
  }
  return found;
}
