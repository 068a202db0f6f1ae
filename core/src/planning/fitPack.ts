import type { FactKey } from '../facts/fact.ts';
import type { Deck } from '../materials/pack.ts';
import { fraction, type Fraction } from '../numbers/fraction.ts';
import { checkWish, type PackWish } from './packWish.ts';
import { countOf, tableOf, waysOf, type Counted, type WishTable } from './wishTable.ts';

/** A pack put together to a wish, and what it comes to. */
export interface FittedPack {
  readonly deck: Deck;
  readonly cards: number;
  /** Expected times of each wanted fact in the deals of the wish. */
  readonly expected: ReadonlyMap<FactKey, Fraction>;
  readonly knownShare: Fraction;
  readonly wantShare: Fraction;
  /** Whether every wanted fact comes as often as wished and the known ones are as much of play. */
  readonly meets: boolean;
}

/** The most ways to fill a pack that are all tried. */
const mostTried = 40_000;

/** How good a filled pack is: the smaller, the better. */
type Weigh = (found: Counted) => number;

/**
 * Packs of cards for a wish, the best first and up to three: the one nearest to all of it, one that shows the wanted facts most, one of
 * few cards. Exhaustive where there are few ways to fill a pack, else improved card by card from several beginnings; the same
 * wish gives the same packs. Empty where no card shows a wanted fact. Throws RangeError where the wish cannot be read.
 */
export function fitPacks(wish: PackWish): FittedPack[] {
  checkWish(wish);
  const table = tableOf(wish);
  // Far more than anything else: what was wished. Of packs alike in that the first leaves out what is neither wanted nor known, the
  // second gives the known ones up for the wanted, the third is quickly pulled from a pack.
  const weights: readonly Weigh[] = [
    (found) =>
      40 * missing(wish, found) + 20 * tooFewKnown(wish, found) + leftOver(found) + found.cards / 1000,
    (found) =>
      40 * missing(wish, found) + tooFewKnown(wish, found) - 2 * sumOf(found.want) + found.cards / 1000,
    (found) => 40 * missing(wish, found) + 20 * tooFewKnown(wish, found) + found.cards / 40,
  ];
  const out = new Map<string, FittedPack>();
  for (const weigh of weights) {
    const counts = search(wish, table, weigh);
    if (counts === null) continue;
    const key = counts.join();
    if (!out.has(key)) out.set(key, told(wish, table, counts));
  }
  return [...out.values()].sort((a, b) => Number(b.meets) - Number(a.meets));
}

/** The best pack that meets all of a wish; else why there is none, and what could be wished instead. */
export function fitPack(
  wish: PackWish,
): { readonly pack: FittedPack; readonly why: null } | { readonly pack: null; readonly why: string } {
  const packs = fitPacks(wish);
  const found = packs.find((one) => one.meets);
  if (found) return { pack: found, why: null };
  const [nearest] = packs;
  if (!nearest) return { pack: null, why: 'No two of these numbers ask a wanted fact: allow other numbers.' };
  return { pack: null, why: whyShort(wish, nearest) };
}

/** What a pack gives up of a wish, in a sentence; empty: nothing. */
export function whyShort(wish: PackWish, pack: FittedPack): string {
  const rarest = [...pack.expected].reduce((a, b) => (worth(b[1]) < worth(a[1]) ? b : a));
  const comes = worth(rarest[1]);
  const known = worth(pack.knownShare);
  const says: string[] = [];
  if (comes < wish.times - nearly)
    says.push(
      `The rarest wanted fact comes ${rounded(comes)} times in ${wish.deals} deals, not ${rounded(wish.times)}: wish for fewer facts, fewer times or more deals.`,
    );
  if (known < wish.knownShare - nearly)
    says.push(
      `Known facts are ${Math.round(100 * known)} in 100 of play, not ${Math.round(100 * wish.knownShare)}: wish for a smaller share of known ones, or allow more cards.`,
    );
  return says.join(' ');
}

const nearly = 1e-9;
const worth = ({ top, bottom }: Fraction) => top / bottom;
const rounded = (value: number) => String(Math.round(10 * value) / 10);
const sumOf = (values: Float64Array) => values.reduce((sum, one) => sum + one, 0);

/** How much of what is wanted does not come, each wanted fact from 0 (as wished) to 1 (never). */
function missing({ times, deals }: PackWish, { want }: Counted): number {
  let sum = 0;
  for (const each of want) sum += Math.max(0, 1 - (each * deals) / times);
  return sum;
}
const tooFewKnown = ({ knownShare }: PackWish, { known }: Counted) => Math.max(0, knownShare - known);
/** The share of play that is neither wanted nor known. */
const leftOver = ({ want, known }: Counted) => Math.max(0, 1 - known - sumOf(want));

/** More than any pack that can be played weighs. */
const tooFew = 1e6;

