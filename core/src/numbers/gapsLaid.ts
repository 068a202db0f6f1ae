/** The most cards, and spaces, that are worked out. */
export const mostGapsCards = 60;
export const mostGapsSpaces = 15;

/**
 * The most cards of a pack, in its order, that the best choices lay: free spaces are filled first, then two that make the total
 * are covered by the next one or two cards. Exact, by trying every choice; cards that are alike are one choice.
 * Throws RangeError for more than 60 cards or 15 spaces.
 */
export function gapsLaid(pack: readonly number[], spaces: number, total: number): number {
  if (pack.length > mostGapsCards || spaces > mostGapsSpaces || spaces < 0)
    throw new RangeError(`There should be up to ${mostGapsCards} cards and ${mostGapsSpaces} spaces.`);
  const known = new Map<string, number>();
  const lay = (open: readonly number[], laid: number): number => {
    if (laid === pack.length) return laid;
    const key = `${laid} ${open.join()}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    let most = laid;
    const tried = new Set<number>();
    for (let a = 0; a < open.length && most < pack.length; a += 1) {
      const [first, wanted] = [open[a] as number, total - (open[a] as number)];
      if (tried.has(first)) continue;
      const b = open.findIndex((one, at) => at !== a && one === wanted);
      if (b < 0) continue;
      tried.add(first).add(wanted);
      const rest = open.filter((_, at) => at !== a && at !== b);
      const next = pack.slice(laid, laid + 2);
      most = Math.max(
        most,
        lay(
          [...rest, ...next].sort((x, y) => x - y),
          laid + next.length,
        ),
      );
    }
    known.set(key, most);
    return most;
  };
  const first = pack.slice(0, spaces);
  return lay(
    [...first].sort((x, y) => x - y),
    first.length,
  );
}
