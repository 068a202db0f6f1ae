/**
 * Every number that some digits can be laid to, each once, in the order they are come upon. None begins with 0, unless there is
 * nothing else. Digits 0 to 9, 6 at most.
 */
export function layNumber(digits: readonly number[]): number[] {
  if (digits.length > 6 || digits.some((one) => !Number.isInteger(one) || one < 0 || one > 9))
    throw new RangeError('There should be up to six digits from 0 to 9.');
  const orders = (left: readonly number[]): number[][] =>
    left.length === 0
      ? [[]]
      : left.flatMap((one, at) =>
          orders(left.filter((_, other) => other !== at)).map((rest) => [one, ...rest]),
        );
  const allZero = digits.every((one) => one === 0);
  const laid = orders(digits).filter(([first]) => allZero || first !== 0);
  return [...new Set(laid.map((order) => order.reduce((sum, one) => 10 * sum + one, 0)))];
}
