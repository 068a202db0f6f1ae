/** How groups are taken out of some numbers. */
export interface Grouping {
  readonly total: number;
  /** The fewest and the most numbers of a group. */
  readonly least: number;
  readonly most: number;
}

/** Every choice of so many places, as places ascending; of numbers that are alike each choice once, by the first of them. */
export function groupsIn(numbers: readonly number[], least: number, most: number): number[][] {
  // Like numbers side by side: of those the first are taken.
  const order = [...numbers.keys()].sort((a, b) => (numbers[a] as number) - (numbers[b] as number) || a - b);
  const out: number[][] = [];
  const own: number[] = [];
  const grow = (from: number) => {
    if (own.length >= least) out.push([...own].sort((a, b) => a - b));
    if (own.length === most) return;
    let before: number | undefined;
    for (let nth = from; nth < order.length; nth += 1) {
      const place = order[nth] as number;
      if (nth > from && numbers[place] === before) continue;
      before = numbers[place];
      own.push(place);
      grow(nth + 1);
      own.pop();
    }
  };
  grow(0);
  return out.sort(byPlaces);
}

/** As words in a dictionary: by the first place in which they differ, the shorter first. */
function byPlaces(a: readonly number[], b: readonly number[]): number {
  for (let nth = 0; nth < a.length && nth < b.length; nth += 1)
    if (a[nth] !== b[nth]) return (a[nth] as number) - (b[nth] as number);
  return a.length - b.length;
}

/**
 * Groups that take out as many of up to 16 numbers as can be, none twice, each group with the total: exact, by trying for every
 * set of numbers left whether one more group fits. Empty: none fits.
 */
export function bestGroups(numbers: readonly number[], { total, least, most }: Grouping): number[][] {
  if (numbers.length > 16) throw new RangeError('There should be up to sixteen numbers.');
  const groups: { readonly mask: number; readonly places: number[] }[] = [];
  const places: number[] = [];
  const grow = (from: number, mask: number, sum: number) => {
    if (mask !== 0 && places.length >= least && sum === total) groups.push({ mask, places: [...places] });
    if (places.length === most) return;
    for (let at = from; at < numbers.length; at += 1) {
      places.push(at);
      grow(at + 1, mask | (1 << at), sum + (numbers[at] as number));
      places.pop();
    }
  };
  grow(0, 0, 0);
  groups.sort((a, b) => a.mask - b.mask);
  // By the numbers taken out so far: the groups that did it.
  const found = new Map<number, number[][]>([[0, []]]);
  for (const [taken, own] of found)
    for (const { mask, places: group } of groups)
      if ((taken & mask) === 0 && !found.has(taken | mask)) found.set(taken | mask, [...own, group]);
  return [...found.values()].reduce((a, b) => (b.flat().length > a.flat().length ? b : a));
}
