import { factKey } from '../../../facts/fact.ts';
import { factOr, skillItem } from '../../../facts/item.ts';
import { displaySigns } from '../../../facts/operation.ts';
import { numberRecipe, packOf, type Card, type Recipe } from '../../../materials/pack.ts';
import type { Asked } from '../../need.ts';
import type { SceneCard } from '../../scene.ts';
import { say, type Sentence } from '../../tell/sentence.ts';

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

/** The first so many special cards as a setting: what they are, and what they are called. */
export const specialsUpTo = (count: number): readonly [readonly LampSpecial[], string] => {
  const own = lampSpecials.slice(0, count);
  return [own, count === 0 ? 'none' : own.map((one) => lampSpecialTexts[one].name.toLowerCase()).join(', ')];
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

/** The total after the open card at a place; undefined: it cannot be played. */
export function afterCard(state: LampTotal, at: number): { readonly total: number } | undefined {
  const card = state.open[at];
  if (!card) return undefined;
  const { total, down, last } = state;
  const moved = (by: number) => {
    const next = down ? total - by : total + by;
    return next < 0 || next > lampTop ? undefined : { total: next };
  };
  if (card.kind === 'number') return moved(worthOf(card) as number);
  switch (card.special) {
    case 'rest':
      return { total };
    case 'tenOff':
      return total < 10 ? undefined : { total: total - 10 };
    case 'upToTen': {
      const next = Math.ceil(total / 10) * 10;
      return next === total || next > lampTop ? undefined : { total: next };
    }
    case 'twice':
      return last === 0 ? undefined : moved(last);
    case 'missing':
      return { total: lampTop - total };
  }
}

/**
 * What is said when the open card at a place is played; undefined: nothing is to be worked out. `inHead`: the total is kept by the
 * child, and is not read off what is asked.
 */
export function askAfter(inHead: boolean, seat: number, state: LampTotal, at: number): [Asked] | undefined {
  const card = state.open[at] as LampCard;
  const after = afterCard(state, at);
  if (!after || (card.kind === 'special' && card.special === 'rest')) return undefined;
  const { total: from } = state;
  const { total: to } = after;
  const fromHundred = card.kind === 'special' && card.special === 'missing';
  const sign = fromHundred || to < from ? ('sub' as const) : ('add' as const);
  const [left, right] = fromHundred ? [lampTop, from] : [from, Math.abs(to - from)];
  const text = `${left} ${displaySigns[sign]} ${right}`;
  const told = { seat, whole: `${text} = ${to}`, untimed: true } as const;
  if (card.kind === 'special' && card.special === 'upToTen')
    return [
      {
        ...told,
        item: skillItem('bond:10'),
        shown: inHead ? say('plusToTen') : `${from} + ? = ${to}`,
        answer: String(right),
      },
    ];
  const shown = !inHead
    ? text
    : fromHundred
      ? `${lampTop} ${displaySigns.sub} ?`
      : `${displaySigns[sign]} ${right}`;
  const item = factOr(factKey({ operation: sign, left, right }), `line:${sign}`);
  return [{ ...told, item, shown, answer: String(to) }];
}

export const nameOf = (card: LampCard): string =>
  card.kind === 'number' ? String(worthOf(card)) : lampSpecialTexts[card.special].name;

/** What a card made of the total. */
export function toldOf(card: LampCard, from: number, to: number): Sentence {
  if (card.kind === 'number') return say('lampNumber', { worth: worthOf(card) as number, from, to });
  return card.special === 'rest' ? say('lampRest') : say('lampSpecial', { card: nameOf(card), from, to });
}
