import { keptBy } from '../random/keptBy.ts';
import { shuffled, type RandomSource } from '../random/random.ts';

/** What stands on a card. */
export const ranks = ['A', '2', '3', '4', '5', '6', '7', '8', '9', '10', 'J', 'Q', 'K', 'joker'] as const;
export type Rank = (typeof ranks)[number];
export const cardColours = ['black', 'red'] as const;
export type CardColour = (typeof cardColours)[number];

/** How a pack is made up: which ranks stay in, what each is worth, how many of each. */
export interface Recipe {
  /** What each rank is worth; a rank left out is taken out of the pack. */
  readonly worths: Readonly<Partial<Record<Rank, number>>>;
  /** Cards of each rank (jokers: at most 2 a pack): 4 one pack, 2 one colour of it, 8 two packs. */
  readonly copies: number;
  /** Cards of a rank that has fewer or more than the others, up to 8: a pack that was put together for a child. */
  readonly counts?: Readonly<Partial<Record<Rank, number>>>;
  /** Black adds, red takes away. */
  readonly signed: boolean;
  /** The jokers stand for any number; what they are worth is never read. */
  readonly wild?: boolean;
}

/** A card of a pack. Its id is its place in the pack as made, so that a state may name cards by number. */
export interface Card {
  readonly id: number;
  readonly rank: Rank;
  readonly colour: CardColour;
  /** Below 0 for a red card of a signed pack. */
  readonly worth: number;
}

/** The most cards of one pack that are kept, two packs and their jokers. */
const mostCards = 2 * 54;

/**
 * The cards of a recipe, in order of rank; made once, as a table asks for its cards at every look. Throws RangeError when it
 * keeps none or asks for too many.
 */
export const packOf = keptBy(packMadeBy);

function packMadeBy(recipe: Recipe): readonly Card[] {
  if (!Number.isInteger(recipe.copies) || recipe.copies < 1 || recipe.copies > 8)
    throw new RangeError('A pack holds 1 to 8 cards of a rank.');
  const cards: Card[] = [];
  for (const rank of ranks) {
    const worth = recipe.worths[rank];
    if (worth === undefined) continue;
    const copies = copiesOf(recipe, rank);
    if (!Number.isInteger(copies) || copies < 0 || copies > 8)
      throw new RangeError('A pack holds up to 8 cards of a rank.');
    for (let copy = 0; copy < copies; copy += 1) {
      // One colour of a pack is its black half, unless colours carry the sign.
      const colour = recipe.copies <= 2 && !recipe.signed ? 'black' : (cardColours[copy % 2] as CardColour);
      cards.push({
        id: cards.length,
        rank,
        colour,
        worth: recipe.signed && colour === 'red' ? -worth : worth,
      });
    }
  }
  if (cards.length === 0 || cards.length > mostCards) throw new RangeError('A pack needs 1 to 108 cards.');
  return cards;
}

/** Cards of a rank that a recipe keeps. */
export const copiesOf = (recipe: Recipe, rank: Rank): number =>
  recipe.worths[rank] === undefined
    ? 0
    : (recipe.counts?.[rank] ?? (rank === 'joker' ? jokersOf(recipe.copies) : recipe.copies));

const jokersOf = (copies: number) => (copies <= 2 ? 1 : copies <= 4 ? 2 : 4);

/** Cards of a pack by their ids. */
export function cardsById(recipe: Recipe, ids: readonly number[]): Card[] {
  const pack = packOf(recipe);
  return ids.map((id) => pack[id] as Card);
}

/** A pack in random order, as ids from the top. */
export const shuffledIds = (pack: readonly Card[], random: RandomSource): number[] =>
  shuffled(
    pack.map((card) => card.id),
    random,
  );

/** A deck as counts by worth: what chances are worked out from. */
export type Deck = ReadonlyMap<number, number>;

export function deckOf(pack: readonly Card[]): Deck {
  const deck = new Map<number, number>();
  for (const { worth } of pack) deck.set(worth, (deck.get(worth) ?? 0) + 1);
  return deck;
}

/** A recipe of number cards, as worths in a row: 1 to 10, 0 to 12. */
export function numberRecipe(least: number, most: number, over: Partial<Recipe> = {}): Recipe {
  const worths: Partial<Record<Rank, number>> = {};
  for (let worth = Math.max(1, least); worth <= Math.min(most, 13); worth += 1) worths[rankOf(worth)] = worth;
  // King stands for 0 where it is not 13; the jokers do where it is.
  if (least === 0) worths[most < 13 ? 'K' : 'joker'] = 0;
  return { worths, copies: 4, signed: false, ...over };
}

