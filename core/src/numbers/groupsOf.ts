/** How groups are taken out of some numbers. */
export interface Grouping {
  readonly total: number;
  /** The fewest and the most numbers of a group. */
  readonly least: number;
  readonly most: number;
}

const sumOf = (numbers: readonly number[], places: readonly number[]) =>
  places.reduce((sum, at) => sum + (numbers[at] as number), 0);

/** Every choice of so many places, as places ascending; of numbers that are alike each choice once. */
export function groupsIn(numbers: readonly number[], least: number, most: number): number[][] {
  const out = new Map<string, number[]>();
  const grow = (places: readonly number[], from: number) => {
    if (places.length >= least) {
      const key = places
        .map((at) => numbers[at])
        .sort()
        .join();
      if (!out.has(key)) out.set(key, [...places]);
    }
    if (places.length === most) return;
    for (let at = from; at < numbers.length; at += 1) grow([...places, at], at + 1);
  };
  grow([], 0);
  return [...out.values()];
}

/**
 * Groups that take out as many of up to 16 numbers as can be, none twice, each group with the total: exact, by trying for every
 * set of numbers left whether one more group fits. Empty: none fits.
 */
export function bestGroups(numbers: readonly number[], { total, least, most }: Grouping): number[][] {
  if (numbers.length > 16) throw new RangeError('There should be up to sixteen numbers.');
  const groups: { readonly mask: number; readonly places: number[] }[] = [];
  for (let mask = 1; mask < 1 << numbers.length; mask += 1) {
    const places = [...numbers.keys()].filter((at) => (mask >> at) & 1);
    if (places.length >= least && places.length <= most && sumOf(numbers, places) === total)
      groups.push({ mask, places });
  }
  // By the numbers taken out so far: the groups that did it.
  const found = new Map<number, number[][]>([[0, []]]);
  for (const [taken, own] of found)
    for (const { mask, places } of groups)
      if ((taken & mask) === 0 && !found.has(taken | mask)) found.set(taken | mask, [...own, places]);
  return [...found.values()].reduce((a, b) => (b.flat().length > a.flat().length ? b : a));
}
