import { cardsById, packOf, shuffledIds, type Recipe } from '../../../materials/pack.ts';
import type { Play } from '../../game.ts';
import { chanceOf } from '../../playGame.ts';
import { freshState } from '../../rolled.ts';

export interface BiggerRules {
  readonly recipe: Recipe;
  readonly cards: number;
  readonly smaller: boolean;
  /** Its pips are touched and counted. */
  readonly counted: boolean;
}
export interface BiggerLies {
  readonly pile: readonly number[];
  readonly gone: readonly number[];
  readonly open: readonly number[];
  readonly turns: number;
  readonly points: readonly number[];
}
type P = Play<BiggerRules>;

export const pileOf = (play: P) => shuffledIds(packOf(play.rules.recipe), chanceOf(play, freshState));
export const cardsOf = ({ rules }: P, ids: readonly number[]) => cardsById(rules.recipe, ids);
export const worthsOf = (play: P, { open }: BiggerLies) => cardsOf(play, open).map(({ worth }) => worth);

/** Cards off the pile, no two of them alike: one like another that lies there goes under the pile. */
export function turnedUp(play: P, { pile, gone, open, turns: before }: BiggerLies) {
  const up: number[] = [];
  const under: number[] = [];
  const left = [...pile];
  while (up.length < play.rules.cards && left.length > 0) {
    const id = left.shift() as number;
    const [own, ...others] = cardsOf(play, [id, ...up]).map(({ worth }) => worth);
    (others.includes(own as number) ? under : up).push(id);
  }
  return { pile: [...left, ...under], gone: [...gone, ...open], open: up, turns: before + 1 };
}
