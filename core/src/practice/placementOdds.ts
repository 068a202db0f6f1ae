/** Answers with evidence on one set: recalled, and short of it. */
export interface SetTally {
  readonly recalled: number;
  readonly short: number;
}

/** A share of answers that come out recalled, as a Beta distribution. */
interface Share {
  readonly a: number;
  readonly b: number;
}

/**
 * A way in which children know a pathway: up to an edge most sets are instant, after it few are. How sure that is differs
 * between children, and is read off the answers along with the edge.
 */
interface Kind {
  /** Share of children taken to be so before any answer. */
  readonly prior: number;
  /** The chance that a set before the edge is instant, and that one from the edge on is. */
  readonly before: number;
  readonly after: number;
  /** Answers recalled on a set that is instant, and on one that is not. */
  readonly instant: Share;
  readonly other: Share;
}

/** Chosen on simulated learners, clean, graded, patchy and slow ones alike; docs/judgement.md gives what it comes to. */
export const placementKinds: readonly Kind[] = [
  // Knows all up to the edge and little from it on.
  { prior: 0.5, before: 0.995, after: 0.01, instant: { a: 40, b: 1.2 }, other: { a: 1.2, b: 7 } },
  // The same, but slow for the limit in force: now and then an instant fact comes late.
  { prior: 0.2, before: 0.995, after: 0.01, instant: { a: 11, b: 2 }, other: { a: 0.5, b: 12 } },
  // Knows in patches: holes before the edge, known facts after it.
  { prior: 0.3, before: 0.82, after: 0.1, instant: { a: 14, b: 1.2 }, other: { a: 1.5, b: 1.4 } },
];

/**
 * The chance of each set to be the first that is not instant, and, last, of none being so: Bayes' rule over the kinds of
 * children above and over every place of the edge, all equally likely beforehand.
 */
export function placementOdds(tallies: readonly SetTally[]): number[] {
  const count = tallies.length;
  const weights = new Array<number>(count + 1).fill(0);
  for (const kind of placementKinds) {
    const instant = tallies.map((one) => likelihood(one, kind.instant));
    const other = tallies.map((one) => likelihood(one, kind.other));
    for (let edge = 0; edge <= count; edge += 1) {
      const chance = (at: number) => (at < edge ? kind.before : kind.after);
      // What comes after the first that is not instant, from the end backwards.
      const rest = new Array<number>(count + 1).fill(1);
      for (let at = count - 1; at >= 0; at -= 1) {
        const s = chance(at);
        rest[at] = (rest[at + 1] as number) * (s * (instant[at] as number) + (1 - s) * (other[at] as number));
      }
      let before = kind.prior / (count + 1);
      for (let first = 0; first < count; first += 1) {
        const s = chance(first);
        weights[first] =
          (weights[first] as number) +
          before * (1 - s) * (other[first] as number) * (rest[first + 1] as number);
        before *= s * (instant[first] as number);
      }
      weights[count] = (weights[count] as number) + before;
    }
  }
  const sum = weights.reduce((total, one) => total + one, 0);
  return weights.map((one) => one / sum);
}

/** The two most likely places, the likeliest first; of equals the earlier. */
export function mostLikely(odds: readonly number[]): [number, number] {
  const order = [...odds.keys()].sort((x, y) => (odds[y] as number) - (odds[x] as number) || x - y);
  return [order[0] as number, order[1] as number];
}

/** The fewest places that hold together at least `chance`, in order. */
export function bandOf(odds: readonly number[], chance: number): number[] {
  const order = [...odds.keys()].sort((x, y) => (odds[y] as number) - (odds[x] as number) || x - y);
  const band: number[] = [];
  let held = 0;
  for (const at of order) {
    if (held >= chance) break;
    band.push(at);
    held += odds[at] as number;
  }
  return band.sort((x, y) => x - y);
}

/**
 * The chance of one order of answers when the share is Beta(a, b): B(a + recalled, b + short) / B(a, b), by rising factors.
 */
function likelihood(
  { recalled, short }: SetTally,
  { a, b }: { readonly a: number; readonly b: number },
): number {
  let value = 1;
  for (let n = 0; n < recalled; n += 1) value *= (a + n) / (a + b + n);
  for (let n = 0; n < short; n += 1) value *= (b + n) / (a + b + recalled + n);
  return value;
}
