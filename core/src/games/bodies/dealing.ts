import { packOf, shuffledIds, type Card, type Recipe } from '../../materials/pack.ts';
import type { GameState, Play } from '../game.ts';
import { ownOf, packInPlay, packOfSeat } from '../ownPacks.ts';
import { chanceOf, seatsIn } from '../playGame.ts';
import type { SceneRow } from '../scene.ts';
import { say } from '../tell/sentence.ts';

type Packed = Play<{ readonly recipe: Recipe }>;

/** Cards dealt once: a hand for each seat, some open for all, the pile that is left; by their ids. */
export interface Dealt {
  readonly draws: number;
  readonly hands: readonly (readonly number[])[];
  readonly open: readonly number[];
  readonly pile: readonly number[];
}

/** Deals so many cards to each seat from the shuffled pack, or from each seat's own; what lies open is of the first. */
export function dealHands(play: Packed, each: number, openCards: number): Dealt {
  const seats = [...Array(play.seats).keys()];
  if (play.packs) {
    const own = seats.map((seat) => shuffledIds(packOfSeat(play, seat), chanceOf(play, { draws: seat })));
    const rest = own.map((ids) => ids.slice(each));
    return {
      draws: play.seats,
      hands: own.map((ids) => ids.slice(0, each)),
      open: (rest[0] ?? []).slice(0, openCards),
      pile: rest.flatMap((ids, seat) => (seat === 0 ? ids.slice(openCards) : ids)),
    };
  }
  const ids = shuffledIds(packOf(play.rules.recipe), chanceOf(play, { draws: 0 }));
  const after = each * play.seats;
  return {
    draws: 1,
    hands: seats.map((seat) => ids.slice(seat * each, (seat + 1) * each)),
    open: ids.slice(after, after + openCards),
    pile: ids.slice(after + openCards),
  };
}

/** What new hands are dealt from: the pile, what was played before, what the seats hold. */
export interface Round extends Pick<GameState, 'draws' | 'out'> {
  readonly pile: readonly number[];
  readonly gone: readonly number[];
  readonly hands: readonly (readonly number[])[];
}

/** New hands for the seats that still play; too few cards left: those played before are shuffled in again. */
export function dealAgain(play: Packed, state: Round, each: number): Omit<Round, 'out'> {
  const seats = seatsIn(play, state);
  const cards = packInPlay(play);
  const gone = [...state.gone, ...state.hands.flat()];
  const own = (pile: readonly number[], seat: number) => ownOf(play, pile, seat);
  const again = play.packs
    ? seats.some((seat) => own(state.pile, seat).length < each)
    : state.pile.length < each * seats.length;
  const back = gone.map((id) => cards[id] as Card);
  const fresh = again ? [...state.pile, ...shuffledIds(back, chanceOf(play, state))] : state.pile;
  const hands = Array.from({ length: play.seats }, (_, seat) => {
    const at = seats.indexOf(seat);
    if (at < 0) return [];
    return play.packs ? own(fresh, seat).slice(0, each) : fresh.slice(each * at, each * (at + 1));
  });
  const inHand = new Set(hands.flat());
  return {
    draws: state.draws + 1,
    pile: fresh.filter((id) => !inHand.has(id)),
    gone: again ? [] : gone,
    hands,
  };
}

/** The order of the cards of so many rounds, each seat dealt so many: of each round for which all are laid anew too. */
export function roundRows(play: Packed, pile: readonly number[], each: number, rounds: number): SceneRow[] {
  const cards = packInPlay(play);
  const faces = (ids: readonly number[]) => ids.map((id) => cards[id] as Card);
  const rowsOf = (round: number, from: readonly number[]): SceneRow[] =>
    play.packs
      ? [...Array(play.seats).keys()].map((seat) => ({
          name: say('packFrom', { seat, each, round }),
          seat,
          cards: faces(ownOf(play, from, seat)),
        }))
      : [{ name: say('dealtInTurn', { each, round }), seat: null, cards: faces(from) }];
  const rows = rowsOf(1, pile);
  // Too few are left for a round: all are laid anew, in an order that is known already.
  let dealing: Round = { pile, draws: 1, out: [], gone: [], hands: [] };
  for (let round = 1; round <= rounds; round += 1) {
    dealing = { ...dealAgain(play, dealing, each), out: [] };
    if (round > 1 && dealing.gone.length === 0)
      rows.push(...rowsOf(round, [...dealing.hands.flat(), ...dealing.pile]));
  }
  return rows;
}
