import { packOf, type Card, type Recipe } from '../materials/pack.ts';
import type { Play } from './game.ts';

/** Packs of their own by their largest number, where a game minds nothing more. */
export const anyOwnPacks: readonly number[] = [5, 6, 7, 8, 9, 10, 12, 13];

type Packed = Play<{ readonly recipe: Recipe }>;

/** A play of a game whose pack is the same by all its rules. */
export const packedWith = <R extends object>(
  play: Play<R>,
  recipe: Recipe,
): Play<R & { readonly recipe: Recipe }> => ({
  ...play,
  rules: { ...play.rules, recipe },
});

/** A seat's own pack, its cards numbered on from those of the seats before it. */
export function packOfSeat(play: Packed, seat: number): readonly Card[] {
  const packs = Array.from({ length: seat + 1 }, (_, at) => packOf(play.packs?.[at] ?? play.rules.recipe));
  const before = packs.slice(0, seat).reduce((sum, pack) => sum + pack.length, 0);
  return (packs[seat] as readonly Card[]).map((card) => ({ ...card, id: card.id + before }));
}

/** All cards of a game, each at its id: those of the one pack, or of as many hands as have one of their own. */
export const packInPlay = (play: Packed, hands: number = play.seats): readonly Card[] =>
  play.packs
    ? Array.from({ length: hands }, (_, seat) => packOfSeat(play, seat)).flat()
    : packOf(play.rules.recipe);

/** The cards of a pile that a seat draws from: its own, or all where there is one pack. */
export function ownOf(play: Packed, pile: readonly number[], seat: number): readonly number[] {
  if (!play.packs) return pile;
  const own = new Set(packOfSeat(play, seat).map((card) => card.id));
  return pile.filter((id) => own.has(id));
}
