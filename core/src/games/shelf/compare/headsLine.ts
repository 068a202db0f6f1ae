import { skillItem } from '../../../facts/item.ts';
import { displaySigns } from '../../../facts/operation.ts';
import { cardsById, packOf, shuffledIds, type Recipe } from '../../../materials/pack.ts';
import type { Play } from '../../game.ts';
import type { Asked } from '../../need.ts';
import { chanceOf } from '../../playGame.ts';
import { freshState } from '../../rolled.ts';

export interface HeadsRules {
  readonly recipe: Recipe;
  readonly digits: number;
  /** Numbers of a line; taken away are two. */
  readonly numbers: number;
  readonly operation: 'add' | 'sub';
}
type P = Play<HeadsRules>;

export const numbersOf = ({ rules: { numbers, operation } }: P) => (operation === 'sub' ? 2 : numbers);
export const pileOf = (play: P) => shuffledIds(packOf(play.rules.recipe), chanceOf(play, freshState));

export const cardsOf = ({ rules }: P, ids: readonly number[]) => cardsById(rules.recipe, ids);
export const digitsOf = (play: P, ids: readonly number[] = []) =>
  cardsOf(play, ids).map(({ worth }) => worth);

/** Cards in the order in which they are a number. */
export function inOrder(play: P, ids: readonly number[], number: string): number[] {
  const left = [...ids];
  return [...number].map((digit) => {
    const at = left.findIndex((id) => digitsOf(play, [id])[0] === Number(digit));
    return left.splice(at, 1)[0] as number;
  });
}

/** What the numbers that lie there come to, as it is asked of a seat; worked out on paper, it has no time. */
export function askLine(play: P, hands: readonly (readonly number[])[], seat: number): Asked {
  const { operation } = play.rules;
  const laid = hands.map((hand) => Number(digitsOf(play, hand).join('')));
  const numbers = operation === 'sub' ? [...laid].sort((a, b) => b - a) : laid;
  const answer = String(numbers.reduce((a, b) => (operation === 'sub' ? a - b : a + b)));
  const shown = numbers.join(` ${displaySigns[operation]} `);
  const item = skillItem(numbers.length > 2 ? 'chain' : `line:${operation}`);
  return { seat, item, shown, answer, whole: `${shown} = ${answer}`, untimed: true };
}