/** The counts of each number that weigh least; null where nothing wanted comes. */
function search(wish: PackWish, table: WishTable, weigh: Weigh): number[] | null {
  const { copies, mostCards, ranks, fixed } = wish;
  const least = Math.max(fixed === null ? 2 : 1, wish.leastCards);
  let best: { readonly counts: number[]; readonly weight: number } | null = null;
  const look = (counts: readonly number[]): number => {
    const cards = counts.reduce((sum, one) => sum + one, 0);
    if (cards > mostCards) return Infinity;
    // A pack of too few is filled up on the way.
    if (cards < least) return tooFew + least - cards;
    const found = countOf(wish, table, counts);
    return sumOf(found.want) === 0 ? Infinity : weigh(found);
  };
  const keep = (counts: readonly number[], weight: number) => {
    if (weight < tooFew && weight < (best?.weight ?? Infinity) - nearly)
      best = { counts: [...counts], weight };
  };
  if ((copies + 1) ** ranks.length <= mostTried) {
    for (const counts of everyFilling(ranks.length, copies)) keep(counts, look(counts));
  } else for (const begun of beginnings(wish, table)) improve(begun, copies, look, keep);
  return (best as { readonly counts: number[] } | null)?.counts ?? null;
}

function* everyFilling(size: number, copies: number): Generator<readonly number[]> {
  const counts = Array<number>(size).fill(0);
  for (;;) {
    yield counts;
    let at = 0;
    while (at < size && counts[at] === copies) counts[at++] = 0;
    if (at === size) return;
    counts[at] = (counts[at] as number) + 1;
  }
}

/** Packs to begin from: the wanted numbers alone once, twice and in full; those with some of every number. */
function beginnings({ copies, mostCards, ranks }: PackWish, table: WishTable): number[][] {
  const wanted = ranks.map((_, i) =>
    ranks.some((__, j) => (table.want[Math.min(i, j) * table.size + Math.max(i, j)] as number) >= 0),
  );
  const some = [
    [1, 0],
    [2, 0],
    [copies, 0],
    [1, 1],
    [2, 1],
    [copies, 1],
  ] as const;
  return some.map(([own, other]) => {
    const counts = wanted.map((is) => Math.min(copies, is ? own : other));
    // Too many cards: the others go first, from the largest.
    for (let at = counts.length - 1; at >= 0 && sumOfCounts(counts) > mostCards; at -= 1)
      if (!wanted[at]) counts[at] = 0;
    while (sumOfCounts(counts) > mostCards)
      counts[counts.indexOf(Math.max(...counts))] = Math.max(...counts) - 1;
    return counts;
  });
}
const sumOfCounts = (counts: readonly number[]) => counts.reduce((sum, one) => sum + one, 0);

/** Card by card, the change that helps most, until none does: one more, one fewer, one for another. */
function improve(
  begun: number[],
  copies: number,
  look: (counts: readonly number[]) => number,
  keep: (counts: readonly number[], weight: number) => void,
): void {
  const counts = [...begun];
  let weight = look(counts);
  for (;;) {
    let [least, more, fewer] = [weight, -1, -1];
    const size = counts.length;
    // −1 stands for no number: a card more, or a card fewer.
    for (let add = -1; add < size; add += 1) {
      if (add >= 0 && counts[add] === copies) continue;
      for (let take = -1; take < size; take += 1) {
        if (add === take || (take >= 0 && counts[take] === 0)) continue;
        change(counts, add, take);
        const found = look(counts);
        change(counts, take, add);
        if (found < least - nearly) [least, more, fewer] = [found, add, take];
      }
    }
    if (more < 0 && fewer < 0) break;
    change(counts, more, fewer);
    weight = least;
  }
  keep(counts, weight);
}

function change(counts: number[], more: number, fewer: number): void {
  if (more >= 0) counts[more] = (counts[more] as number) + 1;
  if (fewer >= 0) counts[fewer] = (counts[fewer] as number) - 1;
}

/** A filled pack with what it comes to, exact. */
function told(wish: PackWish, table: WishTable, counts: readonly number[]): FittedPack {
  const { ranks, fixed, deals, times, knownShare } = wish;
  const { size, wanted } = table;
  const stays = fixed !== null;
  const cards = sumOfCounts(counts);
  const all = stays ? cards : (cards * (cards - 1)) / 2;
  const ways = wanted.map(() => 0);
  let known = 0;
  for (let i = 0; i < size; i += 1)
    for (let j = i; j < size; j += 1) {
      const these = waysOf(counts, i, j, stays);
      const which = table.want[i * size + j] as number;
      if (which >= 0) ways[which] = (ways[which] as number) + these;
      else if (table.known[i * size + j] === 1) known += these;
    }
  const expected = new Map(wanted.map((key, at) => [key, fraction((ways[at] as number) * deals, all)]));
  const comes = [...expected.values()].every((one) => worth(one) >= times - nearly);
  return {
    deck: new Map(ranks.flatMap((rank, at) => (counts[at] ? [[rank, counts[at]] as const] : []))),
    cards,
    expected,
    knownShare: fraction(known, all),
    wantShare: fraction(sumOfCounts(ways), all),
    meets: comes && known / all >= knownShare - nearly,
  };
}
