import type { Choice, Need } from './need.ts';
import type { Scene } from './scene.ts';
import { tell } from './tell/sentence.ts';

/**
 * What some cards picked up together come to: the choices that take cards of the same faces from the same places. Several
 * where they can be meant in several ways, as with a wild card; none: they may not be taken together.
 */
export function pickedChoices(
  need: Need & { readonly kind: 'choose' },
  scene: Scene,
  picked: readonly number[],
): readonly Choice[] {
  const faceOf = (id: number) => {
    const row = scene.rows.find((one) => one.cards.some((card) => card.id === id));
    const card = row?.cards.find((one) => one.id === id);
    return JSON.stringify([row?.seat ?? null, card?.worth ?? card?.says ?? null]);
  };
  const facesOf = (ids: readonly number[]) => ids.map(faceOf).sort().join(' ');
  const own = facesOf(picked);
  const ways = need.choices.filter(({ cards }) => cards !== undefined && facesOf(cards) === own);
  // Which of two like cards is meant makes no other line.
  return ways.filter((one, nth) => ways.findIndex((other) => tell(other.says) === tell(one.says)) === nth);
}
