import { allChoices, sizeOf } from './choice.ts';
import type { LineAsk } from './checkLine.ts';
import { numbersIn, type Expression, type Sign } from './expression.ts';
import { reach } from './reach.ts';

/** What a line is looked for by. */
type Wanted = LineAsk & { readonly target: number; readonly signs: readonly Sign[] };

/** Lines found before: what lies on a table is asked after many times before it changes. */
const found = new Map<string, Expression | null>();

/** A line of exactly so many of the numbers; undefined: proved that there is none. */
function lineOf({ numbers, target, signs }: Wanted, size: number): Expression | undefined {
  // In the order in which they lie: which of several lines is found hangs on it, and on nothing that was asked before.
  const key = `${numbers.join()} ${target} ${signs.join('')} ${size}`;
  let line = found.get(key);
  if (line === undefined) {
    if (found.size > 2000) found.clear();
    line = null;
    for (const choice of allChoices(numbers.length)) {
      if (sizeOf(choice) !== size) continue;
      const chosen = numbers.filter((_, at) => (choice >> at) & 1);
      line = reach({ numbers: chosen, signs, from: target, to: target, least: size }).lineFor(target) ?? null;
      if (line) break;
    }
    found.set(key, line);
  }
  return line ?? undefined;
}

/** Every number of numbers that a line may use, fewest first. */
const sizesOf = ({ numbers, least = 1, most = numbers.length }: Wanted): number[] =>
  Array.from({ length: Math.max(0, Math.min(most, numbers.length) - least + 1) }, (_, at) => least + at);

const firstOf = (ask: Wanted, sizes: readonly number[]): Expression | undefined => {
  for (const size of sizes) {
    const line = lineOf(ask, size);
    if (line) return line;
  }
  return undefined;
};

/** A line to the target of the fewest numbers; undefined: proved that there is none. */
export const shortestLine = (ask: Wanted): Expression | undefined => firstOf(ask, sizesOf(ask));

/** A line to the target of the most numbers; undefined: proved that there is none. */
export const longestLine = (ask: Wanted): Expression | undefined => firstOf(ask, sizesOf(ask).reverse());

/** How many numbers a line uses. */
export const lengthOf = (line: Expression): number => numbersIn(line).length;
