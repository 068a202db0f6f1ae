/**
 * Every number that some digits can be laid to, each once, in the order they are come upon. None begins with 0, unless there is
 * nothing else. Digits 0 to 9, 6 at most.
 */
export function layNumber(digits: readonly number[]): number[] {
  if (digits.length > 6 || digits.some((one) => !Number.isInteger(one) || one < 0 || one > 9))
    throw new RangeError('There should be up to six digits from 0 to 9.');
  const allZero = digits.every((one) => one === 0);
  const laid = new Set<number>();
  const grow = (left: number, number: number) => {
    if (left === 0) laid.add(number);
    for (let at = 0; at < digits.length; at += 1) {
      const digit = digits[at] as number;
      if ((left & (1 << at)) === 0 || (number === 0 && left === all && digit === 0 && !allZero)) continue;
      grow(left & ~(1 << at), 10 * number + digit);
    }
  };
  const all = (1 << digits.length) - 1;
  grow(all, 0);
  return [...laid];
}
