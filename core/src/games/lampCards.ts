import { factKey, type FactKey } from '../facts/fact.ts';
import { numberRecipe, packOf, type Card, type Recipe } from '../materials/pack.ts';
import type { SceneCard } from './game.ts';

/** Special cards; each kind joins at a step of its own. */
export const lampSpecials = ['rest', 'tenOff', 'upToTen', 'twice', 'missing'] as const;
export type LampSpecial = (typeof lampSpecials)[number];

export const lampSpecialTexts: Readonly<
  Record<LampSpecial, { readonly name: string; readonly says: string }>
> = {
  rest: { name: 'rest', says: 'the next player sits out' },
  tenOff: { name: 'ten off', says: 'the total less 10' },
  upToTen: { name: 'up to ten', says: 'the total rises to the next ten' },
  twice: { name: 'twice', says: 'the card last added is added again' },
  missing: { name: 'what is missing', says: 'the total becomes 100 less itself' },
};

/** A number card by its id in the pack, or a special one. */
export type LampCard =
  | { readonly kind: 'number'; readonly id: number }
  | { readonly kind: 'special'; readonly special: LampSpecial; readonly copy: number };

export const lampRecipe: Recipe = numberRecipe(1, 10);
export const copiesOfSpecial = 3;
export const lampTop = 100;

/** What a card is added to. */
export interface LampTotal {
  readonly open: readonly LampCard[];
  readonly total: number;
  /** The number card last added; 0: none yet. */
  readonly last: number;
  /** First up to 100, then down again. */
  readonly down: boolean;
}

const pack = packOf(lampRecipe);
/** What a number card is worth; null: a special card. */
export const worthOf = (card: LampCard) => (card.kind === 'number' ? (pack[card.id] as Card).worth : null);

/** A card as it lies at a place. */
export function faceOf(card: LampCard, at: number): SceneCard {
  if (card.kind === 'number') {
    const { id, rank, colour, worth } = pack[card.id] as Card;
    return { id, rank, colour, worth };
  }
  return {
    id: 1000 + at,
    rank: 'joker' as const,
    colour: 'black' as const,
    worth: null,
    says: lampSpecialTexts[card.special].name,
  };
}

/** The total after the open card at a place, and how it is told; undefined: it cannot be played. */
export function afterCard(
  state: LampTotal,
  at: number,
): { readonly total: number; readonly says: string; readonly fact?: FactKey } | undefined {
  const card = state.open[at];
  if (!card) return undefined;
  const { total, down, last } = state;
  const moved = (by: number, says: string) => {
    const next = down ? total - by : total + by;
    return next < 0 || next > lampTop
      ? undefined
      : { total: next, says: `${says}${total} ${down ? '−' : '+'} ${by} = ${next}` };
  };
  const worth = worthOf(card);
  if (worth !== null) {
    const found = moved(worth, '');
    // 34 + 6 rests on 4 + 6, which is what the map of facts knows.
    const ones = total % 10;
    const fact = down
      ? ones >= worth
        ? factKey({ operation: 'sub', left: ones, right: worth })
        : undefined
      : factKey({ operation: 'add', left: ones, right: worth });
    return found && { ...found, ...(fact === undefined ? {} : { fact }) };
  }
  const { special } = card as LampCard & { readonly kind: 'special' };
  const { name } = lampSpecialTexts[special];
  switch (special) {
    case 'rest':
      return { total, says: `${name}: the next player sits out` };
    case 'tenOff':
      return total < 10 ? undefined : { total: total - 10, says: `${name}: ${total} − 10 = ${total - 10}` };
    case 'upToTen': {
      const next = Math.ceil(total / 10) * 10;
      return next === total || next > lampTop
        ? undefined
        : { total: next, says: `${name}: ${total} + ${next - total} = ${next}` };
    }
    case 'twice':
      return last === 0 ? undefined : moved(last, `${name}: `);
    case 'missing':
      return { total: lampTop - total, says: `${name}: 100 − ${total} = ${lampTop - total}` };
  }
}
