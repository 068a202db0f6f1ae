import { packOf, shuffledIds, type Card, type Recipe } from '../../../materials/pack.ts';
import { createRandom } from '../../../random/random.ts';
import { askCards } from '../../askFact.ts';
import type { Option } from '../../bodies/choosing.ts';
import { say } from '../../tell/sentence.ts';

export interface GapsRules {
  readonly recipe: Recipe;
  /** Cards that lie open. */
  readonly spaces: number;
}

/** Two cards that make ten are covered; of those worth ten, four. */
export const ten = 10;
export const tensTogether = 4;

/** Places of cards that may be covered together, one choice of each kind: the tens first, then the numbers that lie there most often. */
export function coverable(worths: readonly number[]): number[][] {
  const at = new Map<number, number[]>();
  worths.forEach((worth, place) => at.set(worth, [...(at.get(worth) ?? []), place]));
  const tens = at.get(ten) ?? [];
  const pairs = [...at.keys()]
    .filter((worth) => worth < ten && worth <= ten - worth)
    .flatMap((worth) => {
      const [own = [], others = []] = [at.get(worth), at.get(ten - worth)];
      const there = worth === ten - worth ? Math.floor(own.length / 2) : Math.min(own.length, others.length);
      const [first, second] = worth === ten - worth ? own : [own[0], others[0]];
      return there > 0 && first !== undefined && second !== undefined
        ? [{ there, places: [first, second] }]
        : [];
    })
    .sort((a, b) => b.there - a.there)
    .map(({ places }) => places);
  return tens.length >= tensTogether ? [tens.slice(0, tensTogether), ...pairs] : pairs;
}

/** What a table so covered becomes: the next cards of the pile on the places, none where it is out. */
export function coverPlaces<T>(
  open: readonly T[],
  pile: readonly T[],
  places: readonly number[],
): { readonly open: T[]; readonly pile: T[] } {
  const rest = [...pile];
  const next = open.flatMap((card, place) => {
    if (!places.includes(place)) return [card];
    const above = rest.shift();
    return above === undefined ? [] : [above];
  });
  return { open: next, pile: rest };
}

/** How many of so many deals come out, covering what lies there most often; each dealt from a seed that follows from the one given. */
export function gapsWon({ recipe, spaces }: GapsRules, deals: number, seed: number): number {
  const pack = packOf(recipe);
  const random = createRandom(seed);
  let won = 0;
  for (let nth = 0; nth < deals; nth += 1) {
    const worths = shuffledIds(pack, random).map((id) => (pack[id] as Card).worth);
    let table = { open: worths.slice(0, spaces), pile: worths.slice(spaces) };
    for (;;) {
      const [places] = coverable(table.open);
      if (table.pile.length === 0 || places === undefined) break;
      table = coverPlaces(table.open, table.pile, places);
    }
    if (table.pile.length === 0) won += 1;
  }
  return won;
}

/** Four cards worth ten each, where there are four: said on, "ten, twenty, thirty, forty". */
export function fourTens(
  seat: number,
  worths: readonly number[],
  idsOf: (places: readonly number[]) => number[],
): Option[] {
  const places = worths.flatMap((worth, place) => (worth === ten ? [place] : [])).slice(0, tensTogether);
  if (places.length < tensTogether) return [];
  const asked = {
    ...askCards(
      seat,
      'add',
      places.map(() => ten),
    ),
    untimed: true as const,
  };
  const says = say('asWritten', { text: places.map(() => ten).join(' + ') });
  return [{ key: places.join(' '), veiled: true, says, cards: idsOf(places), asks: () => [asked] }];
}