/** The same pack with so many cards of each number; of ranks worth the same the first is taken as far as eight of it go. */
export function recipeWith(recipe: Recipe, deck: Deck): Recipe {
  const left = new Map(deck);
  const counts: Partial<Record<Rank, number>> = {};
  for (const rank of ranks) {
    const worth = recipe.worths[rank];
    // What stands for any number has none of its own: it stays.
    if (worth === undefined || (rank === 'joker' && recipe.wild)) continue;
    const own = Math.min(8, left.get(worth) ?? 0);
    counts[rank] = own;
    left.set(worth, (left.get(worth) ?? 0) - own);
  }
  return { ...recipe, counts };
}

/** The rank that a number usually has. Throws RangeError outside 1 to 13. */
export function rankOf(worth: number): Rank {
  const rank = ranks[worth - 1];
  if (!rank || rank === 'joker') throw new RangeError('Ranks are worth 1 to 13.');
  return rank;
}

const faces: readonly Rank[] = ['J', 'Q', 'K'];
const names: Readonly<Record<string, string>> = {
  A: 'ace',
  J: 'jack',
  Q: 'queen',
  K: 'king',
  joker: 'joker',
};
const nameOf = (rank: Rank) => names[rank] ?? rank;

/** What to do with a real pack, in table words: "Take out the faces. Ace is 1." */
export function recipeWords(recipe: Recipe): string {
  const { worths, copies } = recipe;
  const words: string[] = [];
  if (copies > 4) words.push('Shuffle two packs together.');
  if (copies <= 2 && !recipe.signed) words.push(copies === 2 ? 'Use one colour only.' : 'Use one suit only.');
  const out = ranks.filter((rank) => rank !== 'joker' && copiesOf(recipe, rank) === 0);
  if (out.length > 0) words.push(`Take out ${outText(out)}.`);
  const [fewer, more] = [-1, 1].map((side) =>
    ranks.filter(
      (rank) =>
        rank !== 'joker' && copiesOf(recipe, rank) > 0 && Math.sign(copiesOf(recipe, rank) - copies) === side,
    ),
  ) as [Rank[], Rank[]];
  if (fewer.length > 0) words.push(`Keep ${someText(fewer, (rank) => copiesOf(recipe, rank))}.`);
  if (more.length > 0)
    words.push(`Add ${someText(more, (rank) => copiesOf(recipe, rank) - copies)} from a second pack.`);
  if (worths.joker !== undefined)
    words.push(`Leave the jokers in: each is ${recipe.wild ? 'any number' : worths.joker}.`);
  if (copiesOf(recipe, 'A') > 0) words.push(`Ace is ${worths.A}.`);
  const kept = faces.filter((rank) => worths[rank] !== undefined);
  const same = new Set(kept.map((rank) => worths[rank]));
  if (kept.length === 3 && same.size === 1) words.push(`The faces are ${worths.J}.`);
  else for (const rank of kept) words.push(`${capital(nameOf(rank))} is ${worths[rank]}.`);
  for (const rank of ranks.slice(1, 10))
    if (worths[rank] !== undefined && worths[rank] !== Number(rank))
      words.push(`${rank} is ${worths[rank]}.`);
  if (recipe.signed) words.push('Black adds, red takes away.');
  return words.join(' ');
}

function outText(out: readonly Rank[]): string {
  const facesOut = faces.every((rank) => out.includes(rank));
  const others = facesOut ? out.filter((rank) => !faces.includes(rank)) : out;
  const runs: Rank[][] = [];
  for (const rank of others) {
    const last = runs.at(-1);
    if (last && ranks.indexOf(rank) === ranks.indexOf(last.at(-1) as Rank) + 1) last.push(rank);
    else runs.push([rank]);
  }
  const texts = runs.flatMap((run) =>
    run.length > 2 ? [`${nameOf(run[0] as Rank)} to ${nameOf(run.at(-1) as Rank)}`] : run.map(nameOf),
  );
  return listText(facesOut ? [...texts, 'the faces'] : texts);
}

const listText = (texts: readonly string[]) =>
  texts.length < 2 ? texts.join('') : `${texts.slice(0, -1).join(', ')} and ${texts.at(-1)}`;

/** "one 9, two 8s and four 7s". */
function someText(some: readonly Rank[], countOf: (rank: Rank) => number): string {
  const texts = some.map((rank) => {
    const count = countOf(rank);
    return `${countWords[count] ?? count} ${nameOf(rank)}${count === 1 ? '' : 's'}`;
  });
  return listText(texts);
}

/** The cards of a deck in words: "two 6s and four 7s". */
export const deckWords = (deck: Deck): string =>
  listText(
    [...deck]
      .filter(([, count]) => count > 0)
      .sort(([a], [b]) => a - b)
      .map(([value, count]) => `${countWords[count] ?? count} ${value}${count === 1 ? '' : 's'}`),
  );
const countWords = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'] as const;

const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
