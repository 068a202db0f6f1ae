/** Two 2-digit numbers from four cards, their sum as near a line as possible without going over. */
export interface UnderLine {
  readonly left: number;
  readonly right: number;
  readonly sum: number;
}

/** Every way to lay four digits into two 2-digit numbers, the larger number first, each once. */
export function twoNumberLayouts(digits: readonly number[]): UnderLine[] {
  const out = new Map<string, UnderLine>();
  const places = [0, 1, 2, 3];
  for (const a of places)
    for (const b of places)
      for (const c of places)
        for (const d of places) {
          if (new Set([a, b, c, d]).size < 4) continue;
          const [tens, ones, otherTens, otherOnes] = [a, b, c, d].map((at) => digits[at] as number) as [
            number,
            number,
            number,
            number,
          ];
          const [one, other] = [10 * tens + ones, 10 * otherTens + otherOnes];
          if (one < other || tens === 0 || otherTens === 0) continue;
          out.set(`${one}+${other}`, { left: one, right: other, sum: one + other });
        }
  return [...out.values()];
}

/** The layout nearest to the line and not over it; of equals the one with the larger first number. Null: none fits. Throws RangeError unless there are four digits 0-9. */
export function bestUnder(digits: readonly number[], line: number): UnderLine | null {
  if (digits.length !== 4 || digits.some((one) => !Number.isInteger(one) || one < 0 || one > 9))
    throw new RangeError('There should be four digits from 0 to 9.');
  const fits = twoNumberLayouts(digits).filter((one) => one.sum <= line);
  return fits.sort((a, b) => b.sum - a.sum || b.left - a.left)[0] ?? null;
}
