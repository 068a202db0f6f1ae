/** The 97.5 per cent point of the normal distribution. */
export const z95 = 1.959964;

/**
 * The interval that holds the share behind `count` of `of` in 95 of 100. Of none it is 0 to 1. Source: Wilson (1927), J. American
 * Statistical Association 22: 209-212; from memory.
 */
export function wilsonInterval(count: number, of: number): { readonly low: number; readonly high: number } {
  if (of === 0) return { low: 0, high: 1 };
  const z2 = z95 * z95;
  const share = count / of;
  const middle = (share + z2 / (2 * of)) / (1 + z2 / of);
  const half = (z95 * Math.sqrt((share * (1 - share)) / of + z2 / (4 * of * of))) / (1 + z2 / of);
  return { low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}
